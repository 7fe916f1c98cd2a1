import { describe, expect, it } from '@jest/globals';
import { FRESH_WEEK, weekRunOf, withMade, type EveningSum, type WeekRun } from './weekRun';

const sum: EveningSum = { cost: 12, best: 2, plain: 9, guests: 80, short: 10, thrown: 4 };

describe('a week under way', () => {
  const storage = weekRunOf('lantern-yard', 'ben', 'new-delivery');

  it('is kept on the device, and begins afresh where what is kept is none', () => {
    expect(storage.read()).toEqual(FRESH_WEEK);
    const run: WeekRun = {
      decisions: [[{ moment: 2, dough: 0, deed: { kind: 'stop' } }]],
      told: [sum],
      made: [[], [null, 3]],
    };
    storage.write(run);
    expect(storage.read()).toEqual(run);
    const { cost: _, ...partOf } = sum;
    for (const wrong of [
      '[]',
      'no',
      JSON.stringify({ ...run, told: [] }),
      JSON.stringify({ ...run, told: [partOf] }),
      JSON.stringify({ ...run, decisions: [[{}]] }),
      JSON.stringify({ ...run, made: [['three']] }),
    ]) {
      localStorage.setItem(storage.key, wrong);
      expect(storage.read()).toEqual(FRESH_WEEK);
    }
  });

  it('has what is made changed for one evening and dough, the others as planned', () => {
    const once = withMade(FRESH_WEEK, 2, 1, 5);
    expect(once.made).toEqual([[], [], [null, 5]]);
    expect(withMade(once, 2, 0, 0).made).toEqual([[], [], [0, 5]]);
    expect(FRESH_WEEK.made).toEqual([]);
  });
});
