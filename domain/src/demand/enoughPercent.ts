import { enoughShare, type Route } from '@calm/core';
import { type HouseSettings, STANDARD_SERVICE_LEVEL } from '@calm/contract';

/** How often there shall be enough, percent. @param isCarried what is left keeps for a later service */
export function serviceLevelPercent(
  { serviceLevel = STANDARD_SERVICE_LEVEL }: Pick<HouseSettings, 'serviceLevel'>,
  isCarried = false,
): number {
  if (serviceLevel.kind === 'often') return serviceLevel.enoughPercent;
  const { short, left, carried = left } = serviceLevel;
  return 100 * enoughShare({ short, left: isCarried ? carried : left });
}

/** Hours that balls may stay in the cold beyond what their route prefers; 0 where they are never there. */
export function keepsOnH(route: Route): number {
  const cold = route.findLast((stage) => stage.kind === 'rest' && stage.key === 'cold');
  return cold?.kind === 'rest' ? Math.max(0, cold.hours.most - cold.hours.preferred) : 0;
}
