import { enoughShare } from '@calm/core';
import { type HouseSettings, STANDARD_SERVICE_LEVEL } from '@calm/contract';

/** How often there shall be enough, percent. */
export function serviceLevelPercent({
  serviceLevel = STANDARD_SERVICE_LEVEL,
}: HouseSettings): number {
  return serviceLevel.kind === 'often'
    ? serviceLevel.enoughPercent
    : 100 * enoughShare(serviceLevel);
}
