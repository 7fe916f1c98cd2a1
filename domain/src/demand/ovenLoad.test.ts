import { describe, expect, it } from '@jest/globals';
import { ovenLoad } from './ovenLoad';

const DOORS = Date.parse('2026-11-25T16:30:00Z');
const service = { doorsMs: DOORS, closeMs: DOORS + 4 * 3_600_000 };
const ovens = [
  { name: 'Deck', heatUpMin: 45, ballsPerHour: 40 },
  { name: 'Stone', heatUpMin: 120, ballsPerHour: 60 },
];
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16);

describe('what ovens have to do', () => {
  it('is to be hot for the test bake before doors, the slowest lit first', () => {
    const { lightings, ballsPerHour, busiest } = ovenLoad(ovens, service, []);
    expect(lightings.map(({ name, atMs }) => `${name} ${clock(atMs)}`)).toEqual([
      'Stone 14:10',
      'Deck 15:25',
    ]);
    expect(ballsPerHour).toBe(100);
    expect(busiest).toBeNull();
  });

  it('is most in the hour in which most goes, of all products together', () => {
    // Quarters: of the first half in the second hour, of the second all in the third.
    const quarters = (...filled: number[]) =>
      Array.from({ length: 16 }, (_, i) => (filled.includes(i) ? 1 / filled.length : 0));
    const { busiest } = ovenLoad(ovens, service, [
      { balls: 80, curve: quarters(4, 5, 6, 7) },
      { balls: 60, curve: quarters(6, 7, 8, 9) },
      { balls: 500, curve: [] },
    ]);
    expect(clock(busiest?.fromMs ?? 0)).toBe('17:30');
    expect(busiest?.balls).toBeCloseTo(110, 9);
    const even = ovenLoad(ovens, service, [{ balls: 160, curve: Array(16).fill(1 / 16) }]);
    expect(even.busiest?.balls).toBeCloseTo(40, 9);
  });
});
