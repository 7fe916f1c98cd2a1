import { describe, expect, it } from '@jest/globals';
import { learnWork, type WorkSample } from './work';

const took = (ratio: number, count: number, personId: string | null = null): WorkSample[] =>
  Array.from({ length: count }, (_, i) => ({
    kind: 'divide-ball',
    personId,
    plannedMin: 40,
    tookMin: 40 * ratio * (i % 2 ? 1.05 : 0.95),
  }));

describe('minutes of work', () => {
  it('are told once enough samples are sure of them, drawn to the plan', () => {
    const [balling] = learnWork(took(1.4, 20));
    expect(balling).toMatchObject({ kind: 'divide-ball', personId: null, samples: 20 });
    expect(balling?.factor).toBeGreaterThan(1.3);
    expect(balling?.factor).toBeLessThan(1.4);
    expect(learnWork(took(1.4, 4))).toEqual([]);
    expect(learnWork(took(1, 40))).toEqual([]);
  });

  it('are drawn to the house’s for each person', () => {
    const told = learnWork([...took(1, 30, 'a'), ...took(1.6, 8, 'b')]);
    const slow = told.find(({ personId }) => personId === 'b');
    expect(slow?.factor).toBeGreaterThan(1.3);
    expect(slow?.factor).toBeLessThan(1.6);
    expect(told.some(({ personId }) => personId === 'a')).toBe(false);
  });

  it('are not moved by a clock that was forgotten', () => {
    const forgotten = { kind: 'mix', personId: null, plannedMin: 20, tookMin: 500 };
    expect(learnWork(Array.from({ length: 9 }, () => forgotten))).toEqual([]);
  });
});
