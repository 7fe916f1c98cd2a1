import type { PlannedStep } from '@calm/core';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';
import { formatSurePercent } from '../../../parts/format/odds';
import type { PlanWords } from '../planWords';

/** What a pull takes out of the cold when, wave by wave, for each product; nothing for other work. */
export function formatPullsMessage(
  { key, serviceId }: PlannedStep,
  simulated: SimulatedPlanLot | null,
  words: PlanWords,
): string[] {
  if (key !== 'pull' || !simulated) return [];
  return simulated.waves
    .filter((each) => each.serviceId === serviceId)
    .map(({ productId, waves, odds }) => {
      const pulls = waves.map(({ trays, pullAt }) =>
        words.t('plan.pullTrays', { count: trays, at: words.f.time(Date.parse(pullAt)) }),
      );
      const enough =
        odds === null
          ? ''
          : ` (${words.t('plan.enough', { odds: formatSurePercent(words.f, odds) })})`;
      return `${words.product(productId)}: ${words.f.list(pulls)}${enough}`;
    });
}
