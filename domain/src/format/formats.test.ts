import { describe, expect, it } from '@jest/globals';
import { STANDARD_CURRENCY, STANDARD_DISPLAY } from '@calm/contract';
import { makeFormats, type FormatPreferences } from './formats';

const at = Date.parse('2026-11-25T14:40:00Z');
const read = (more: Partial<FormatPreferences> = {}) =>
  makeFormats({
    ...STANDARD_DISPLAY,
    currency: STANDARD_CURRENCY,
    timeZone: 'Europe/Copenhagen',
    ...more,
  });
const house = read();
const us = read({ language: 'en-US', mass: 'us', temp: 'fahrenheit', clock: '12h' });
const plain = (text: string) => text.replace(/[\u00a0\u202f]/g, ' ');

describe('formats', () => {
  it('show the house’s time, not the machine’s', () => {
    expect(house.time(at)).toBe('15:40');
    expect(house.moment(at)).toBe('Wed 15:40');
    expect(house.day(at)).toBe('Wed 25 Nov');
    expect(house.hour(Date.parse('2026-11-25T23:30:00Z'))).toBe(0);
    expect(house.date('2026-03-29')).toBe('Sun 29 Mar');
  });

  it('group digits with a space, never a comma or a point', () => {
    expect(plain(house.grams(20276))).toBe('20 276 g');
    expect(house.grams(20276)).not.toMatch(/[,.]/);
    expect(plain(house.kilograms(33394))).toBe('33.4 kg');
  });

  it('put a comma between whole and part for who reads so', () => {
    const comma = read({ decimal: 'comma' });
    expect(plain(comma.kilograms(1_234_567))).toBe('1 234,6 kg');
    expect(comma.plain(2.5, 3)).toBe('2,5');
    expect(house.plain(2.5, 3)).toBe('2.5');
  });

  it('write a real minus, and no minus zero', () => {
    expect(plain(house.temperature(-3.46))).toBe('−3.5 °C');
    expect(plain(house.temperature(-0))).toBe('0.0 °C');
    expect(plain(house.grams(-0.03, 1))).toBe('0.0 g');
    expect(plain(house.warmer(1.2))).toBe('+1.2 °C');
  });

  it('show no more decimals of a percentage than it has', () => {
    expect([62, 2.6, 0.25, 100].map((p) => plain(house.percent(p, 2)))).toEqual([
      '62 %',
      '2.6 %',
      '0.25 %',
      '100 %',
    ]);
  });

  it('write rises and ripeness with their units', () => {
    expect([house.times(1.8), house.times(3, 0)]).toEqual(['1.80×', '3×']);
    expect([18.62, 50].map((h) => plain(house.hours(h, 1)))).toEqual(['18.6 h', '50.0 h']);
  });

  it('say durations as people do', () => {
    expect([0, 45, 60, 170, 3000].map((min) => plain(house.duration(min)))).toEqual([
      '0 min',
      '45 min',
      '1 h',
      '2 h 50 min',
      '2 days',
    ]);
  });

  it('show pounds and Fahrenheit without touching what is stored', () => {
    expect(plain(us.temperature(24))).toBe('75 °F');
    expect(plain(us.kilograms(4535.9237))).toBe('10.0 lb');
    expect(plain(us.warmer(10))).toBe('+18.0 °F');
    expect(plain(us.apart(-10))).toBe('18.0 °F');
  });

  it('show half-day clocks and the order of dates of whoever reads', () => {
    expect([us.time(at), us.timeOfDay(0), us.timeOfDay(1560)].map(plain)).toEqual([
      '3:40 PM',
      '12:00 AM',
      '2:00 AM',
    ]);
    expect(us.day(at)).toBe('Wed Nov 25');
    expect(house.timeOfDay(-60)).toBe('23:00');
    for (const language of ['ar', 'es'] as const) {
      expect(read({ language, clock: '12h' }).time(at)).not.toContain(' ');
    }
  });

  it('follow the language: decimal marks, dates, lists, days', () => {
    const [it, ar] = [read({ language: 'it' }), read({ language: 'ar' })];
    expect([it.kilograms(12_345_678), it.plain(2.5, 3), it.date('2026-03-29')].map(plain)).toEqual([
      '12 345,7 kg',
      '2,5',
      'dom 29 mar',
    ]);
    expect(plain(it.duration(4320))).toBe('3 giorni');
    expect(plain(it.money(12.4))).toBe('12,40 €');
    expect(house.list(['Maro', 'Ines', 'Tomi'])).toBe('Maro, Ines, Tomi');
    // Scales and thermometers show the same digits everywhere.
    expect(plain(ar.temperature(4.5))).toBe('4.5 °م');
    expect(ar.list(['أ', 'ب'])).toContain('ب');
  });
});

describe('a week', () => {
  it('is read from the day it begins on, each day once', () => {
    for (const [week, first] of [
      ['monday', 1],
      ['sunday', 7],
      ['saturday', 6],
    ] as const) {
      const { weekdays } = read({ week });
      expect(weekdays[0]).toBe(first);
      expect([...weekdays].sort()).toEqual([1, 2, 3, 4, 5, 6, 7]);
    }
  });
});
