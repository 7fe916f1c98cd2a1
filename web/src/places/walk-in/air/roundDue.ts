/** Which round by hand is next. Minutes from local midnight. */
export type RoundDue =
  | { readonly kind: 'due'; readonly atMin: number }
  | { readonly kind: 'next'; readonly atMin: number }
  | { readonly kind: 'none' };

/** A round may be taken this much early and still be that round, min. */
const EARLY_MIN = 45;

/**
 * Whether the thermometers are to be read now: the last round that has begun and was not taken yet.
 *
 * @param roundMins when the house reads them
 * @param takenMins when somebody has today
 */
export function roundDue(
  roundMins: readonly number[],
  takenMins: readonly number[],
  nowMin: number,
): RoundDue {
  const sorted = [...roundMins].sort((a, b) => a - b);
  const begun = sorted.findLast((atMin) => atMin <= nowMin);
  const isTaken = (atMin: number) => takenMins.some((taken) => taken >= atMin - EARLY_MIN);
  if (begun !== undefined && !isTaken(begun)) return { kind: 'due', atMin: begun };
  const next = sorted.find((atMin) => atMin > nowMin) ?? sorted[0];
  return next === undefined ? { kind: 'none' } : { kind: 'next', atMin: next };
}
