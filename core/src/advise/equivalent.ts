import { simulate, type DoughRoute, type RouteFault } from '../ferment';
import { fail, ok, type Result } from '../result';

/** Longest that a stage is tried at, h; shortest. */
const MOST_H = 240;
const LEAST_H = 1 / 60;
/** Rises are the same within this share. */
const SAME = 0.002;
/** The rise since the last shaping is the same within this share: nobody at a bench sees less. */
const RISES_ALIKE = 0.018;
const HALVINGS = 40;
/** It is sought in strides so many times as far. */
const STRIDE = 1.2;
const STEP_MIN = 1;

/**
 * Minutes at other temperatures that come to the same: with them, dough has risen as much at the end of its last stage.
 *
 * @param stage index of the stage that is warmer or colder
 * @param tempsC its air, °C
 * @returns minutes, one for each temperature; null where no time comes to the same
 * @example
 * const bulk = { kind: 'bulk', hours: 1, airTempC: 21, container: 'tub' } as const;
 * const formula = {
 *   flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
 *   waterPercent: 62, saltPercent: 2, yeast: { form: 'fresh', percent: 2 },
 * } as const;
 * const told = equivalentMinutes({ formula, ballWeightG: 275, doughTempC: 21, stages: [bulk] }, 0, [21]);
 * told.ok && Math.round(told.value[0] ?? 0); // 60
 */
export function equivalentMinutes(
  route: DoughRoute,
  stage: number,
  tempsC: readonly number[],
): Result<readonly (number | null)[], RouteFault | { readonly kind: 'no-such-stage' }> {
  const changed = route.stages[stage];
  if (!changed) return fail({ kind: 'no-such-stage' });
  const { untilRise: _, ...plain } = changed;
  const endOf = (hours: number, airTempC: number) => {
    const stages = route.stages.map((each, i) =>
      i === stage ? { ...plain, hours, airTempC } : each,
    );
    const way = simulate({ ...route, stages }, { stepMin: STEP_MIN, beyondH: 0 });
    return way.ok ? (way.value.stages.at(-1) ?? null) : null;
  };
  const asIs = simulate(route, { stepMin: STEP_MIN, beyondH: 0 });
  if (!asIs.ok) return asIs;
  const wanted = asIs.value.stages.at(-1);
  const before = asIs.value.stages[stage - 1]?.endHour ?? 0;
  const hours = (asIs.value.stages[stage]?.endHour ?? before) - before;
  if (!wanted) return fail({ kind: 'no-such-stage' });
  return ok(
    tempsC.map((airTempC) => {
      // All gas tells more than the rise since the last shaping; where both agree, it is what counts.
      for (const measure of ['volume', 'rise'] as const) {
        const found = sameAt((h) => endOf(h, airTempC)?.[measure] ?? NaN, wanted[measure], hours);
        const rise = found === null ? NaN : (endOf(found, airTempC)?.rise ?? NaN);
        if (found !== null && Math.abs(rise / wanted.rise - 1) <= RISES_ALIKE) return 60 * found;
      }
      return null;
    }),
  );
}

/**
 * Where something that grows with time is as wanted, the nearest to a time; null where it never is. Dough that is past
 * its best falls again: what comes after that is not meant.
 */
function sameAt(valueAt: (hours: number) => number, wanted: number, nearH: number): number | null {
  const isShort = (value: number) => value < wanted;
  let low = Math.max(LEAST_H * 2, nearH);
  let high = low;
  let value = valueAt(low);
  if (isShort(value)) {
    do {
      const before = value;
      [low, high] = [high, high * STRIDE];
      value = valueAt(high);
      if (isShort(value) && value <= before) return null;
    } while (high < MOST_H && isShort(value));
  } else {
    do {
      [low, high] = [low / STRIDE, low];
    } while (low > LEAST_H && !isShort(valueAt(low)));
  }
  for (let i = 0; i < HALVINGS && high / low > 1 + 1e-4; i += 1) {
    const middle = Math.sqrt(low * high);
    if (isShort(valueAt(middle))) low = middle;
    else high = middle;
  }
  const found = Math.sqrt(low * high);
  return Math.abs(valueAt(found) / wanted - 1) <= SAME ? found : null;
}
