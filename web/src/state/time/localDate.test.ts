import * as domain from '@calm/domain';
import fc from 'fast-check';
import { describe, expect, it } from '@jest/globals';
import { addDays, dateAt, midnightOf, minuteAt, mondayAfter } from './localDate';

describe('local dates', () => {
  it('are the zone’s', () => {
    const lateEvening = Date.parse('2026-11-25T23:30:00Z');
    expect(dateAt(lateEvening, 'Europe/Copenhagen')).toBe('2026-11-26');
    expect(dateAt(lateEvening, 'UTC')).toBe('2026-11-25');
  });

  it('know the Monday that comes', () => {
    expect(mondayAfter('2026-11-25')).toBe('2026-11-30');
    expect(mondayAfter('2026-11-29')).toBe('2026-11-30');
    expect(mondayAfter('2026-11-30')).toBe('2026-12-07');
  });

  it('count through months, leap years and clock changes', () => {
    expect(addDays('2026-10-24', 2)).toBe('2026-10-26');
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2027-01-01', -1)).toBe('2026-12-31');
  });
});

describe('midnight', () => {
  it('is where the house’s day begins, across clock changes and on both sides of Greenwich', () => {
    const zones = ['Europe/Copenhagen', 'America/New_York', 'Asia/Tokyo', 'UTC'];
    for (const zone of zones) {
      for (const date of [
        '2026-03-28',
        '2026-03-29',
        '2026-03-30',
        '2026-10-25',
        '2026-11-01',
        '2026-11-02',
      ]) {
        const ms = midnightOf(date, zone);
        expect([dateAt(ms, zone), minuteAt(ms, zone)]).toEqual([date, 0]);
        expect(dateAt(ms - 1, zone)).toBe(addDays(date, -1));
      }
    }
  });
});

describe('dates of pages and of the server', () => {
  it('are the same at any moment of some years, in zones with and without clock changes', () => {
    const zones = fc.constantFrom('Europe/Copenhagen', 'America/St_Johns', 'UTC', 'Asia/Kathmandu');
    const moments = fc.integer({
      min: Date.parse('2024-01-01T00:00:00Z'),
      max: Date.parse('2028-12-31T00:00:00Z'),
    });
    fc.assert(
      fc.property(zones, moments, fc.integer({ min: -400, max: 400 }), (zone, ms, days) => {
        const date = dateAt(ms, zone);
        expect(date).toBe(domain.localDateOf(new Date(ms), zone));
        expect(addDays(date, days)).toBe(domain.addDays(date, days));
        expect(midnightOf(date, zone)).toBe(domain.instantOf(date, 0, zone).getTime());
      }),
      { numRuns: 500 },
    );
  });
});
