import { weekdayIndex } from '@calm/core';
import type { HouseCalendar, ServiceException, ServicePattern } from '@calm/contract';

/** A service that is held on a date. */
export interface HeldService {
  readonly pattern: ServicePattern;
  /** The services that are one with it on that date. */
  readonly joined: readonly ServicePattern[];
  /** Minutes from local midnight; past 1440 is the next day. */
  readonly startMin: number;
  readonly endMin: number;
}

/** Whether a service is held on one day only, as an order is: it is of no week. */
export const isOneDay = ({ firstDate, lastDate }: ServicePattern): boolean =>
  firstDate !== null && firstDate === lastDate;

/**
 * The services of a date, in time's order: those of its weekday that are in force, less what is closed,
 * at the hours that date keeps. An exception of one service goes before one of the whole day. A service that is one
 * with another is held as that one, which is open for both.
 *
 * @param date local, `YYYY-MM-DD`
 */
export function servicesOn({ patterns, exceptions }: HouseCalendar, date: string): HeldService[] {
  const ofDay = exceptions.filter((each) => isExceptionOn(each, date));
  const open = patterns
    .filter(
      ({ weekday, firstDate, lastDate }) =>
        weekday === weekdayIndex(date) + 1 &&
        (firstDate === null || firstDate <= date) &&
        (lastDate === null || date <= lastDate),
    )
    .flatMap((pattern) => {
      const exception =
        ofDay.find(({ patternId }) => patternId === pattern.id) ??
        ofDay.find(({ patternId }) => patternId === null);
      const joinsId = exception?.joinsId ?? null;
      if (exception?.hours === null && joinsId === null) return [];
      const { startMin, endMin } = exception?.hours ?? pattern;
      return [{ pattern, joinsId, startMin, endMin }];
    });
  const hosts = new Set(open.flatMap(({ pattern, joinsId }) => (joinsId ? [] : [pattern.id])));
  const isGuest = ({ joinsId }: (typeof open)[number]) => joinsId !== null && hosts.has(joinsId);
  return open
    .filter((each) => !isGuest(each))
    .map(({ pattern, startMin, endMin }): HeldService => {
      const guests = open.filter((each) => isGuest(each) && each.joinsId === pattern.id);
      return {
        pattern,
        joined: guests.map((each) => each.pattern),
        startMin: Math.min(startMin, ...guests.map((each) => each.startMin)),
        endMin: Math.max(endMin, ...guests.map((each) => each.endMin)),
      };
    })
    .sort((a, b) => a.startMin - b.startMin);
}

/**
 * Whether a date is one of those of an exception. What is every year is so from its first date on, on the same days of
 * the calendar, also over New Year; 29 February comes in leap years only.
 *
 * @param date local, `YYYY-MM-DD`
 */
export function isExceptionOn(
  { date: first, lastDate, isYearly }: Pick<ServiceException, 'date' | 'lastDate' | 'isYearly'>,
  date: string,
): boolean {
  const last = lastDate ?? first;
  if (!isYearly) return first <= date && date <= last;
  if (date < first) return false;
  const isOverNewYear = first.slice(0, 4) !== last.slice(0, 4);
  const [from, until, day] = [first, last, date].map((each) => each.slice(5)) as [
    string,
    string,
    string,
  ];
  return isOverNewYear ? day >= from || day <= until : from <= day && day <= until;
}
