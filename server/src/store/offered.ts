/** Records of one kind: those the house offers, and those it has retired. */
export interface Offered<Stored> {
  readonly now: readonly Stored[];
  readonly retired: readonly Stored[];
}

/** Rows of one kind as records, apart by whether they are offered. */
export const offered = <Row extends { readonly retiredAt: Date | null }, Stored>(
  rows: readonly Row[],
  storedOf: (row: Row) => Stored,
): Offered<Stored> => ({
  now: rows.filter(({ retiredAt }) => retiredAt === null).map(storedOf),
  retired: rows.filter(({ retiredAt }) => retiredAt !== null).map(storedOf),
});
