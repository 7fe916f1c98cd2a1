import type { Assumption } from '@calm/contract';

/** A cold room's air over time, as simulated. */
export interface RoomAir {
  readonly place: string;
  readonly startMin: number;
  readonly stepMin: number;
  /** Mean of each step, °C. */
  readonly airC: Float64Array;
}

/** What dough of a plan finds around it. */
export interface Climate {
  readonly rooms: readonly RoomAir[];
  readonly assumptions: readonly Assumption[];
}

/** As the routes say, and nothing besides. */
export const AS_ROUTES_SAY: Climate = { rooms: [], assumptions: [] };

/** Places at least this warm are heated, and hold their own when the kitchen warms, °C. */
const HEATED_C = 25;

/** Mean air around dough that stands in a place from one moment to another, °C. @param airTempC as its route says */
export function airAround(
  { rooms, assumptions }: Climate,
  place: string,
  airTempC: number,
  fromMin: number,
  toMin: number,
): number {
  const room = rooms.find((each) => each.place === place);
  if (room) return meanOver(room, fromMin, toMin) ?? airTempC;
  if (airTempC >= HEATED_C) return airTempC;
  const lengthMin = Math.max(1, toMin - fromMin);
  return assumptions.reduce((airC, assumption) => {
    if (assumption.kind !== 'warmer') return airC;
    const { startMin, endMin } = assumption.when;
    const sharedMin = Math.max(0, Math.min(toMin, endMin) - Math.max(fromMin, startMin));
    return airC + (assumption.byC * sharedMin) / lengthMin;
  }, airTempC);
}

function meanOver(
  { startMin, stepMin, airC }: RoomAir,
  fromMin: number,
  toMin: number,
): number | null {
  const from = Math.max(0, Math.floor((fromMin - startMin) / stepMin));
  const to = Math.min(airC.length, Math.max(from + 1, Math.ceil((toMin - startMin) / stepMin)));
  if (from >= to) return null;
  let sum = 0;
  for (let i = from; i < to; i += 1) sum += airC[i] ?? 0;
  return sum / (to - from);
}

/** How much warmer a dough comes off the mixer than wanted, °C: water is one part of the sum of temperatures. */
export function doughWarmerC({ assumptions }: Climate, hasPreferment: boolean): number {
  const tapC = assumptions.reduce(
    (sum, assumption) => sum + (assumption.kind === 'warm-tap' ? assumption.byC : 0),
    0,
  );
  return tapC / (hasPreferment ? 4 : 3);
}
