import { ok } from '@calm/core';
import type { House, ReadingsStart, ReadingsTaken } from '@calm/contract';
import { readProbes } from '../../store/cold/probes';
import { addReadings } from '../../store/cold/readings';
import type { Scope } from '../../database/scope';
import { badInput, type Result } from '../result';
import { watchCold } from './watchCold';

/** A logger's clock may be ahead by this much, s; later readings are of a clock that nobody has set. */
const AHEAD_S = 10 * 60;

/**
 * Takes readings of a house's probes, and looks whether anything is wrong by them. The same readings again,
 * or late, or in another order, change nothing twice.
 */
export async function takeReadings(
  scope: Scope,
  house: House,
  { probes: posted }: ReadingsStart,
  now: Date,
): Promise<Result<ReadingsTaken>> {
  const probes = await readProbes(scope);
  const nowS = now.getTime() / 1000;
  const taken = { added: 0, known: 0 };
  const touched = new Set<number>();
  for (const [i, { probe: name, atS, airC }] of posted.entries()) {
    const own = probes.find(({ probe }) => probe.id === name || probe.name === name);
    if (!own) return badInput(`probes/${i}/probe`, 'id.unknown', `The house has no probe ${name}.`);
    if (atS.some((at) => at > nowS + AHEAD_S)) {
      return badInput(`probes/${i}/atS`, 'at.ahead', 'These readings are from a time to come.');
    }
    const added = await addReadings(scope, own.no, atS, airC);
    taken.added += added;
    taken.known += atS.length - added;
    if (added > 0) touched.add(own.no);
  }
  if (touched.size > 0) await watchCold(scope, house, now, touched);
  return ok(taken);
}
