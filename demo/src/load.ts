import {
  activeKeyOf,
  addReadings,
  hashSecret,
  inTransaction,
  readProbes,
  schema as t,
  type Database,
  type Queries,
} from '@calm/server';
import { NO_LOSSES, type HouseBook, type Lot } from '@calm/contract';
import { eq } from 'drizzle-orm';
import { v5 as uuidOf } from 'uuid';
import { CALIBRATION_C, makeAlarms, makePuts, makeReadings, makeRounds, probes } from './cold';
import { makeHistory, WEEKS_OF_HISTORY } from './history';
import { makeSales, quartersOf } from './sales';
import * as yard from './lanternYard';
import { makeRecords } from './records';

/** Any fixed namespace will do: it makes the demo's ids the same every time. */
const NAMESPACE = '5b1f3e0a-6c1d-4f0e-9a55-0d1f2c3b4a59';

/** How to load the demo house. */
export interface DemoOptions {
  /** Several copies may live in one database under different slugs. */
  readonly slug?: string;
  readonly name?: string;
  /** "Today": history ends here. */
  readonly now: Date;
  /** Weeks of history; ten unless a test wants to be quick. */
  readonly weeks?: number;
  /** Days of temperature readings; as long as the history unless a test wants to be quick. */
  readonly readingDays?: number;
  /** Probes fell silent this many hours ago: somebody else posts what came after. */
  readonly silentH?: number;
  /** Only the site, its machines, crew and services: nothing in the book yet, and no history. */
  readonly isBookEmpty?: boolean;
}

/** True when the house is there already. */
export async function isLoaded(db: Database, slug = 'lantern-yard'): Promise<boolean> {
  const rows = await db.select({ id: t.houses.id }).from(t.houses).where(eq(t.houses.slug, slug));
  return rows.length > 0;
}

/**
 * Loads Lantern Yard, replacing a copy under the same slug. All in one transaction.
 *
 * @returns how many lots of history it now has
 */
export async function loadLanternYard(
  db: Database,
  {
    slug = 'lantern-yard',
    name = yard.HOUSE_NAME,
    now,
    weeks = WEEKS_OF_HISTORY,
    readingDays = weeks * 7,
    silentH = 0,
    isBookEmpty = false,
  }: DemoOptions,
): Promise<{ lots: number }> {
  const id = (key: string) => uuidOf(`${slug}/${key}`, NAMESPACE);
  const houseId = id('house');
  const full = bookOf(id, slug, name);
  const book = isBookEmpty ? { ...full, formulas: [], routes: [], products: [], pantry: [] } : full;
  const lots = isBookEmpty ? [] : makeHistory(book, now, weeks);
  await inTransaction(db, async (tx) => {
    await removeHouse(tx, houseId);
    await insertBook(tx, houseId, book, id, now);
    await insertServices(tx, houseId, id);
    if (!isBookEmpty) await insertUsualCounts(tx, houseId, id);
    await inBatches(lots, async (batch) => {
      await tx.insert(t.lots).values(
        batch.map(({ recipe, ...lot }) => ({
          id: id(lot.id),
          houseId,
          code: lot.code,
          serviceDate: lot.serviceDate,
          formulaId: recipe.formulaId,
          routeId: routeIdOf(book, recipe.formulaId),
          mixerId: recipe.mixer.id,
          startedAt: new Date(lot.startedAt),
          doorsAt: new Date(lot.doorsAt),
          closeAt: new Date(lot.closeAt),
          note: lot.note,
          leftG: lot.leftG,
          trimG: lot.trimG,
          recipe,
          activeKey: activeKeyOf(
            recipe.formulaId,
            routeIdOf(book, recipe.formulaId),
            lot.serviceDate,
          ),
        })),
      );
    });
    if (!isBookEmpty) await insertSales(tx, houseId, id, now, weeks);
    const parts = lots.map((lot) => ({ lot, ids: { houseId, lotId: id(lot.id) } }));
    await inBatches(
      parts.flatMap(({ lot, ids }) =>
        lot.items.map((item, position) => ({ ...ids, position, ...item })),
      ),
      (batch) => tx.insert(t.lotItems).values(batch),
    );
    await inBatches(
      parts.flatMap(({ lot, ids }) => lot.loads.map((load) => ({ ...ids, ...load }))),
      (batch) => tx.insert(t.loads).values(batch),
    );
    await inBatches(
      parts.flatMap(({ lot, ids }) =>
        lot.marks.map((mark) => ({
          ...ids,
          ...mark,
          startedAt: null,
          doneAt: mark.doneAt === null ? null : new Date(mark.doneAt),
        })),
      ),
      (batch) => tx.insert(t.marks).values(batch),
    );
    const records = [
      ...makeRecords(
        lots,
        now,
        (productId) => book.products.find((p) => p.id === productId)?.ballsPerTray ?? 1,
        (service) => patternId(id, service),
      ),
      ...makePuts(book, lots, now, (place) => id(`place/${place}`)),
    ];
    await inBatches(records, (batch) =>
      tx.insert(t.lotRecords).values(
        batch.map(({ key, lot, at, by, content }) => ({
          id: id(`record/${key}`),
          houseId,
          lotId: id(lot),
          at,
          personId: id(`person/${by}`),
          kind: content.kind,
          found: 'found' in content ? content.found : null,
          content,
        })),
      ),
    );
    await insertProbes(tx, houseId, id);
    if (!isBookEmpty) {
      await insertReadings(tx, houseId, id, { lots, now, days: readingDays, silentH });
    }
    if (!isBookEmpty) {
      const { at, by, readAt, readBy, lines, note } = yard.handover(now);
      await tx.insert(t.handovers).values({
        id: id('handover'),
        houseId,
        at,
        personId: id(`person/${by}`),
        lines,
        note,
        readAt,
        readById: id(`person/${readBy}`),
      });
    }
  });
  return { lots: lots.length };
}

