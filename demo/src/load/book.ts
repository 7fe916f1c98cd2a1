import { hashSecret, schema as t, type Queries } from '@calm/server';
import type { HouseBook } from '@calm/contract';
import * as yard from '../lanternYard';
import { type Ids, patternId } from './inserting';

export async function insertBook(
  tx: Queries,
  houseId: string,
  book: HouseBook,
  id: (key: string) => string,
  at: Date,
) {
  const { house, mixers, places, formulas, people } = book;
  const secretHashes = await demoHashes();
  await tx.insert(t.houses).values(house);
  await tx.insert(t.houseAccess).values({ houseId, ownedAt: at });
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

export async function insertServices(tx: Queries, houseId: string, id: Ids) {
  await tx
    .insert(t.servicePatterns)
    .values(yard.services.map((service) => ({ id: patternId(id, service), houseId, ...service })));
}

export async function insertUsualCounts(tx: Queries, houseId: string, id: Ids) {
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
