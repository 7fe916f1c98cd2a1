import { MINUTE_MS, CALLED_IN, type PlannedLot, type PlannedStep } from '@calm/core';
import { datesOf, personOf, recordOf } from '@calm/domain';
import type { HouseBook } from '@calm/contract';
import type { TFunction } from 'i18next';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import type { Formats } from '@calm/domain';
import { useFormats } from '../../parts/format/useFormats';
import type { PlanWeek } from './editing/usePlanWeek';

/** How people, doughs, lots, services and times of a plan are named. */
export interface PlanWords {
  readonly t: TFunction;
  readonly f: Formats;
  readonly person: (id: string) => string;
  readonly initials: (id: string) => string;
  readonly dough: (doughId: string) => string;
  /** `YR` */
  readonly doughCode: (doughId: string) => string;
  /** `Yard dough for Sat 28 Nov` */
  readonly lot: (lot: PlannedLot) => string;
  readonly lotId: (lotId: string) => string;
  /** `Dinner Sat 28 Nov` */
  readonly service: (serviceId: string) => string;
  /** `Cold`: a rest of a dough, by its place in the route. */
  readonly restOf: (where: { readonly doughId: string; readonly stage: number }) => string;
  readonly mixer: (id: string) => string;
  readonly product: (id: string) => string;
  /** `Fri 11:15` of a minute since 1970. */
  readonly moment: (minute: number) => string;
  readonly time: (minute: number) => string;
  /** `Pull for Dinner`, or only `Mix` when it is for the whole lot. */
  readonly step: (step: PlannedStep, lot: PlannedLot) => string;
}

/** The words of a week's plan. */
export function usePlanWords({ book, services }: Pick<PlanWeek, 'book' | 'services'>): PlanWords {
  const { t } = useTranslation();
  const f = useFormats();
  return useMemo(() => {
    const formulaOf = (doughId: string) => recordOf(book, 'formulas', doughId.split('/')[0]);
    const dough = (doughId: string) => doughName(book, doughId);
    // While a bead is dragged the same names are said some hundred times a frame.
    const lot = remembered(
      ({ id, serviceIds }: PlannedLot) => [id, ...serviceIds].join(),
      (planned) =>
        t('plan.lotFor', {
          dough: dough(planned.doughId),
          dates: f.list(datesOf(planned).map(f.date)),
        }),
    );
    const stepOf = remembered(
      ({ key, service }: { readonly key: PlannedStep['key']; readonly service: string | null }) =>
        `${key}/${service ?? ''}`,
      ({ key, service }) => {
        const work = t(`work.${key}`);
        return service === null ? work : t('plan.stepFor', { work, service });
      },
    );
    const itself = (minute: number) => String(minute);
    const named = (serviceId: string) =>
      services.find(({ date, patternId }) => `${date}/${patternId}` === serviceId);
    return {
      t,
      f,
      person: (id) =>
        personOf(book, id)?.name ?? (id.startsWith(CALLED_IN) ? t('plan.calledIn') : id),
      initials: (id) => personOf(book, id)?.initials ?? (id.startsWith(CALLED_IN) ? '＋' : '?'),
      dough,
      doughCode: (doughId) => formulaOf(doughId)?.code ?? '',
      lot,
      lotId: (lotId) => {
        // A lot of a house is named after its dough and its first service: formula, route, date, service.
        const [formulaId = '', routeId = '', date = ''] = lotId.split('/');
        return t('plan.lotFor', { dough: dough(`${formulaId}/${routeId}`), dates: f.date(date) });
      },
      service: (serviceId) => {
        const service = named(serviceId);
        return service ? `${service.name} ${f.date(service.date)}` : serviceId;
      },
      restOf: ({ doughId, stage }) => {
        const route = recordOf(book, 'routes', doughId.split('/')[1]);
        const rest = route?.stages[stage];
        return rest?.kind === 'rest' ? t(`rest.${rest.key}`) : t('rest.rest');
      },
      product: (id) => recordOf(book, 'products', id)?.name ?? id,
      mixer: (id) => recordOf(book, 'mixers', id.replace(/-2$/, ''))?.name ?? id,
      moment: remembered(itself, (minute) => f.moment(minute * MINUTE_MS)),
      time: remembered(itself, (minute) => f.time(minute * MINUTE_MS)),
      step: (step, planned) => {
        const isOneOfSeveral = step.serviceId !== null && planned.serviceIds.length > 1;
        const service = isOneOfSeveral ? (named(step.serviceId ?? '')?.name ?? null) : null;
        return stepOf({ key: step.key, service });
      },
    };
  }, [book, services, t, f]);
}

/** A function that says the same again without finding it again. */
function remembered<Asked>(
  keyOf: (asked: Asked) => string,
  say: (asked: Asked) => string,
): (asked: Asked) => string {
  const known = new Map<string, string>();
  return (asked) => {
    const key = keyOf(asked);
    const said = known.get(key) ?? say(asked);
    known.set(key, said);
    return said;
  };
}

const doughName = (book: HouseBook, doughId: string): string =>
  recordOf(book, 'formulas', doughId.split('/')[0])?.name ?? doughId;