const ROWS_PER_INSERT = 500;

async function inBatches<Row>(rows: readonly Row[], insert: (batch: Row[]) => Promise<unknown>) {
  for (let i = 0; i < rows.length; i += ROWS_PER_INSERT) {
    await insert(rows.slice(i, i + ROWS_PER_INSERT));
  }
}

function routeIdOf(book: HouseBook, formulaId: string): string {
  return book.products.find((p) => p.formulaId === formulaId)?.routeId ?? '';
}

/** Lantern Yard's book with made-up ids, for tests that need no database. */
export function exampleBook(): HouseBook {
  return bookOf((key) => uuidOf(`example/${key}`, NAMESPACE), 'example', yard.HOUSE_NAME);
}

/** The house as its own devices see it, before it has an hour of history. */
function bookOf(id: (key: string) => string, slug: string, name: string): HouseBook {
  const { TIME_ZONE: timeZone } = yard;
  const settings = {
    ...yard.settings,
    demoSecrets: Object.fromEntries(
      yard.crew.map(({ name: person, secret }) => [id(`person/${person}`), secret]),
    ),
  };
  return {
    house: { id: id('house'), slug, name, timeZone, settings, version: 1 },
    mixers: yard.mixers.map(({ key, minDoughG, maxDoughG, ...mixer }) => ({
      id: id(`mixer/${key}`),
      ...mixer,
      minDoughKg: minDoughG / 1000,
      maxDoughKg: maxDoughG / 1000,
    })),
    routes: yard.routes.map(({ key, ...route }) => ({
      id: id(`route/${key}`),
      version: 1,
      ...route,
    })),
    formulas: yard.formulas.map(({ key, mixer, ...formula }) => ({
      id: id(`formula/${key}`),
      slug: key,
      ...formula,
      version: 1,
      mixerId: id(`mixer/${mixer}`),
    })),
    products: yard.products.map(({ key, formula, route, ...product }) => ({
      id: id(`product/${key}`),
      slug: key,
      ...product,
      version: 1,
      formulaId: id(`formula/${formula}`),
      routeId: id(`route/${route}`),
    })),
    pantry: yard.pantry.map((thing) => ({
      id: id(`ingredient/${thing.name}`),
      version: 1,
      ...thing,
    })),
    places: yard.places.map((place) => ({ id: id(`place/${place.name}`), version: 1, ...place })),
    losses: NO_LOSSES,
    people: yard.crew.map(({ name: person, initials, skills, role }) => ({
      id: id(`person/${person}`),
      name: person,
      initials,
      skills,
      role,
    })),
  };
}

