import {
  servicesOn,
  addDays,
  datesFrom,
  daysUntil,
  instantOf,
  localDateOf,
  weekdayOf,
} from '@calm/domain';
import type { House, Service, ServicePattern, Shift } from '@calm/contract';
import { productCount, readChosen, readUsual } from '../../store/demand/counts';
import { readProductIds } from '../../store/book/products';
import type { Scope } from '../../database/scope';
import { readCrew } from '../../store/access/crew';
import { readCalendar } from '../../store/demand/calendar';
import { withCarried } from './carried';

/** What is made already is shared out this many days ahead; nobody knows what is left after that. */
const DAYS_SHARED = 16;

/**
 * A house's services over some days, in time's order, with the count of every product and what of it is
 * made already.
 */
export async function servicesBetween(
  scope: Scope,
  house: House,
  { from, days }: DateRange,
  now: Date,
): Promise<readonly Service[]> {
  const today = localDateOf(now, house.timeZone);
  const before = addDays(from, days);
  const isNear = from <= addDays(today, DAYS_SHARED) && before > today;
  if (!isNear) return plainServices(scope, house, { from, days });
  // Sharing out begins today, whatever was asked for.
  const first = from < today ? from : today;
  const all = await plainServices(scope, house, { from: first, days: daysUntil(first, before) });
  const shared = await withCarried(scope, house, all, now);
  return shared.filter(({ date }) => date >= from);
}

interface DateRange {
  readonly from: string;
  readonly days: number;
}

/** The same without what is made already, which takes some calculation. */
export async function plainServices(
  scope: Scope,
  house: House,
  { from, days }: DateRange,
): Promise<Service[]> {
  const [calendar, products, usual, chosen] = await Promise.all([
    readCalendar(scope),
    readProductIds(scope),
    readUsual(scope),
    readChosen(scope, from, addDays(from, days)),
  ]);
  return datesFrom(from, days).flatMap((date) =>
    servicesOn(calendar, date).map(({ pattern, joined, startMin, endMin }): Service => ({
      patternId: pattern.id,
      name: pattern.name,
      date,
      startsAt: instantOf(date, startMin, house.timeZone).toISOString(),
      endsAt: instantOf(date, endMin, house.timeZone).toISOString(),
      counts: products.map((productId) => {
        const usualOf = (of: ServicePattern) =>
          usual.find((row) => row.patternId === of.id && row.productId === productId)?.count ?? 0;
        return productCount(
          productId,
          [pattern, ...joined].reduce((sum, each) => sum + usualOf(each), 0),
          chosen.find(
            (row) =>
              row.date === date && row.patternId === pattern.id && row.productId === productId,
          ),
        );
      }),
    })),
  );
}

/** Everybody's shifts over some days, in time's order. */
export async function shiftsBetween(
  scope: Scope,
  house: House,
  from: string,
  days: number,
): Promise<Shift[]> {
  const { shifts: patterns, exceptions } = await readCrew(scope);
  const differing = (date: string) => exceptions.filter((each) => each.date === date);
  return datesFrom(from, days).flatMap((date) =>
    [
      ...patterns
        .filter(({ weekday }) => weekday === weekdayOf(date))
        .flatMap((pattern) => {
          const day = differing(date).find(({ personId }) => personId === pattern.personId);
          if (!day) return [pattern];
          return day.isAway && day.hours ? shiftWithout(pattern, day.hours) : [];
        }),
      // Whoever is away all day has no hours; whoever comes at other hours has only those.
      ...differing(date).flatMap(({ personId, hours, isAway }) =>
        hours && !isAway ? [{ personId, ...hours }] : [],
      ),
    ]
      .sort((a, b) => a.startMin - b.startMin)
      .map((pattern) => ({
        personId: pattern.personId,
        startsAt: instantOf(date, pattern.startMin, house.timeZone).toISOString(),
        endsAt: instantOf(date, pattern.endMin, house.timeZone).toISOString(),
      })),
  );
}

interface ShiftHours {
  readonly personId: string;
  readonly startMin: number;
  readonly endMin: number;
}

/** What is left of a shift around the hours at which somebody is away. */
const shiftWithout = (
  { personId, startMin, endMin }: ShiftHours,
  away: Omit<ShiftHours, 'personId'>,
): ShiftHours[] =>
  [
    { personId, startMin, endMin: Math.min(endMin, away.startMin) },
    { personId, startMin: Math.max(startMin, away.endMin), endMin },
  ].filter((part) => part.endMin > part.startMin);
