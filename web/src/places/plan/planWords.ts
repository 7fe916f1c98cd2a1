import { datesOf, type HouseBook } from '@calm/contract';
import { CALLED_IN, type PlannedLot, type PlannedStep } from '@calm/core';
import type { TFunction } from 'i18next';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats, type Formats } from '../../parts/format';
import type { PlanWeek } from './usePlanWeek';

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
  readonly mixer: (id: string) => string;
  /** `Fri 11:15` of a minute since 1970. */
  readonly moment: (minute: number) => string;
  readonly time: (minute: number) => string;
  /** `Pull for Dinner`, or only `Mix` when it is for the whole lot. */
  readonly step: (step: PlannedStep, lot: PlannedLot) => string;
}

const MS_PER_MIN = 60_000;

/** The words of a week's plan. */
export function usePlanWords({ book, lots, services, publishedLots }: PlanWeek): PlanWords {
  const { t } = useTranslation();
  const f = useFormats();
  return useMemo(() => {
    const formulaOf = (doughId: string) =>
      book.formulas.find(({ id }) => doughId.startsWith(`${id}/`));
    const dough = (doughId: string) => doughName(book, doughId);
    const lot = (planned: PlannedLot) =>
      t('plan.lotFor', {
        dough: dough(planned.doughId),
        dates: datesOf(planned).map(f.date).join(', '),
      });
    const named = (serviceId: string) =>
      services.find(({ date, patternId }) => `${date}/${patternId}` === serviceId);
    return {
      t,
      f,
      person: (id) =>
        book.people.find((person) => person.id === id)?.name ??
        (id.startsWith(CALLED_IN) ? t('plan.calledIn') : id),
      initials: (id) =>
        book.people.find((person) => person.id === id)?.initials ??
        (id.startsWith(CALLED_IN) ? '＋' : '?'),
      dough,
      doughCode: (doughId) => formulaOf(doughId)?.code ?? '',
      lot,
      lotId: (lotId) => {
        const planned = [...lots, ...publishedLots].find(({ id }) => id === lotId);
        return planned ? lot(planned) : lotId;
      },
      service: (serviceId) => {
        const service = named(serviceId);
        return service ? `${service.name} ${f.date(service.date)}` : serviceId;
      },
      mixer: (id) => book.mixers.find((mixer) => mixer.id === id.replace(/-2$/, ''))?.name ?? id,
      moment: (minute) => f.moment(minute * MS_PER_MIN),
      time: (minute) => f.time(minute * MS_PER_MIN),
      step: (step, planned) => {
        const service = step.serviceId === null ? null : named(step.serviceId);
        const work = t(`work.${step.key}`);
        return service && planned.serviceIds.length > 1
          ? t('plan.stepFor', { work, service: service.name })
          : work;
      },
    };
  }, [book, lots, services, publishedLots, t, f]);
}

const doughName = ({ formulas }: HouseBook, doughId: string): string =>
  formulas.find(({ id }) => doughId.startsWith(`${id}/`))?.name ?? doughId;