async function insertBook(
  tx: Queries,
  houseId: string,
  book: HouseBook,
  id: (key: string) => string,
  at: Date,
) {
  const { house, mixers, places, formulas, people } = book;
  const secretHashes = await demoHashes();
  await tx.insert(t.houses).values(house);
  await tx.insert(t.mixers).values(
    mixers.map(({ minDoughKg, maxDoughKg, ...mixer }) => ({
      houseId,
      ...mixer,
      minDoughG: minDoughKg * 1000,
      maxDoughG: maxDoughKg * 1000,
    })),
  );
  await tx
    .insert(t.places)
    .values(places.map((place) => ({ houseId, ...place, zones: [...place.zones] })));
  if (formulas.length > 0) await insertDoughs(tx, houseId, book, at);
  await tx.insert(t.people).values(
    people.map((person, i) => ({
      houseId,
      ...person,
      secretHash: secretHashes[i] ?? null,
    })),
  );
  await tx.insert(t.shiftPatterns).values(
    yard.crew.flatMap(({ name, shifts }) =>
      shifts.flatMap(({ weekdays, from, to }) =>
        weekdays.map((weekday) => ({
          id: id(`shift/${name}/${weekday}/${from}`),
          houseId,
          personId: id(`person/${name}`),
          weekday,
          startMin: from,
          endMin: to,
        })),
      ),
    ),
  );
}

async function insertDoughs(
  tx: Queries,
  houseId: string,
  { routes, formulas, products, pantry }: HouseBook,
  at: Date,
) {
  await tx.insert(t.routes).values(routes.map((route) => ({ houseId, ...route })));
  await tx
    .insert(t.formulas)
    .values(
      formulas.map((formula) => ({ houseId, ...formula, allergens: [...formula.allergens] })),
    );
  await tx.insert(t.formulaVersions).values(
    formulas.map(({ id: formulaId, slug: _s, code: _c, version, allergens, ...content }) => ({
      houseId,
      formulaId,
      version,
      note: 'As it came into the book',
      savedAt: at,
      content: { ...content, allergens: [...allergens] },
    })),
  );
  await tx.insert(t.ingredients).values(
    pantry.map(({ id, name, version, ...facts }) => ({
      id,
      houseId,
      name,
      version,
      facts,
    })),
  );
  await tx.insert(t.products).values(
    products.map((product, position) => ({
      houseId,
      position,
      ...product,
      isFromRemainders: product.isFromRemainders ? 1 : 0,
    })),
  );
}

/** Hashing takes its time on purpose: once for every copy of the house. */
let hashes: Promise<string[]> | null = null;
const demoHashes = () =>
  (hashes ??= Promise.all(yard.crew.map(({ secret }) => hashSecret(secret))));

type Ids = (key: string) => string;

const patternId = (id: Ids, service: { readonly name: string; readonly weekday: number }) =>
  id(`service/${service.name}/${service.weekday}`);

async function insertServices(tx: Queries, houseId: string, id: Ids) {
  await tx
    .insert(t.servicePatterns)
    .values(yard.services.map((service) => ({ id: patternId(id, service), houseId, ...service })));
}

async function insertUsualCounts(tx: Queries, houseId: string, id: Ids) {
  await tx.insert(t.usualCounts).values(
    yard.services.flatMap((service) =>
      Object.entries(yard.usual[service.name] ?? {}).map(([product, week]) => ({
        houseId,
        patternId: patternId(id, service),
        productId: id(`product/${product}`),
        count: week[service.weekday - 1] ?? 0,
      })),
    ),
  );
}

async function insertSales(tx: Queries, houseId: string, id: Ids, now: Date, weeks?: number) {
  const { sales, events } = makeSales(now, weeks);
  await inBatches(sales, (batch) =>
    tx.insert(t.sales).values(
      batch.map(({ service, product, ...sale }) => ({
        houseId,
        patternId: patternId(id, service),
        productId: id(`product/${product}`),
        ...sale,
      })),
    ),
  );
  await inBatches(quartersOf(sales, now), (batch) =>
    tx.insert(t.quarterSales).values(
      batch.map(({ sale: { date, service, product }, quarter, sold }) => ({
        houseId,
        date,
        patternId: patternId(id, service),
        productId: id(`product/${product}`),
        quarter,
        sold,
      })),
    ),
  );
  await inBatches(events, (batch) =>
    tx.insert(t.events).values(
      batch.map((event) => ({
        id: id(`event/${event.date}`),
        houseId,
        patternId: null,
        ...event,
      })),
    ),
  );
}

