import type { YeastForm } from './yeast';

/** What a spoon of yeast did in warm water with a little sugar, ten minutes later; the strongest first. */
export const YEAST_PROOFS = ['domed', 'foam', 'bubbles', 'nothing'] as const;

/** What a proof test showed. */
export type YeastProof = (typeof YEAST_PROOFS)[number];

/** How long a proof test takes, min. */
export const YEAST_PROOF_MIN = 10;

/** Activity by what was seen. Starting values; plausible ± 0.15. */
const BY_PROOF: Readonly<Record<YeastProof, number>> = {
  domed: 1,
  foam: 0.8,
  bubbles: 0.5,
  nothing: 0.01,
};

/** What is left of a pack's activity each day after it was opened, kept cold. Starting values: fresh 0.98–0.99. */
const LEFT_A_DAY: Readonly<Record<YeastForm, number>> = {
  fresh: 0.985,
  'active-dry': 0.9985,
  instant: 0.999,
};

/** What is known of a pack of yeast. */
export interface YeastPack {
  /** Days since it was opened; null where nobody has said. */
  readonly openDays: number | null;
  /** What a proof test showed; null where none was made. */
  readonly proof: YeastProof | null;
}

/**
 * How strong yeast is: by its proof test, or by how long its pack has been open where none was made.
 *
 * @returns activity, 1 as new, 0.01–1
 * @example
 * yeastStrength('fresh', { openDays: 10, proof: null }); // 0.86
 */
export function yeastStrength(form: YeastForm, { openDays, proof }: YeastPack): number {
  if (proof !== null) return BY_PROOF[proof];
  if (openDays === null) return 1;
  return Math.max(0.01, LEFT_A_DAY[form] ** Math.max(0, openDays));
}
