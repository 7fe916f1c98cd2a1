/**
 * Index of the first of some things in order from which something holds; by halving, so that it must hold of all
 * that come after.
 *
 * @returns `length` where it holds of none
 *
 * @example firstIndex(4, (i) => [1, 3, 5, 7][i] > 4) // 2
 */
export function firstIndex(length: number, holds: (index: number) => boolean): number {
  let [low, high] = [0, length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (holds(middle)) high = middle;
    else low = middle + 1;
  }
  return low;
}
