import type { Place } from '@calm/contract';
import { airOfPlaces, type PlaceAir } from '@calm/domain';
import type { Scope } from '../../database/scope';
import { readColdNotes } from '../../store/cold/coldNotes';
import { readProbes } from '../../store/cold/probes';
import { readBuckets } from '../../store/cold/readings';

/** Probes with what they read between two moments, ten minutes a figure, and what was taken by hand. */
export async function readAir(scope: Scope, from: Date, until: Date) {
  const probes = await readProbes(scope);
  const seconds = (at: Date) => Math.floor(at.getTime() / 1000);
  const air = await Promise.all(
    probes.map(async (own) => {
      const buckets = await readBuckets(scope, own, seconds(from), seconds(until));
      return {
        probeId: own.probe.id,
        atS: buckets.map(({ atS }) => atS),
        meanC: buckets.map(({ meanC }) => meanC),
      };
    }),
  );
  const notes = await readColdNotes(scope, from, until);
  return { probes: probes.map(({ probe }) => probe), air, notes };
}

/** What was read in each cooled place between two moments. */
export async function airSince(
  scope: Scope,
  places: readonly Place[],
  from: Date,
  until: Date,
): Promise<PlaceAir[]> {
  const { probes, air, notes } = await readAir(scope, from, until);
  return airOfPlaces(places, probes, air, notes);
}
