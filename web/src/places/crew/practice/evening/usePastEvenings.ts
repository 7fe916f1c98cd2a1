import type { ColdRecord, HouseBook, Probe } from '@calm/contract';
import type { PastEvening } from '@calm/domain';
import { useMemo } from 'react';
import { useColdQuery, useForecastQuery, useServicesQuery } from '../../../../state/api/api';
import { addDays, dateAt } from '../../../../state/time/localDate';
import { useCursor } from '../../../../state/time/useCursor';
import { useColdOfEveningsQuery, useSalesOfEveningsQuery } from '../practiceApi';

/** Days that are looked back on. */
const DAYS = 14;

/** How much warmer the cold was on a day than it is set to, by the warmest of its probes, °C; null without one. */
function coldByOn(
  date: string,
  { places }: HouseBook,
  probes: readonly Probe[],
  { days }: Pick<ColdRecord, 'days'>,
): number | null {
  const off = days.flatMap(({ date: of, probeId, summary }): number[] => {
    const placeId = probes.find(({ id }) => id === probeId)?.placeId;
    const room = places.find(({ id }) => id === placeId)?.room;
    return of === date && summary && room ? [summary.meanC - room.setC] : [];
  });
  return off.length > 0 ? Math.max(...off) : null;
}

/** How warm it was on a day where it is as warm as the house, by the probes that hang there, °C; null without one. */
function roomOn(
  date: string,
  { places }: HouseBook,
  probes: readonly Probe[],
  { days }: Pick<ColdRecord, 'days'>,
): number | null {
  const read = days.flatMap(({ date: of, probeId, summary }): number[] => {
    const placeId = probes.find(({ id }) => id === probeId)?.placeId;
    const place = places.find(({ id }) => id === placeId);
    return of === date && summary && place?.room === null ? [summary.meanC] : [];
  });
  return read.length > 0 ? read.reduce((sum, each) => sum + each, 0) / read.length : null;
}

/** Services of the last days with what is on record of them but their doughs, the last one first; null until that is there. */
export function usePastEvenings(house: string, book: HouseBook): readonly PastEvening[] | null {
  const { nowMs } = useCursor();
  const today = dateAt(nowMs, book.house.timeZone);
  const range = { house, from: addDays(today, -DAYS), days: DAYS };
  const { data: services } = useServicesQuery(range);
  const { data: sales } = useSalesOfEveningsQuery(range);
  const { data: record } = useColdOfEveningsQuery(range);
  const { data: board } = useColdQuery(house);
  const { data: forecast } = useForecastQuery({ house, from: today, days: 1 });
  return useMemo(() => {
    if (!services || !sales || !record || !board || !forecast) return null;
    return services
      .map((service): PastEvening => ({
        service,
        sales,
        curve: forecast.usage.find(({ service: name }) => name === service.name)?.curve ?? null,
        coldBy: coldByOn(service.date, book, board.probes, record),
        roomC: roomOn(service.date, book, board.probes, record),
        doughs: [],
      }))
      .reverse();
  }, [services, sales, record, board, forecast, book]);
}
