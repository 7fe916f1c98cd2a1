/** What one lot left in its bowls and on the bench, as weighed. */
export interface ResidueRecord {
  readonly loads: number;
  /** All dough of the lot, g. */
  readonly doughG: number;
  readonly leftG: number;
}

/** What stays behind: so much per load, and so much of the dough. */
export interface Residue {
  readonly perLoadG: number;
  readonly percent: number;
}

/** A residue with how many lots stand behind it. */
export interface LearnedResidue extends Residue {
  readonly lots: number;
}

/** Nothing is moved on fewer lots than this (docs/dough-science.md § 8). */
export const FEWEST_LOTS = 5;

/** How sure the house's own setting is: a standard deviation of each part. Starting values. */
const PRIOR_SPREAD = { perLoadG: 30, percent: 0.4 };
/** Scatter of what one load leaves, g; starting value, plausible 20–80. */
const SCATTER_G = 40;
/** Beyond this many scatters a lot counts less: a bowl that was scraped into the bin, a slip at the scale. */
const HUBER = 1.5;
const ROUNDS = 12;

/**
 * What stays behind, learned from weighed lots by regularised, robust least squares around the house's
 * setting.
 *
 * @param prior the house's setting, where it all starts
 * @returns null on fewer than `FEWEST_LOTS` lots
 * @example learnResidue(Array(20).fill({ loads: 1, doughG: 20000, leftG: 230 }), { perLoadG: 60, percent: 0.8 }) // { perLoadG: 61.2, percent: 0.84, lots: 20 }
 */
export function learnResidue(
  records: readonly ResidueRecord[],
  prior: Residue,
): LearnedResidue | null {
  if (records.length < FEWEST_LOTS) return null;
  let { perLoadG, percent } = prior;
  for (let round = 0; round < ROUNDS; round += 1) {
    // Normal equations of Σ w (left − a·loads − b·dough/100)² plus the pull towards the prior.
    let [aa, ab, bb] = [1 / PRIOR_SPREAD.perLoadG ** 2, 0, 1 / PRIOR_SPREAD.percent ** 2];
    let [ay, by] = [aa * prior.perLoadG, bb * prior.percent];
    for (const { loads, doughG, leftG } of records) {
      const dough = doughG / 100;
      const scatter = SCATTER_G * Math.sqrt(Math.max(1, loads));
      const off = Math.abs(leftG - perLoadG * loads - percent * dough) / scatter;
      const weight = Math.min(1, HUBER / Math.max(off, 1e-9)) / scatter ** 2;
      aa += weight * loads * loads;
      ab += weight * loads * dough;
      bb += weight * dough * dough;
      ay += weight * loads * leftG;
      by += weight * dough * leftG;
    }
    const determinant = aa * bb - ab * ab;
    perLoadG = (bb * ay - ab * by) / determinant;
    percent = (aa * by - ab * ay) / determinant;
  }
  return {
    perLoadG: Math.max(0, perLoadG),
    percent: Math.max(0, percent),
    lots: records.length,
  };
}

/** One lot's sheeting: dough that went on the sheeter and what was trimmed off, g. */
export interface TrimRecord {
  readonly sheetedG: number;
  readonly trimG: number;
}

/**
 * A product's trim as the median of its lots, percent of the dough that was sheeted.
 *
 * @returns null on fewer than `FEWEST_LOTS` lots
 */
export function learnTrim(
  records: readonly TrimRecord[],
): { readonly percent: number; readonly lots: number } | null {
  const shares = records
    .filter(({ sheetedG }) => sheetedG > 0)
    .map(({ sheetedG, trimG }) => (100 * trimG) / sheetedG)
    .sort((a, b) => a - b);
  if (shares.length < FEWEST_LOTS) return null;
  const middle = shares.length >> 1;
  const at = (i: number) => shares[i] ?? NaN;
  const percent = shares.length % 2 === 1 ? at(middle) : (at(middle - 1) + at(middle)) / 2;
  return { percent, lots: shares.length };
}
