import { describe, expect, it } from '@jest/globals';
import { isServiceTask, serviceTasks } from './serviceTasks';

const ovens = [
  { name: 'Deck', heatUpMin: 60, ballsPerHour: 40 },
  { name: 'Stone', heatUpMin: 120, ballsPerHour: 50 },
];
const dinner = {
  date: '2026-11-25',
  patternId: '0B1C2D3E-4F50-4617-8293-A4B5C6D7E8F9',
  startsAt: '2026-11-25T17:30:00.000Z',
};

describe('work before doors', () => {
  const tasks = serviceTasks(ovens, dinner, 150);

  it('is each oven in time for the test bake, flour, and the test bake, in time’s order', () => {
    expect(
      tasks.map(({ kind, oven, atMs }) => [kind, oven, new Date(atMs).toISOString().slice(11, 16)]),
    ).toEqual([
      ['light', 'Stone', '15:10'],
      ['light', 'Deck', '16:10'],
      ['flour', '', '17:00'],
      ['test-bake', '', '17:10'],
    ]);
  });

  it('says how much flour bench and peel take', () => {
    expect(tasks.find(({ kind }) => kind === 'flour')?.grams).toBe(900);
  });

  it('has a key of its own that a lot’s mark can carry', () => {
    const keys = tasks.map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    for (const key of keys) {
      expect(key).toMatch(/^[a-z0-9-]{1,60}$/);
      expect(isServiceTask(key)).toBe(true);
    }
    expect(isServiceTask('3-divide-ball')).toBe(false);
  });

  it('is another piece of work on another day, though balls of the same lot are carried there', () => {
    const next = serviceTasks(ovens, { ...dinner, date: '2026-11-26' }, 150);
    const keys = new Set(tasks.map(({ key }) => key));
    expect(next.filter(({ key }) => keys.has(key))).toEqual([]);
  });

  it('is none where nothing is baked', () => {
    expect(serviceTasks(ovens, dinner, 0)).toEqual([]);
  });
});
