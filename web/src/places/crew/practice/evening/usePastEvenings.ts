import type { ColdRecord, HouseBook, Probe } from '@calm/contract';
import type { PastEvening } from '@calm/domain';
import { useMemo } from 'react';
import { useColdQuery, useForecastQuery, useServicesQuery } from '../../../../state/api/api';
import { addDays, dateAt } from '../../../../state/time/localDate';
import { useCursor } from '../../../../state/time/useCursor';
import { useColdOfEveningsQuery, useSalesOfEveningsQuery } from '../practiceApi';

/** Days that are looked back on. */
const DAYS = 14;

/** What probes read on a day, on average, and where they hang. */
const readOn = (
  date: string,
  { places }: HouseBook,
  probes: readonly Probe[],
  { days }: Pick<ColdRecord, 'days'>,
) =>
  days.flatMap(({ date: of, probeId, summary }) => {
    const placeId = probes.find(({ id }) => id === probeId)?.placeId;
    const place = places.find(({ id }) => id === placeId);
    return of === date && summary && place ? [{ room: place.room, meanC: summary.meanC }] : [];
  });

/** How much warmer the cold was than it is set to, by the warmest of its probes, °C; null without one. */
function coldByOf(read: ReturnType<typeof readOn>): number | null {
  const off = read.flatMap(({ room, meanC }) => (room ? [meanC - room.setC] : []));
  return off.length > 0 ? Math.max(...off) : null;
}

/** How warm it was where it is as warm as the house, by the probes that hang there, °C; null without one. */
function roomOf(read: ReturnType<typeof readOn>): number | null {
  const all = read.flatMap(({ room, meanC }) => (room === null ? [meanC] : []));
  return all.length > 0 ? all.reduce((sum, each) => sum + each, 0) / all.length : null;
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
      .map((service): PastEvening => {
        const read = readOn(service.date, book, board.probes, record);
        return {
          service,
          sales,
          curve: forecast.usage.find(({ service: name }) => name === service.name)?.curve ?? null,
          coldBy: coldByOf(read),
          roomC: roomOf(read),
          doughs: [],
        };
      })
      .reverse();
  }, [services, sales, record, board, forecast, book]);
}
