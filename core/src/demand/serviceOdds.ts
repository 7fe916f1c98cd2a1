import { QUARTER_MIN } from './usage';

/** Balls that open well from one moment to another, minutes. */
export interface ReadyBatch {
  readonly balls: number;
  readonly readyMin: number;
  readonly lastMin: number;
}

/** Evenings that are drawn: odds are then right to about a percent. */
const EVENINGS = 4000;
const STEP_MIN = 5;

/**
 * The odds that balls are enough at every minute of a service: evenings drawn at random, the same ones each time.
 * How many guests an evening brings scatters by `cv` as a whole (gamma), and by chance within it (Poisson).
 *
 * @param perQuarter balls expected in each quarter of an hour
 * @param cv how evenings scatter as a whole, share
 * @param batches what is ready when, minutes from the opening
 * @returns 0–1
 */
export function oddsOfEnough(
  perQuarter: readonly number[],
  cv: number,
  batches: readonly ReadyBatch[],
): number {
  const uniform = uniforms(1126);
  const steps = (perQuarter.length * QUARTER_MIN) / STEP_MIN;
  const sorted = [...batches].sort((a, b) => a.lastMin - b.lastMin);
  let enough = 0;
  for (let evening = 0; evening < EVENINGS; evening += 1) {
    const level = gamma(cv, uniform);
    const left = sorted.map(({ balls }) => balls);
    let isEnough = true;
    for (let step = 0; step < steps && isEnough; step += 1) {
      const minute = step * STEP_MIN;
      const mean = ((perQuarter[Math.floor(minute / QUARTER_MIN)] ?? 0) * STEP_MIN) / QUARTER_MIN;
      let asked = poisson(mean * level, uniform);
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

/** Numbers between 0 and 1 from a fixed seed (Park and Miller 1988). */
function uniforms(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

function normal(uniform: () => number): number {
  return Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}

/** Of mean 1 and this spread (Marsaglia and Tsang 2000); 1 where nothing scatters. */
function gamma(cv: number, uniform: () => number): number {
  if (!(cv > 1e-3)) return 1;
  const shape = 1 / cv ** 2;
  if (shape < 1) return Math.max(0, 1 + cv * normal(uniform));
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(uniform);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(uniform()) < x ** 2 / 2 + d - d * v + d * Math.log(v))
      return (d * v) / shape;
  }
}

/** By counting down (Knuth 1969); of many by the normal. */
function poisson(mean: number, uniform: () => number): number {
  if (mean > 60) return Math.max(0, Math.round(mean + Math.sqrt(mean) * normal(uniform)));
  const least = Math.exp(-mean);
  let count = 0;
  for (let product = uniform(); product > least; product *= uniform()) count += 1;
  return count;
}
