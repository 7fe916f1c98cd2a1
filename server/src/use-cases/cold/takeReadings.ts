import { DAY_S, ok } from '@calm/core';
import type { House, ReadingsStart, ReadingsTaken } from '@calm/contract';
import { readProbes } from '../../store/cold/probes';
import { addReadings } from '../../store/cold/readings';
import type { Scope } from '../../database/scope';
import type { KnownMachine } from '../access/machines';
import { badInput, type Result } from '../result';
import { watchCold } from './watchCold';

/** A logger's clock may be ahead by this much, s; later readings are of a clock that nobody has set. */
const AHEAD_S = 2 * 60;
/** A logger may have been away from its line for so long, s; a file of somebody's may hold a year. */
const MACHINE_BACK_S = 31 * DAY_S;
const FILE_BACK_S = 400 * DAY_S;

/**
 * Takes readings of a house's probes, and looks whether anything is wrong by them. The same readings again,
 * or late, or in another order, change nothing twice.
 *
 * @param machine which posts them, of its own probe alone; null is somebody of the house, with a file
 */
export async function takeReadings(
  scope: Scope,
  house: House,
  { probes: posted }: ReadingsStart,
  now: Date,
  machine: KnownMachine | null = null,
): Promise<Result<ReadingsTaken>> {
  const probes = await readProbes(scope);
  const nowS = now.getTime() / 1000;
  const backS = machine ? MACHINE_BACK_S : FILE_BACK_S;
  const source = { receivedS: Math.floor(nowS), machineNo: machine?.no ?? null };
  const taken = { added: 0, known: 0 };
  const touched = new Set<number>();
  for (const [i, { probe: name, atS, airC }] of posted.entries()) {
    const own = probes.find(({ probe }) => probe.id === name || probe.name === name);
    if (!own) return badInput(`probes/${i}/probe`, 'id.unknown', `The house has no probe ${name}.`);
    if (machine && machine.probeId !== own.probe.id)
      return badInput(`probes/${i}/probe`, 'probe.other', `That token is not of ${name}.`);
    if (atS.some((at) => at < nowS - backS))
      return badInput(`probes/${i}/atS`, 'at.too-old', 'These readings are too old to be taken.');
    if (atS.some((at) => at > nowS + AHEAD_S)) {
      return badInput(`probes/${i}/atS`, 'at.ahead', 'These readings are from a time to come.');
    }
    const added = await addReadings(scope, own.no, atS, airC, source);
    taken.added += added;
    taken.known += atS.length - added;
    if (added > 0) touched.add(own.no);
  }
  if (touched.size > 0) await watchCold(scope, house, now, touched);
  return ok(taken);
}
