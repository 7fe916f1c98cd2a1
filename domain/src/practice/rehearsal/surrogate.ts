import { cholesky, normalQuantile, solveLower } from '@calm/core';
import { FACTORS, futureOf, type Draw } from './futures';
import type { OpenBetween } from './servicePart';

/** So many futures at least must open for a curve through them to mean anything. */
const LEAST_OPEN = 80;
/** Keeps the equations solvable where a factor moves nothing. */
const RIDGE = 1e-6;
/** Minutes of lateness that weigh like one standard deviation of the others. */
const LATE_UNIT_MIN = 15;

/** Where a future lies, each factor in its own standard deviations. */
const placeOf = (draw: Draw): number[] => {
  const { mixLateMin, pullLateMin } = futureOf(draw);
  return FACTORS.map((factor) => {
    if (factor === 'mix-late') return mixLateMin / LATE_UNIT_MIN;
    return factor === 'pull-late' ? pullLateMin / LATE_UNIT_MIN : normalQuantile(draw[factor]);
  });
};

/** One, each number, each product of two. */
function termsOf(place: readonly number[]): number[] {
  const terms = [1, ...place];
  place.forEach((x, i) => {
    for (let j = i; j < place.length; j += 1) terms.push(x * (place[j] as number));
  });
  return terms;
}

/** A curved surface of least squares through values. */
function fitted(rows: readonly (readonly number[])[], values: readonly number[]) {
  const size = rows[0]?.length ?? 0;
  const matrix = Array.from({ length: size }, () => new Array<number>(size).fill(0));
  const right = new Array<number>(size).fill(0);
  rows.forEach((row, n) => {
    for (let i = 0; i < size; i += 1) {
      const x = row[i] as number;
      (right[i] as number) += x * (values[n] as number);
      for (let j = 0; j <= i; j += 1)
        ((matrix[i] as number[])[j] as number) += x * (row[j] as number);
    }
  });
  for (let i = 0; i < size; i += 1) ((matrix[i] as number[])[i] as number) += RIDGE;
  const weights = solveLower(cholesky(matrix), right);
  return (terms: readonly number[]) =>
    terms.reduce((sum, term, i) => sum + term * (weights[i] as number), 0);
}

/**
 * When dough opens, near enough, without following it: a curved surface through the futures in which it was followed.
 * What it says is off a little; it is only ever used for the difference between few futures and many.
 *
 * @returns null where too few of them open
 */
export function surrogateOf(
  draws: readonly Draw[],
  windows: readonly (OpenBetween | null)[],
): ((draw: Draw) => OpenBetween) | null {
  const open = draws.flatMap((draw, i) => {
    const window = windows[i];
    return window ? [{ terms: termsOf(placeOf(draw)), window }] : [];
  });
  if (open.length < LEAST_OPEN) return null;
  const rows = open.map(({ terms }) => terms);
  const from = fitted(
    rows,
    open.map(({ window }) => window.fromMin),
  );
  const until = fitted(
    rows,
    open.map(({ window }) => window.untilMin),
  );
  return (draw) => {
    const terms = termsOf(placeOf(draw));
    const fromMin = from(terms);
    return { fromMin, untilMin: Math.max(fromMin, until(terms)) };
  };
}
