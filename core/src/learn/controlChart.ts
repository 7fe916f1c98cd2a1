/** Where values of a steady process lie; what is outside has a cause of its own. */
export interface ChartLimits {
  readonly center: number;
  /** One standard deviation of a point on the chart. */
  readonly sigma: number;
  readonly lower: number;
  readonly upper: number;
}

/** Limits of ranges: no standard deviation of theirs is used. */
export interface RangeLimits {
  readonly center: number;
  readonly lower: number;
  readonly upper: number;
}

/** Standard deviations from the center to a limit. */
const TO_LIMIT = 3;

/**
 * By the size of a subgroup: mean range over standard deviation, and the limits of the mean and of the range in mean
 * ranges (Shewhart 1931; ASTM Manual on Presentation of Data and Control Chart Analysis, table 27).
 */
const FACTORS: Readonly<
  Record<
    number,
    { readonly d2: number; readonly a2: number; readonly d3: number; readonly d4: number }
  >
> = {
  2: { d2: 1.128, a2: 1.88, d3: 0, d4: 3.267 },
  3: { d2: 1.693, a2: 1.023, d3: 0, d4: 2.575 },
  4: { d2: 2.059, a2: 0.729, d3: 0, d4: 2.282 },
  5: { d2: 2.326, a2: 0.577, d3: 0, d4: 2.114 },
  6: { d2: 2.534, a2: 0.483, d3: 0, d4: 2.004 },
  7: { d2: 2.704, a2: 0.419, d3: 0.076, d4: 1.924 },
  8: { d2: 2.847, a2: 0.373, d3: 0.136, d4: 1.864 },
  9: { d2: 2.97, a2: 0.337, d3: 0.184, d4: 1.816 },
  10: { d2: 3.078, a2: 0.308, d3: 0.223, d4: 1.777 },
};

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * Limits of single values, by the mean of their moving ranges (each with the one before).
 *
 * @returns null for fewer than two values
 * @example individualsLimits([49.6, 47.6, 49.9])?.center // 49.03
 */
export function individualsLimits(values: readonly number[]): ChartLimits | null {
  if (values.length < 2) return null;
  const ranges = values.slice(1).map((value, i) => Math.abs(value - (values[i] ?? value)));
  const center = mean(values);
  const sigma = mean(ranges) / 1.128;
  return { center, sigma, lower: center - TO_LIMIT * sigma, upper: center + TO_LIMIT * sigma };
}

/** What had a cause of its own is left out so often. */
const CLEARINGS = 3;

/**
 * Limits of single values, without those that had a cause of their own: a power cut is no measure of what is usual.
 *
 * @param aim where they should lie; about their own mean where there is none
 * @returns null for fewer than two values
 * @example steadyLimits([3, 3.2, 3.1, 3.3, 3, 3.2, 3.1, 3.3, 3.1, 3.2, 12])?.center // 3.15
 */
export function steadyLimits(values: readonly number[], aim?: number): ChartLimits | null {
  let kept = values;
  let limits = individualsLimits(kept);
  for (let clearing = 0; limits !== null && clearing < CLEARINGS; clearing += 1) {
    const { lower, upper } = limits;
    const usual = kept.filter((value) => value >= lower && value <= upper);
    if (usual.length === kept.length || usual.length < 2) break;
    kept = usual;
    limits = individualsLimits(kept);
  }
  if (limits === null || aim === undefined) return limits;
  const half = TO_LIMIT * limits.sigma;
  return { ...limits, center: aim, lower: aim - half, upper: aim + half };
}

/**
 * Limits of the means and of the ranges of subgroups, such as five balls weighed one after another.
 *
 * @param subgroups all of one size, from 2 to 10
 * @returns null without subgroups
 * @throws RangeError for subgroups of other sizes
 */
export function subgroupLimits(
  subgroups: readonly (readonly number[])[],
): { readonly means: ChartLimits; readonly ranges: RangeLimits } | null {
  const [first] = subgroups;
  if (!first) return null;
  const factors = FACTORS[first.length];
  if (!factors || subgroups.some(({ length }) => length !== first.length))
    throw new RangeError('subgroups are of one size, from 2 to 10');
  const ranges = subgroups.map((group) => Math.max(...group) - Math.min(...group));
  return limitsOf(mean(subgroups.map(mean)), mean(ranges), first.length);
}

