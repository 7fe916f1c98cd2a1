import { weekdayIndex } from '@calm/core';
import type { HouseCalendar, ServicePattern } from '@calm/contract';

/** A service that is held on a date. */
export interface HeldService {
  readonly pattern: ServicePattern;
  /** Minutes from local midnight; past 1440 is the next day. */
  readonly startMin: number;
  readonly endMin: number;
}

/**
 * The services of a date, in time's order: those of its weekday that are in force, less what is closed,
 * at the hours that date keeps. An exception of one service goes before one of the whole day.
 *
 * @param date local, `YYYY-MM-DD`
 */
export function servicesOn({ patterns, exceptions }: HouseCalendar, date: string): HeldService[] {
  const ofDay = exceptions.filter((each) => each.date === date);
  return patterns
    .filter(
      ({ weekday, firstDate, lastDate }) =>
        weekday === weekdayIndex(date) + 1 &&
        (firstDate === null || firstDate <= date) &&
        (lastDate === null || date <= lastDate),
    )
    .flatMap((pattern): HeldService[] => {
      const exception =
        ofDay.find(({ patternId }) => patternId === pattern.id) ??
        ofDay.find(({ patternId }) => patternId === null);
      if (exception?.hours === null) return [];
      const { startMin, endMin } = exception?.hours ?? pattern;
      return [{ pattern, startMin, endMin }];
    })
    .sort((a, b) => a.startMin - b.startMin);
}
