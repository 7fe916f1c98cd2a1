import type { ServiceException, ServicePattern } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import { isExceptionOn, servicesOn } from './calendar';

const FRIDAY = '2026-12-04';
const service = (name: string, startMin: number, endMin: number): ServicePattern => ({
  id: name,
  name,
  weekday: 5,
  startMin,
  endMin,
  firstDate: null,
  lastDate: null,
  version: 1,
});
const lunch = service('Lunch', 690, 900);
const dinner = service('Dinner', 1050, 1350);
const exception = (how: Partial<ServiceException>): ServiceException => ({
  id: JSON.stringify(how),
  date: FRIDAY,
  lastDate: null,
  isYearly: false,
  patternId: null,
  joinsId: null,
  hours: null,
  note: '',
  version: 1,
  ...how,
});
const held = (...exceptions: ServiceException[]) =>
  servicesOn({ patterns: [dinner, lunch], usual: [], exceptions }, FRIDAY).map(
    ({ pattern, joined, startMin, endMin }) =>
      `${[pattern, ...joined].map(({ name }) => name).join('+')} ${startMin}–${endMin}`,
  );

describe('the days of an exception', () => {
  const on = (from: string, lastDate: string | null, isYearly: boolean, dates: string[]) =>
    dates.filter((date) => isExceptionOn({ date: from, lastDate, isYearly }, date));

  it('are one, or several with the last among them', () => {
    const around = ['2026-08-09', '2026-08-10', '2026-08-17', '2026-08-24', '2026-08-25'];
    expect(on('2026-08-10', null, false, around)).toEqual(['2026-08-10']);
    expect(on('2026-08-10', '2026-08-24', false, around)).toEqual(around.slice(1, 4));
    expect(on('2026-08-10', '2026-08-24', false, ['2027-08-12'])).toEqual([]);
  });

  it('are every year’s from the first on, also over New Year', () => {
    expect(
      on('2026-08-10', '2026-08-24', true, ['2025-08-12', '2027-08-12', '2031-08-24']),
    ).toEqual(['2027-08-12', '2031-08-24']);
    const winter = ['2026-12-23', '2026-12-24', '2027-01-06', '2027-01-07', '2030-12-31'];
    expect(on('2026-12-24', '2027-01-06', true, winter)).toEqual([
      '2026-12-24',
      '2027-01-06',
      '2030-12-31',
    ]);
    expect(on('2028-02-29', null, true, ['2029-02-28', '2029-03-01', '2032-02-29'])).toEqual([
      '2032-02-29',
    ]);
  });
});

describe('the services of a date', () => {
  it('are those of its week, in time’s order', () => {
    expect(held()).toEqual(['Lunch 690–900', 'Dinner 1050–1350']);
  });

  it('are one where one joins another, open for both', () => {
    const joins = exception({ patternId: 'Lunch', joinsId: 'Dinner' });
    expect(held(joins)).toEqual(['Dinner+Lunch 690–1350']);
    const late = exception({ patternId: 'Dinner', hours: { startMin: 1080, endMin: 1400 } });
    expect(held(joins, late)).toEqual(['Dinner+Lunch 690–1400']);
  });

  it('stay apart where the one to join is closed, or joins back', () => {
    const joins = exception({ patternId: 'Lunch', joinsId: 'Dinner' });
    expect(held(joins, exception({ patternId: 'Dinner' }))).toEqual(['Lunch 690–900']);
    const back = exception({ patternId: 'Dinner', joinsId: 'Lunch' });
    expect(held(joins, back)).toEqual(['Lunch 690–900', 'Dinner 1050–1350']);
  });
});
