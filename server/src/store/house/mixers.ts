import type { Mixer, MixerContent } from '@calm/contract';
import { asc, eq } from 'drizzle-orm';
import { offered, type Offered } from '../offered';
import { tableRepository } from '../tableRepository';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const mixerOf = ({
  houseId: _,
  minDoughG,
  maxDoughG,
  retiredAt: _r,
  ...mixer
}: typeof t.mixers.$inferSelect): Mixer => ({
  ...mixer,
  minDoughKg: minDoughG / 1000,
  maxDoughKg: maxDoughG / 1000,
});

/** What dough is worked in. */
export const mixerRepository = tableRepository<typeof t.mixers, MixerContent, Mixer>(t.mixers, {
  what: 'mixer',
  rowOf: ({ minDoughKg, maxDoughKg, ...content }) => ({
    ...content,
    minDoughG: minDoughKg * 1000,
    maxDoughG: maxDoughKg * 1000,
  }),
  storedOf: mixerOf,
});

/** Every mixer of a house, by name, those it offers and those it has retired. */
export async function readMixers({ tx, houseId }: Scope): Promise<Offered<Mixer>> {
  const rows = await tx
    .select()
    .from(t.mixers)
    .where(eq(t.mixers.houseId, houseId))
    .orderBy(asc(t.mixers.name));
  return offered(rows, mixerOf);
}
