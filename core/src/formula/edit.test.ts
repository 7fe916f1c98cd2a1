import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  editLines,
  withGrams,
  withPercent,
  withPerLitre,
  type EditKey,
  type Formula,
  toPerLitre,
  totalPercent,
} from './index';
import { anyFormula } from '../test-support/arbitraries';

const two: Formula = {
  flours: [
    { name: 'strong white', percent: 80, strengthW: 300 },
    { name: 'medium white', percent: 20, strengthW: 220 },
  ],
  waterPercent: 62,
  saltPercent: 2.5,
  additions: [{ name: 'malt', percent: 0.5 }],
  yeast: { form: 'fresh', percent: 0.4 },
};
const flour = (index: number): EditKey => ({ kind: 'flour', index });
const sumOf = (formula: Formula) => formula.flours.reduce((sum, f) => sum + f.percent, 0);
const anyAmount = fc.double({ min: 0.1, max: 95, noNaN: true });
const anyKey: fc.Arbitrary<EditKey> = fc.oneof(
  fc.constantFrom('salt', 'sugar', 'oil', 'yeast').map((kind) => ({ kind }) as EditKey),
  fc.nat(2).map(flour),
);
const percentAt = (formula: Formula, key: EditKey) =>
  editLines(formula).find((line) => JSON.stringify(line.key) === JSON.stringify(key))?.percent;

describe('editing a formula', () => {
  it('shows every ingredient, those at nothing too', () => {
    expect(editLines(two).map(({ name, percent }) => `${name} ${percent}`)).toEqual([
      'strong white 80',
      'medium white 20',
      'water 62',
      'salt 2.5',
      'sugar 0',
      'oil 0',
      'malt 0.5',
      'fresh yeast 0.4',
    ]);
  });

  it('by percent changes that one; the other flours make room', () => {
    const changed = withPercent(two, flour(0), 70);
    expect(changed.flours.map((f) => f.percent)).toEqual([70, 30]);
    expect(withPercent(two, { kind: 'salt' }, 3)).toEqual({ ...two, saltPercent: 3 });
    expect(withPercent(two, { kind: 'addition', index: 0 }, 1).additions?.[0]?.percent).toBe(1);
    const only = { ...two, flours: [{ name: 'white', percent: 100 }] };
    expect(withPercent(only, flour(0), 60).flours[0]?.percent).toBe(100);
    const none = { ...two, flours: two.flours.map((f, i) => ({ ...f, percent: i ? 0 : 100 })) };
    expect(withPercent(none, flour(0), 90).flours.map((f) => f.percent)).toEqual([90, 10]);
  });

  it('keeps flours at 100 and everything else as it was', () => {
    fc.assert(
      fc.property(anyFormula, anyKey, anyAmount, (formula, key, percent) => {
        const changed = withPercent(formula, key, percent);
        expect(sumOf(changed)).toBeCloseTo(100, 9);
        if (key.kind === 'flour') {
          expect(totalPercent(changed)).toBeCloseTo(totalPercent(formula), 9);
        } else {
          expect(changed.flours).toEqual(formula.flours);
          expect(percentAt(changed, key)).toBe(percent);
        }
      }),
    );
  });

  it('per litre leaves the rest per litre as it was, and percents agree', () => {
    const base = toPerLitre(two);
    const more = withPerLitre(two, flour(1), (base.flours[1]?.gPerLitre ?? 0) + 100);
    const after = toPerLitre(more);
    expect(after.flours[0]?.gPerLitre).toBeCloseTo(base.flours[0]?.gPerLitre ?? NaN, 9);
    expect(after.saltGPerLitre).toBeCloseTo(base.saltGPerLitre, 9);
    expect(sumOf(more)).toBeCloseTo(100, 9);
    expect(more.waterPercent).toBeLessThan(62);
    expect(withPerLitre(two, { kind: 'salt' }, 50).saltPercent).toBeCloseTo(3.1, 9);
    expect(withPerLitre(two, { kind: 'water' }, 5)).toBe(two);
  });

  it('in grams leaves the rest of the batch in grams as it was', () => {
    const salted = withGrams(two, { kind: 'salt' }, 300, 10_000);
    expect(salted.flourG).toBe(10_000);
    expect(salted.formula.saltPercent).toBeCloseTo(3, 12);
    const floured = withGrams(two, flour(0), 9000, 10_000);
    expect(floured.flourG).toBeCloseTo(11_000, 6);
    expect((floured.formula.waterPercent * floured.flourG) / 100).toBeCloseTo(6200, 6);
    expect((floured.formula.saltPercent * floured.flourG) / 100).toBeCloseTo(250, 6);
    const share = floured.formula.flours[0]?.percent ?? NaN;
    expect((share * floured.flourG) / 100).toBeCloseTo(9000, 6);
  });

  it('there and back is the same formula, by grams and per litre', () => {
    fc.assert(
      fc.property(anyFormula, anyKey, anyAmount, (formula, key, grams) => {
        const was = percentAt(formula, key);
        if (was === undefined) return;
        const litre = (was * 1000) / formula.waterPercent;
        const back = withPerLitre(withPerLitre(formula, key, litre + grams), key, litre);
        expect(percentAt(back, key)).toBeCloseTo(was, 6);
        expect(back.saltPercent).toBeCloseTo(key.kind === 'salt' ? was : formula.saltPercent, 6);
        const there = withGrams(formula, key, was * 100 + grams, 10_000);
        const home = withGrams(there.formula, key, was * 100, there.flourG);
        expect(home.flourG).toBeCloseTo(10_000, 4);
        expect(percentAt(home.formula, key)).toBeCloseTo(was, 6);
      }),
    );
  });
});
