import { describe, expect, it } from '@jest/globals';
import { makeFormats } from './format';

const at = Date.parse('2026-11-25T14:40:00Z');
const house = makeFormats({ locale: 'en-GB', timeZone: 'Europe/Copenhagen', units: 'metric' });
const us = makeFormats({ locale: 'en-US', timeZone: 'Europe/Copenhagen', units: 'us' });
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
    const comma = makeFormats({
      locale: 'en-GB',
      timeZone: 'UTC',
      units: 'metric',
      decimal: 'comma',
    });
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
  });
});
