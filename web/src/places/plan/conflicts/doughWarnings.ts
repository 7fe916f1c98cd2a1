import type { SimulatedService } from '@calm/domain';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';
import type { PlanWords } from '../planWords';
import type { PlanWeek } from '../editing/usePlanWeek';

/** Dough that does not open well when its doors do. */
export type DoughWarning = {
  readonly lotId: string;
  readonly serviceId: string;
} & (
  | { readonly kind: 'never' }
  | { readonly kind: 'late'; readonly lateMin: number }
  | { readonly kind: 'past'; readonly untilMin: number }
  | { readonly kind: 'no-dose' }
);

/** Ready this long after doors is ready enough: the first balls go later, minutes. */
const LATE_ENOUGH_MIN = 15;
/** Balls that keep less than this from doors are past before they are used, minutes. */
const SHORT_MIN = 45;

/** Every service that finds its dough not ready, or past it, and lots that no dose brings there. */
export function doughWarnings(
  lots: readonly SimulatedPlanLot[],
  { services }: Pick<PlanWeek, 'services'>,
): DoughWarning[] {
  return lots.flatMap(({ lotId, dose, ways }): DoughWarning[] => {
    const [main] = ways;
    if (dose?.kind === 'no-dose' && main) {
      return [{ kind: 'no-dose', lotId, serviceId: main.serviceId }];
    }
    return ways.flatMap((way): DoughWarning[] => {
      const { serviceId } = way;
      const service = services.find(({ date, patternId }) => `${date}/${patternId}` === serviceId);
      const window = windowMinutes(way);
      if (!service) return [];
      if (!window) return [{ kind: 'never', lotId, serviceId }];
      const doorsMin = Date.parse(service.startsAt) / 60_000;
      const lateMin = Math.round(window.fromMin - doorsMin);
      if (lateMin > LATE_ENOUGH_MIN) return [{ kind: 'late', lotId, serviceId, lateMin }];
      return window.untilMin < doorsMin + SHORT_MIN
        ? [{ kind: 'past', lotId, serviceId, untilMin: window.untilMin }]
        : [];
    });
  });
}

function windowMinutes({ way, mixedMin }: SimulatedService) {
  if (!way || way.window.kind === 'never') return null;
  const { earliestHour, latestHour } = way.window;
  return { fromMin: mixedMin + earliestHour * 60, untilMin: mixedMin + latestHour * 60 };
}

/** A warning in words. */
export function formatWarningMessage(warning: DoughWarning, words: PlanWords): string {
  const { t, f } = words;
  const about = { lot: words.lotId(warning.lotId), service: words.service(warning.serviceId) };
  switch (warning.kind) {
    case 'late':
      return t('plan.dough.late', { ...about, by: f.duration(warning.lateMin) });
    case 'past':
      return t('plan.dough.past', { ...about, until: words.moment(Math.round(warning.untilMin)) });
    case 'never':
      return t('plan.dough.never', about);
    case 'no-dose':
      return t('plan.dough.no-dose', about);
  }
}

/** What a warning is about, whatever its times. */
export const warningName = ({ kind, lotId, serviceId }: DoughWarning): string =>
  `${kind}|${lotId}|${serviceId}`;
