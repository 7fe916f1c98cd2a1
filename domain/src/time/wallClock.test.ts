import { describe, expect, it } from '@jest/globals';
import { addDays, datesFrom, instantOf, localDateOf, weekdayOf } from './wallClock';

const zone = 'Europe/Copenhagen';
const iso = (date: string, minute: number) => instantOf(date, minute, zone).toISOString();

describe('instantOf', () => {
  it('is what the wall clock shows, summer and winter', () => {
    expect(iso('2026-11-25', 17 * 60 + 30)).toBe('2026-11-25T16:30:00.000Z');
    expect(iso('2026-07-01', 17 * 60 + 30)).toBe('2026-07-01T15:30:00.000Z');
  });

  it('goes past midnight', () => {
    expect(iso('2026-11-25', 26 * 60)).toBe('2026-11-26T01:00:00.000Z');
    expect(iso('2026-11-25', 1440)).toBe('2026-11-25T23:00:00.000Z');
  });

  it('keeps shown times on the days the clock changes', () => {
    // 29 March 2026: 02:00 becomes 03:00. 25 October 2026: 03:00 becomes 02:00.
    expect(iso('2026-03-29', 12 * 60)).toBe('2026-03-29T10:00:00.000Z');
    expect(iso('2026-10-25', 12 * 60)).toBe('2026-10-25T11:00:00.000Z');
    expect(iso('2026-10-24', 26 * 60)).toBe('2026-10-25T00:00:00.000Z');
    expect(iso('2026-03-29', 2 * 60 + 30)).toBe('2026-03-29T01:30:00.000Z');
  });
});

describe('dates', () => {
  it('are the house’s, not the machine’s', () => {
    expect(localDateOf(new Date('2026-11-24T23:30:00Z'), zone)).toBe('2026-11-25');
  });

  it('count through months and clock changes', () => {
    expect(addDays('2026-10-24', 2)).toBe('2026-10-26');
    expect(datesFrom('2026-12-30', 4)).toEqual([
      '2026-12-30',
      '2026-12-31',
      '2027-01-01',
      '2027-01-02',
    ]);
    expect(weekdayOf('2026-11-25')).toBe(3);
    expect(weekdayOf('2026-11-29')).toBe(7);
  });
});
