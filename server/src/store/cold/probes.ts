import type { Probe, ProbeContent } from '@calm/contract';
import { and, asc, eq } from 'drizzle-orm';
import { tableRepository } from '../tableRepository';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const probeOf = ({ houseId: _, no: _no, ...probe }: typeof t.probes.$inferSelect): Probe => probe;

/** What takes temperatures. */
export const probeRepository = tableRepository<typeof t.probes, ProbeContent, Probe>(t.probes, {
  what: 'probe',
  rowOf: (content) => content,
  storedOf: probeOf,
  lacks: async ({ tx, houseId }, { placeId }) => {
    const [row] = await tx
      .select({ id: t.places.id })
      .from(t.places)
      .where(and(eq(t.places.houseId, houseId), eq(t.places.id, placeId)));
    return row ? null : 'placeId';
  },
});

/** A probe with the number that stands for it on readings. */
export interface NumberedProbe {
  readonly no: number;
  readonly probe: Probe;
}

/** Every probe of a house, by name. */
export async function readProbes({ tx, houseId }: Scope): Promise<NumberedProbe[]> {
  const rows = await tx
    .select()
    .from(t.probes)
    .where(eq(t.probes.houseId, houseId))
    .orderBy(asc(t.probes.name));
  return rows.map((row) => ({ no: row.no, probe: probeOf(row) }));
}
