import { doughStagesOfRoute, type Route } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';

/** Says a route in one line: each rest, how long and how warm. */
export function useRouteMessage(): (stages: Route) => string {
  const { t } = useTranslation();
  const f = useFormats();
  return (stages) => {
    const way = doughStagesOfRoute(stages, { loads: 1, balls: 100 });
    return [...way.preferments, ...way.stages]
      .map(({ rest }) =>
        t('formulas.stage', {
          name: t(`rest.${rest.key}`),
          hours: f.duration(rest.hours.preferred * 60),
          temp: f.temperature(rest.airTempC),
        }),
      )
      .join(' · ');
  };
}
