import type { RecordOf } from '@calm/contract';
import type { YeastProof } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { asWeighed, formulaAsWeighed, packStrength, prefermentAsWeighed } from './asWeighed';
import { currentRecords } from './currentRecords';
import type { BoardLot } from './lotBoard';

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

describe('a pre-ferment as it was weighed', () => {
  const FLOUR_G = 20_000;
  const preferment = slab.preferment;
  if (!preferment) throw new Error('the slab has one');

  it('is itself where everything was weighed as wanted, or nothing was, or the dough has none', () => {
    expect(prefermentAsWeighed(slab, [], FLOUR_G)).toBe(slab);
    expect(prefermentAsWeighed(yard, [weighed(0, 'water', 9, 8)], FLOUR_G)).toBe(yard);
    const right = prefermentAsWeighed(slab, [weighed(0, 'water', 4000, 4000)], FLOUR_G);
    expect(right.preferment?.waterPercent).toBeCloseTo(preferment.waterPercent, 9);
    expect(right.preferment?.flourSharePercent).toBeCloseTo(preferment.flourSharePercent, 9);
  });

  it('brings its water and yeast into the dough: 200 g more of 20 kg flour is a percent', () => {
    const ownFlourG = (FLOUR_G * preferment.flourSharePercent) / 100;
    const off = prefermentAsWeighed(
      slab,
      [weighed(0, 'water', 4200, 4000), weighed(0, 'yeast', 12, 10)],
      FLOUR_G,
    );
    expect(off.waterPercent).toBeCloseTo(slab.waterPercent + 1, 9);
    expect(off.preferment?.waterPercent).toBeCloseTo(
      preferment.waterPercent + (100 * 200) / ownFlourG,
      9,
    );
    expect(off.preferment?.yeast.percent).toBeCloseTo(
      preferment.yeast.percent + (100 * 2) / ownFlourG,
      9,
    );
  });

  it('with more flour in it is a larger share of the dough, and stiffer', () => {
    const flour = weighed(0, `flour:${slab.flours[0]?.name ?? ''}`, 4400, 4000);
    const off = prefermentAsWeighed(slab, [flour], FLOUR_G);
    expect(off.preferment?.flourSharePercent).toBeCloseTo(preferment.flourSharePercent + 2, 9);
    expect(off.preferment?.waterPercent).toBeLessThan(preferment.waterPercent);
    expect(off.waterPercent).toBe(slab.waterPercent);
  });
});

describe('yeast as strong as its pack', () => {
  const told = (openedOn: string | null, proof: YeastProof | null) =>
    ({
      lot: {
        weighed: [],
        yeastPack: {
          id: 'r',
          at: '2026-11-25T10:00:00Z',
          content: { kind: 'yeast', openedOn, proof, note: '' },
        },
      },
      recipe: { formula: slab },
      scaled: { ok: false, reasons: [] },
    }) as unknown as BoardLot;

  it('is told by its proof test, or by how long it is open', () => {
    expect(packStrength(told('2026-11-15', null).lot, 'fresh')).toBeCloseTo(
      0.985 ** (10 + 10 / 24),
      9,
    );
    expect(packStrength(told('2026-11-15', 'domed').lot, 'fresh')).toBe(1);
    expect(packStrength(null, 'fresh')).toBe(1);
  });

  it('is that of the bowl, and of what is mixed ahead', () => {
    const { yeast, preferment } = asWeighed(told(null, 'bubbles'));
    expect(yeast.activity).toBe(0.5);
    expect(preferment?.yeast.activity).toBe(0.5);
    expect(yeast.percent).toBe(slab.yeast.percent);
  });
});
