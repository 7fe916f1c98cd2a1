import {
  activeKeyOf,
  inTransaction,
  schema as t,
  UNHURRIED,
  type Database,
  type Queries,
  removeHouse,
} from '@calm/server';
import { NO_LOSSES, NOTHING_RETIRED, type HouseBook } from '@calm/contract';
import { eq } from 'drizzle-orm';
import { v5 as uuidOf } from 'uuid';
import { makePuts } from './cold';
import { makeHistory, WEEKS_OF_HISTORY } from './past/history';
import * as yard from './lanternYard';
import { makeMeasures } from './past/measures';
import { makeRecords } from './past/records';
import { insertBook, insertServices, insertUsualCounts } from './load/book';
import { inBatches, patternId } from './load/inserting';
import { insertSales } from './load/demand';
import { insertProbes, insertReadings } from './load/cold';

/** Any fixed namespace will do: it makes the demo's ids the same every time. */
const NAMESPACE = '5b1f3e0a-6c1d-4f0e-9a55-0d1f2c3b4a59';

/** How to load the demo house. */
export interface DemoOptions {
  /** Several copies may live in one database under different slugs. */
  readonly slug?: string;
  readonly name?: string;
  /** IANA zone; Ostrel's unless a test goes elsewhere. */
  readonly timeZone?: string;
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
    timeZone = yard.TIME_ZONE,
    now,
    weeks = WEEKS_OF_HISTORY,
    readingDays = weeks * 7,
    silentH = 0,
    isBookEmpty = false,
  }: DemoOptions,
): Promise<{ lots: number }> {
  const id = (key: string) => uuidOf(`${slug}/${key}`, NAMESPACE);
  const houseId = id('house');
  const full = bookOf(id, slug, name, timeZone);
  const book = isBookEmpty ? { ...full, formulas: [], routes: [], products: [], pantry: [] } : full;
  const lots = isBookEmpty ? [] : makeHistory(book, now, weeks);
  const fill = async (tx: Queries) => {
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
      ...makeMeasures(lots, book, now),
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
  };
  await inTransaction(db, fill, UNHURRIED);
  return { lots: lots.length };
}

function routeIdOf(book: HouseBook, formulaId: string): string {
  return book.products.find((p) => p.formulaId === formulaId)?.routeId ?? '';
}

/** Lantern Yard's book with made-up ids, for tests that need no database. */
export function exampleBook(): HouseBook {
  return bookOf((key) => uuidOf(`example/${key}`, NAMESPACE), 'example', yard.HOUSE_NAME);
}

/** The house as its own devices see it, before it has an hour of history. */
function bookOf(
  id: (key: string) => string,
  slug: string,
  name: string,
  timeZone: string = yard.TIME_ZONE,
): HouseBook {
  const settings = {
    ...yard.settings,
    demoSecrets: Object.fromEntries(
      yard.crew.map(({ name: person, secret }) => [id(`person/${person}`), secret]),
    ),
  };
  return {
    house: {
      id: id('house'),
      slug,
      name,
      timeZone,
      settings,
      eraseOn: null,
      asideOn: null,
      version: 1,
    },
    formerPeople: [],
    retired: NOTHING_RETIRED,
    mixers: yard.mixers.map(({ key, minDoughG, maxDoughG, ...mixer }) => ({
      id: id(`mixer/${key}`),
      ...mixer,
      outOfOrder: null,
      version: 1,
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
