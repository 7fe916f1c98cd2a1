import { describe, expect, it } from '@jest/globals';
import { meanAirC } from './airByHour';

const kitchen = [
  { fromMin: 22 * 60, airC: 18 },
  { fromMin: 7 * 60, airC: 24 },
];

describe('a place by the hour', () => {
  it('is as warm as its hours say, past midnight too', () => {
    expect(meanAirC(kitchen, 12 * 60, 14 * 60)).toBe(24);
    expect(meanAirC(kitchen, 23 * 60, 30 * 60)).toBe(18);
    expect(meanAirC(kitchen, 3 * 1440 + 60, 3 * 1440 + 120)).toBe(18);
    expect(meanAirC(kitchen, 6 * 60, 8 * 60)).toBe(21);
  });

  it('is its whole day’s mean over days', () => {
    expect(meanAirC(kitchen, 333, 333 + 5 * 1440)).toBeCloseTo((24 * 15 + 18 * 9) / 24, 9);
  });

  it('is not known where nothing is said', () => {
    expect(meanAirC([], 0, 60)).toBeNull();
    expect(meanAirC([{ fromMin: 600, airC: 26 }], 0, 0)).toBe(26);
  });
});
