import type { House, HouseBook, HouseSummary, ListedHouse } from '@calm/contract';
import { allergensOf } from '@calm/core';
import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import type { Queries } from '../../database/database';
import { readFormerPeople } from '../access/crew';
import { readPantry } from '../book/pantry';
import { readMixers } from './mixers';
import { readPlaces } from './places';
import { offered } from '../offered';
import { productOf } from '../book/products';
import { routeOf } from '../book/routes';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** All houses in this database, by name. */
export function listHouses(tx: Queries): Promise<ListedHouse[]> {
  return tx
    .select({ slug: t.houses.slug, name: t.houses.name, asideOn: t.houses.asideOn })
    .from(t.houses)
    .orderBy(asc(t.houses.name));
}

/** A house with what stands in it, for whoever looks after the server. */
export interface HouseCounts extends HouseSummary {
  readonly people: number;
  readonly lots: number;
  readonly eraseOn: string | null;
}

/** All houses in this database with what stands in them, by name. */
export function readHouseCounts(tx: Queries): Promise<HouseCounts[]> {
  // By their names: a query of one table writes its columns without it.
  const countOf = (table: 'people' | 'lots') =>
    sql<number>`(select count(*) from ${sql.raw(table)} c where c.house_id = houses.id)`;
  return tx
    .select({
      slug: t.houses.slug,
      name: t.houses.name,
      people: countOf('people'),
      lots: countOf('lots'),
      eraseOn: t.houses.eraseOn,
    })
    .from(t.houses)
    .orderBy(asc(t.houses.name));
}

/** One house by its slug, or null. */
export async function findHouse(tx: Queries, slug: string): Promise<House | null> {
  const [row] = await tx.select().from(t.houses).where(eq(t.houses.slug, slug));
  return row ?? null;
}

/** The house of a scope, or null. */
export async function findHouseById({ tx, houseId }: Scope): Promise<House | null> {
  const [row] = await tx.select().from(t.houses).where(eq(t.houses.id, houseId));
  return row ?? null;
}

/** Writes what a house is called, where it is and how it works over the version that was read; false when it is another by now. */
export async function writeHouse(
  { tx, houseId }: Scope,
  read: number,
  content: Pick<House, 'name' | 'timeZone' | 'settings'>,
): Promise<boolean> {
  const [result] = await tx
    .update(t.houses)
    .set({ ...content, version: read + 1 })
    .where(and(eq(t.houses.id, houseId), eq(t.houses.version, read)));
  return result.affectedRows === 1;
}

/** Writes on which day a house is erased; null is never. */
export async function writeEraseOn({ tx, houseId }: Scope, eraseOn: string | null): Promise<void> {
  await tx.update(t.houses).set({ eraseOn }).where(eq(t.houses.id, houseId));
}

/** Writes since which day a house is put aside; null is worked in. */
export async function writeAsideOn({ tx, houseId }: Scope, asideOn: string | null): Promise<void> {
  await tx.update(t.houses).set({ asideOn }).where(eq(t.houses.id, houseId));
}

/** Everything of a house that changes seldom, but for what its log has learned. */
export async function readBook(
  { tx, houseId }: Scope,
  house: House,
): Promise<Omit<HouseBook, 'losses'>> {
  const [productRows, formulaRows, routeRows, mixers, people, formerPeople, pantry, places] =
    await Promise.all([
      tx
        .select()
        .from(t.products)
        .where(eq(t.products.houseId, houseId))
        .orderBy(asc(t.products.position)),
      tx.select().from(t.formulas).where(eq(t.formulas.houseId, houseId)),
      tx.select().from(t.routes).where(eq(t.routes.houseId, houseId)),
      readMixers({ tx, houseId }),
      tx
        .select()
        .from(t.people)
        .where(and(eq(t.people.houseId, houseId), isNull(t.people.leftAt)))
        .orderBy(asc(t.people.name), asc(t.people.id)),
      readFormerPeople({ tx, houseId }),
      readPantry({ tx, houseId }),
      readPlaces({ tx, houseId }),
    ]);
  const products = offered(productRows, productOf);
  const routes = offered(routeRows, routeOf);
  // By the pantry of today: a label must not wait for the next version of a formula.
  const formulas = offered(formulaRows, ({ houseId: _h, retiredAt: _r, ...formula }) => ({
    ...formula,
    allergens: allergensOf(formula.formula, pantry),
  }));
  return {
    house,
    products: products.now,
    formulas: formulas.now,
    routes: routes.now,
    mixers: mixers.now,
    places: places.now,
    pantry,
    retired: {
      products: products.retired,
      formulas: formulas.retired,
      routes: routes.retired,
      mixers: mixers.retired,
      places: places.retired,
    },
    formerPeople,
    people: people.map(({ id, name, initials, skills, role }) => ({
      id,
      name,
      initials,
      skills,
      role,
    })),
  };
}
