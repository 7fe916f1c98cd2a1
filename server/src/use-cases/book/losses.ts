import { scaleRecipe } from '@calm/domain';
import type { House, HouseBook, HouseSettings, LearnedLosses } from '@calm/contract';
import { learnResidue, learnTrim, type ResidueRecord, type TrimRecord } from '@calm/core';
import { readBook } from '../../store/house/houses';
import { readItems, readWeighedLots } from '../../store/lots/lots';
import type { Scope } from '../../database/scope';

/** The newest lots that are learned from: a house changes its hands and its scrapers. */
const NEWEST = 60;

/** What the house's own lots say stays behind, and is trimmed off where one product was sheeted. */
async function learnedLosses(
  scope: Scope,
  { residuePercent, residuePerLoadG }: HouseSettings,
): Promise<LearnedLosses> {
  const lots = await readWeighedLots(scope, NEWEST);
  const items = await readItems(
    scope,
    lots.map(({ id }) => id),
  );
  const residues: ResidueRecord[] = [];
  const trims = new Map<string, TrimRecord[]>();
  for (const { id, recipe, leftG, trimG } of lots) {
    const made = items.get(id) ?? [];
    const scaled = scaleRecipe(recipe, made);
    if (!scaled.ok) continue;
    const { loads, balance } = scaled.value;
    if (leftG !== null) residues.push({ loads: loads.length, doughG: balance.doughG, leftG });
    const sheeted = made.filter(({ count, trimPercent }) => count > 0 && trimPercent > 0);
    const [only] = sheeted;
    if (trimG === null || !only || sheeted.length > 1) continue;
    const record = { sheetedG: only.count * only.ballWeightG + trimG, trimG };
    trims.set(only.productId, [...(trims.get(only.productId) ?? []), record]);
  }
  return {
    residue: learnResidue(residues, { percent: residuePercent, perLoadG: residuePerLoadG }),
    trims: [...trims].flatMap(([productId, records]) => {
      const learned = learnTrim(records);
      return learned ? [{ productId, ...learned }] : [];
    }),
  };
}

/** A house's book, with what its log has learned. */
export async function bookOf(scope: Scope, house: House): Promise<HouseBook> {
  const book = await readBook(scope, house);
  return { ...book, losses: await learnedLosses(scope, house.settings) };
}