/**
 * The same from what is known of the subgroups.
 *
 * @param center the mean of their means
 * @param meanRange the mean of their ranges
 * @throws RangeError for a size that is not from 2 to 10
 */
export function limitsOf(
  center: number,
  meanRange: number,
  size: number,
): { readonly means: ChartLimits; readonly ranges: RangeLimits } {
  const factors = FACTORS[size];
  if (!factors) throw new RangeError('subgroups are of one size, from 2 to 10');
  const half = factors.a2 * meanRange;
  return {
    means: { center, sigma: half / TO_LIMIT, lower: center - half, upper: center + half },
    ranges: {
      center: meanRange,
      lower: factors.d3 * meanRange,
      upper: factors.d4 * meanRange,
    },
  };
}

/** What a steady process hardly ever does: each by chance less than once in some hundred points. */
export const RUN_RULES = ['beyond', 'two-of-three', 'four-of-five', 'one-side', 'trend'] as const;
/** One of them. */
export type RunRule = (typeof RUN_RULES)[number];

/** Points that break a rule, on one side of the center; a trend's side is where it goes. */
export interface ChartSignal {
  readonly rule: RunRule;
  readonly side: 'below' | 'above';
  /** Places of the first and the last of them among the values. */
  readonly from: number;
  readonly to: number;
}

/** Rules that count points beyond so many sigmas on one side, within so many (Nelson 1984, tests 1, 2, 5 and 6). */
const COUNTED = [
  { rule: 'beyond', sigmas: 3, of: 1, least: 1 },
  { rule: 'two-of-three', sigmas: 2, of: 3, least: 2 },
  { rule: 'four-of-five', sigmas: 1, of: 5, least: 4 },
  { rule: 'one-side', sigmas: 0, of: 9, least: 9 },
] as const;
/** So many in a row, each above the one before, or below (test 3). */
const TREND = 6;

/**
 * Where values break the rules of a steady process. What goes on breaking one is one signal.
 *
 * @param values in the order in which they came
 * @returns the earliest first
 */
export function runSignals(
  values: readonly number[],
  { center, sigma }: Pick<ChartLimits, 'center' | 'sigma'>,
): ChartSignal[] {
  const signals: ChartSignal[] = [];
  for (const side of ['below', 'above'] as const) {
    const sign = side === 'above' ? 1 : -1;
    const off = values.map((value) => sign * (value - center));
    for (const { rule, sigmas, of, least } of COUNTED) {
      const isOut = off.map((by) => by > sigmas * sigma);
      const ends = isOut.flatMap((out, i) => {
        const start = i - of + 1;
        if (!out || start < 0) return [];
        return isOut.slice(start, i + 1).filter(Boolean).length >= least
          ? [[start, i] as const]
          : [];
      });
      // The first of them that is out itself begins it.
      const spans = ends.map(([start, end]) => [isOut.indexOf(true, start), end] as const);
      signals.push(...joined(spans).map(([from, to]) => ({ rule, side, from, to })));
    }
    const rises = off.map((by, i) => i > 0 && by > (off[i - 1] ?? by));
    const spans = rises.flatMap((_, i) => {
      const start = i - TREND + 1;
      if (start < 0) return [];
      return rises.slice(start + 1, i + 1).every(Boolean) ? [[start, i] as const] : [];
    });
    signals.push(
      ...joined(spans).map(([from, to]) => ({ rule: 'trend' as const, side, from, to })),
    );
  }
  return signals.sort((a, b) => a.from - b.from || a.to - b.to);
}

type Span = readonly [from: number, to: number];

/** Spans that meet, as one. */
function joined(spans: readonly Span[]): Span[] {
  const together: Span[] = [];
  for (const [from, to] of spans) {
    const before = together.at(-1);
    if (before && from <= before[1] + 1) together[together.length - 1] = [before[0], to];
    else together.push([from, to]);
  }
  return together;
}
