import { describe, expect, it } from '@jest/globals';
import { formulaNotes, type Formula, type FormulaSetting } from './index';

const plain: Formula = {
  flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
  waterPercent: 62,
  saltPercent: 2.5,
  yeast: { form: 'fresh', percent: 0.3 },
};
const kinds = (change: Partial<Formula>, setting?: FormulaSetting) =>
  formulaNotes({ ...plain, ...change }, setting).map(({ kind }) => kind);

describe('notes on a formula', () => {
  it('are none for an ordinary one', () => {
    expect(kinds({})).toEqual([]);
    expect(kinds({}, { routeHours: 48, mixerShare: 1 })).toEqual([]);
  });

  it.each([
    ['1.9 % salt', { saltPercent: 1.9 }, ['salt-low']],
    ['2 % salt', { saltPercent: 2 }, []],
    ['4.1 % salt', { saltPercent: 4.1 }, ['salt-high']],
    ['6 % sugar', { sugarPercent: 6 }, ['sugar-brakes']],
    ['no yeast', { yeast: { form: 'fresh' as const, percent: 0 } }, ['yeast-none']],
    ['1.2 % instant', { yeast: { form: 'instant' as const, percent: 1.2 } }, ['yeast-high']],
  ])('note %s', (_, change, expected) => {
    expect(kinds(change)).toEqual(expected);
  });

  it('count what every ingredient brings: salted butter, honey', () => {
    const part = { waterPercent: 0, saltPercent: 0, fatPercent: 0, sugarPercent: 0 };
    const honey = { name: 'honey', percent: 8, composition: { ...part, sugarPercent: 80 } };
    const butter = { name: 'butter', percent: 10, composition: { ...part, saltPercent: 16 } };
    expect(kinds({ additions: [honey] })).toEqual(['sugar-brakes']);
    expect(kinds({ additions: [butter] })).toEqual(['salt-high']);
  });

  it('look at the route and the mixer where they are known', () => {
    const instant = { yeast: { form: 'instant' as const, percent: 0.1 } };
    expect(kinds(instant, { routeHours: 72 })).toEqual(['fast-yeast-long-route']);
    expect(kinds(instant, { routeHours: 40 })).toEqual([]);
    expect(kinds({ waterPercent: 52 }, { mixerShare: 0.68 })).toEqual(['stiff-for-mixer']);
    const ripeness = { maturityH: 27, mostH: 25 };
    expect(formulaNotes(plain, { ripeness })).toEqual([{ kind: 'ripens-past-flour', ...ripeness }]);
  });
});
