import { randomOf } from '../numerics';
import { QUARTER_MIN } from './usage';

/** Balls that open well from one moment to another, minutes. */
export interface ReadyBatch {
  readonly balls: number;
  readonly readyMin: number;
  readonly lastMin: number;
}

/** Evenings that are drawn: odds are then right to about a percent. */
const EVENINGS = 4000;
const SEED = 1126;
const STEP_MIN = 5;

/**
 * The odds that balls are enough at every minute of a service: evenings drawn at random, the same ones each time.
 * How many guests an evening brings scatters by `cv` as a whole (gamma), and by chance within it (Poisson).
 *
 * @param perQuarter balls expected in each quarter of an hour
 * @param cv how evenings scatter as a whole, share
 * @param batches what is ready when, minutes from the opening
 * @param fromMin what was asked for before is over, and taken from the batches
 * @returns 0–1
 */
export function oddsOfEnough(
  perQuarter: readonly number[],
  cv: number,
  batches: readonly ReadyBatch[],
  fromMin = 0,
): number {
  const random = randomOf(SEED);
  const firstStep = Math.max(0, Math.floor(fromMin / STEP_MIN));
  const steps = (perQuarter.length * QUARTER_MIN) / STEP_MIN;
  const sorted = [...batches].sort((a, b) => a.lastMin - b.lastMin);
  let enough = 0;
  for (let evening = 0; evening < EVENINGS; evening += 1) {
    const level = random.gamma(cv);
    const left = sorted.map(({ balls }) => balls);
    let isEnough = true;
    for (let step = firstStep; step < steps && isEnough; step += 1) {
      const minute = step * STEP_MIN;
      const mean = ((perQuarter[Math.floor(minute / QUARTER_MIN)] ?? 0) * STEP_MIN) / QUARTER_MIN;
      let asked = random.poisson(mean * level);
      for (let i = 0; i < sorted.length && asked > 0; i += 1) {
        const { readyMin, lastMin } = sorted[i] as ReadyBatch;
        if (readyMin > minute || lastMin <= minute) continue;
        const taken = Math.min(asked, left[i] as number);
        left[i] = (left[i] as number) - taken;
        asked -= taken;
      }
      isEnough = asked <= 1e-9;
    }
    if (isEnough) enough += 1;
  }
  return enough / EVENINGS;
}
