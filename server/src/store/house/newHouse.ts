import type { HouseSettings, HouseSummary } from '@calm/contract';
import { slugOf } from '@calm/domain';
import { eq } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';

/** What a house is called where its name has no letter that an address can have. */
const NAMELESS = 'house';

/** Makes a house that has its owner, with nothing in it yet, at an address made of its name. */
export async function insertHouse(
  tx: Queries,
  house: { name: string; timeZone: string; settings: HouseSettings },
  now: Date,
): Promise<HouseSummary & { readonly id: string }> {
  const id = randomUUID();
  const slug = await freeSlug(tx, slugOf(house.name) || NAMELESS);
  await tx.insert(t.houses).values({ id, slug, ...house });
  await tx.insert(t.houseAccess).values({ houseId: id, ownedAt: now });
  return { id, slug, name: house.name };
}

/** `corner`, or `corner-2` where there is a corner already. */
async function freeSlug(tx: Queries, wanted: string): Promise<string> {
  for (let n = 1; ; n += 1) {
    const slug = n === 1 ? wanted : `${wanted}-${n}`;
    const [taken] = await tx
      .select({ id: t.houses.id })
      .from(t.houses)
      .where(eq(t.houses.slug, slug));
    if (!taken) return slug;
  }
}
