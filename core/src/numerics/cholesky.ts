/**
 * Lower triangle L of a symmetric matrix that is positive definite: A = L Lᵀ (Cholesky; Golub and Van Loan 2013, 4.2).
 *
 * @param matrix rows; only the lower triangle is read
 * @throws RangeError where it is not positive definite
 * @example cholesky([[4, 2], [2, 5]]) // [[2, 0], [1, 2]]
 */
export function cholesky(matrix: readonly (readonly number[])[]): number[][] {
  const lower = matrix.map((row) => row.map(() => 0));
  matrix.forEach((row, i) => {
    for (let j = 0; j <= i; j += 1) {
      let sum = row[j] as number;
      for (let k = 0; k < j; k += 1) sum -= at(lower, i, k) * at(lower, j, k);
      if (i === j && !(sum > 0)) throw new RangeError('the matrix is not positive definite');
      (lower[i] as number[])[j] = i === j ? Math.sqrt(sum) : sum / at(lower, j, j);
    }
  });
  return lower;
}

/**
 * The solution of A x = b, by the lower triangle of A.
 *
 * @example solveLower([[2, 0], [1, 2]], [8, 9]) // [1.375, 1.25]
 */
export function solveLower(lower: readonly (readonly number[])[], b: readonly number[]): number[] {
  const x = [...b];
  for (let i = 0; i < x.length; i += 1) {
    for (let k = 0; k < i; k += 1) (x[i] as number) -= at(lower, i, k) * (x[k] as number);
    (x[i] as number) /= at(lower, i, i);
  }
  for (let i = x.length - 1; i >= 0; i -= 1) {
    for (let k = i + 1; k < x.length; k += 1)
      (x[i] as number) -= at(lower, k, i) * (x[k] as number);
    (x[i] as number) /= at(lower, i, i);
  }
  return x;
}

/** The inverse of a matrix, by its lower triangle. */
export const inverseOfLower = (lower: readonly (readonly number[])[]): number[][] =>
  lower.map((_, i) =>
    solveLower(
      lower,
      lower.map((__, j) => (i === j ? 1 : 0)),
    ),
  );

const at = (matrix: readonly (readonly number[])[], i: number, j: number): number =>
  (matrix[i] as readonly number[])[j] as number;
