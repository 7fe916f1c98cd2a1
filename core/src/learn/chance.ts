/**
 * How often chance alone would part two equals at least so far: the sign test, two-sided (Dixon and Mood 1946).
 *
 * @param first verdicts for one, whole; those for neither are left out
 * @param second for the other
 * @returns 0–1; 1 without a verdict
 * @example chanceOf(8, 1) // 0.039
 */
export function chanceOf(first: number, second: number): number {
  const all = first + second;
  const fewer = Math.min(first, second);
  let [term, sum] = [0.5 ** all, 0];
  for (let k = 0; k <= fewer; k += 1) {
    sum += term;
    term *= (all - k) / (k + 1);
  }
  return Math.min(1, 2 * sum);
}