async function insertProbes(tx: Queries, houseId: string, id: Ids) {
  await tx.insert(t.probes).values(
    probes.map(({ key, name, place, zone, errorC }) => ({
      id: id(`probe/${key}`),
      houseId,
      name,
      placeId: id(`place/${place}`),
      zone,
      calibrations:
        errorC === 0 ? [] : [{ from: '2026-01-05T09:00:00.000Z', offsetC: CALIBRATION_C }],
    })),
  );
}

async function insertReadings(
  tx: Queries,
  houseId: string,
  id: Ids,
  { lots, now, days, silentH }: { lots: readonly Lot[]; now: Date; days: number; silentH: number },
) {
  const scope = { tx, houseId };
  const untilS = now.getTime() / 1000 - silentH * 3600;
  const history = makeReadings(lots, now, days).map(({ probe, readings }) => ({
    probe,
    readings: readings.filter(({ atS }) => atS <= untilS),
  }));
  const numbered = await readProbes(scope);
  for (const { probe, readings } of history) {
    const own = numbered.find((each) => each.probe.id === id(`probe/${probe.key}`));
    if (!own) continue;
    const [atS, airC] = [readings.map((each) => each.atS), readings.map((each) => each.airC)];
    await addReadings(scope, own.no, atS, airC);
  }
  await tx.insert(t.coldNotes).values(
    makeRounds(history, now).map(({ key, at, by, place, zone, airC }) => ({
      id: id(key),
      houseId,
      at,
      personId: id(`person/${by}`),
      content: { kind: 'round' as const, placeId: id(`place/${place}`), zone, airC },
    })),
  );
  const alarms = makeAlarms(history, now);
  await inBatches(alarms, (batch) =>
    tx.insert(t.coldAlarms).values(
      batch.map(({ probe, found, causes, by, cause, note }) => ({
        id: id(`alarm/${probe.key}/${found.fromS}`),
        houseId,
        probeId: id(`probe/${probe.key}`),
        kind: found.kind,
        fromAt: new Date(found.fromS * 1000),
        untilAt: new Date((found.untilS ?? 0) * 1000),
        worstC: found.worstC,
        meanC: found.meanC,
        causes,
        acknowledgedAt: new Date((found.untilS ?? 0) * 1000 + 20 * 60_000),
        acknowledgedById: id(`person/${by}`),
        foundCause: cause,
        note,
      })),
    ),
  );
}

/** Takes a house and everything of it out, children first. */
async function removeHouse(tx: Queries, houseId: string) {
  const children = [
    t.handovers,
    t.lotPhotos,
    t.lotRecords,
    t.marks,
    t.loads,
    t.lotItems,
    t.lots,
    t.tillSales,
    t.quarterSales,
    t.sales,
    t.events,
    t.bookings,
    t.serviceExceptions,
    t.chosenCounts,
    t.usualCounts,
    t.sessions,
    t.shiftExceptions,
    t.shiftPatterns,
    t.servicePatterns,
    t.products,
    t.formulaVersions,
    t.ingredients,
    t.formulas,
    t.routes,
    t.people,
    t.plans,
    t.audit,
    t.answers,
    t.coldNotes,
    t.coldAlarms,
    t.probes,
    t.places,
    t.mixers,
  ] as const;
  const numbers = await tx
    .select({ no: t.probes.no })
    .from(t.probes)
    .where(eq(t.probes.houseId, houseId));
  for (const { no } of numbers) {
    await tx.delete(t.readings).where(eq(t.readings.probeNo, no));
    await tx.delete(t.readingBuckets).where(eq(t.readingBuckets.probeNo, no));
  }
  for (const table of children) await tx.delete(table).where(eq(table.houseId, houseId));
  await tx.delete(t.houses).where(eq(t.houses.id, houseId));
}
