import { enoughShare } from '@calm/core';
import { type HouseSettings, STANDARD_STAKES } from '@calm/contract';

/** How often there shall be enough, percent. */
export function enoughPercentOf({ stakes = STANDARD_STAKES }: HouseSettings): number {
  return stakes.kind === 'often' ? stakes.enoughPercent : 100 * enoughShare(stakes);
}
