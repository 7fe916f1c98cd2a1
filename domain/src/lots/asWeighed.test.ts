import type { RecordOf } from '@calm/contract';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { formulaAsWeighed } from './asWeighed';
import { currentRecords } from './currentRecords';

const yard = exampleBook().formulas.find(({ slug }) => slug === 'yard-dough')?.formula;
const slab = exampleBook().formulas.find(({ slug }) => slug === 'slab-dough')?.formula;
if (!yard || !slab) throw new Error('the demo has both');

let made = 0;
const weighed = (
  loadNumber: number,
  key: string,
  grams: number,
  wantedG: number,
  correctsId: string | null = null,
): RecordOf<'weighed'> => {
  made += 1;
  return {
    id: `r${made}`,
    lotId: 'lot',
    at: new Date(made * 1000).toISOString(),
    receivedAt: null,
    personId: null,
    correctsId,
    content: { kind: 'weighed', loadNumber, key, grams, wantedG },
  };
};

describe('a formula as it was weighed', () => {
  it('is itself where everything was weighed as wanted, or nothing was', () => {
    expect(formulaAsWeighed(yard, [], 20_000)).toEqual(yard);
    expect(formulaAsWeighed(yard, [weighed(1, 'yeast', 80, 80)], 20_000)).toEqual(yard);
  });

  it('has the yeast that went in: 80 g for 56 g is nearly half as much again', () => {
    const { yeast } = formulaAsWeighed(yard, [weighed(1, 'yeast', 80, 56)], 14_000);
    expect(yeast.percent).toBeCloseTo(yard.yeast.percent + (100 * 24) / 14_000, 9);
  });

  it('counts loads together, and what was corrected only once', () => {
    const slip = weighed(1, 'salt', 900, 520);
    const records = [slip, weighed(1, 'salt', 520, 520, slip.id), weighed(2, 'salt', 560, 520)];
    expect(
      formulaAsWeighed(yard, currentRecords(records, 'weighed'), 20_000).saltPercent,
    ).toBeCloseTo(yard.saltPercent + 0.1, 9);
  });

  it('has less water where what was held back was not used', () => {
    const [first, held] = [weighed(1, 'water', 11_780, 11_780), weighed(1, 'water', 0, 620)];
    const off = formulaAsWeighed(yard, [first, held], 20_000);
    expect(off.waterPercent).toBeCloseTo(yard.waterPercent - 3.1, 9);
    // In one load of two it is half of that.
    const other = weighed(2, 'water', 12_400, 12_400);
    expect(formulaAsWeighed(yard, [first, held, other], 20_000).waterPercent).toBeCloseTo(
      yard.waterPercent - 1.55,
      9,
    );
  });

  it('leaves what a pre-ferment brings as it is: only the bowl was weighed', () => {
    const off = formulaAsWeighed(slab, [weighed(1, 'yeast', 30, 20)], 20_000);
    expect(off.preferment).toEqual(slab.preferment);
    expect(off.yeast.percent).toBeCloseTo(slab.yeast.percent + 0.05, 9);
  });

  it('has less of all else where more flour went in', () => {
    const [white] = yard.flours;
    const more = formulaAsWeighed(
      yard,
      [weighed(1, `flour:${white?.name}`, 21_000, 20_000)],
      20_000,
    );
    expect(more.yeast.percent).toBeCloseTo(yard.yeast.percent / 1.05, 9);
    expect(more.waterPercent).toBeCloseTo(yard.waterPercent / 1.05, 9);
  });

  it('is never less than none of a line', () => {
    expect(formulaAsWeighed(yard, [weighed(1, 'yeast', 0, 800)], 20_000).yeast.percent).toBe(0);
  });
});
