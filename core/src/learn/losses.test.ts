import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { FEWEST_LOTS, learnResidue, learnTrim, type ResidueRecord } from './losses';

const prior = { perLoadG: 60, percent: 0.8 };
/** Lots that leave exactly this. */
const lots = (count: number, perLoadG: number, percent: number): ResidueRecord[] =>
  Array.from({ length: count }, (_, i) => {
    const loads = 1 + (i % 3);
    const doughG = loads * (12_000 + ((i * 7919) % 26) * 1000);
    return { loads, doughG, leftG: perLoadG * loads + (percent * doughG) / 100 };
  });

describe('what stays behind', () => {
  it('is not moved on fewer than five lots', () => {
    expect(learnResidue(lots(FEWEST_LOTS - 1, 200, 2), prior)).toBeNull();
    expect(learnResidue(lots(FEWEST_LOTS, 200, 2), prior)).not.toBeNull();
  });

  it('stays where it is when the lots say what the house has set', () => {
    const learned = learnResidue(lots(8, prior.perLoadG, prior.percent), prior);
    expect(learned?.perLoadG).toBeCloseTo(prior.perLoadG, 6);
    expect(learned?.percent).toBeCloseTo(prior.percent, 6);
  });

  it('comes to the truth with lots, and nearer with more', () => {
    const off = (count: number) => {
      const learned = learnResidue(lots(count, 90, 1.4), prior);
      // In grams of a usual load: the two parts may stand in for each other.
      return Math.abs((learned?.perLoadG ?? 0) + 280 * (learned?.percent ?? 0) - (90 + 280 * 1.4));
    };
    expect(off(40)).toBeLessThan(12);
    expect(off(40)).toBeLessThan(off(5));
  });

  it('is hardly moved by one bowl that was weighed wrongly', () => {
    const good = lots(20, 70, 0.9);
    const slip = good.map((lot, i) => (i === 4 ? { ...lot, leftG: 9000 } : lot));
    const [a, b] = [learnResidue(good, prior), learnResidue(slip, prior)];
    expect(Math.abs((a?.perLoadG ?? 0) - (b?.perLoadG ?? 0))).toBeLessThan(8);
    expect(Math.abs((a?.percent ?? 0) - (b?.percent ?? 0))).toBeLessThan(0.1);
  });

  it('is never less than nothing, whatever was written', () => {
    const record = fc.record({
      loads: fc.integer({ min: 1, max: 20 }),
      doughG: fc.double({ min: 100, max: 500_000, noNaN: true }),
      leftG: fc.double({ min: 0, max: 50_000, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(record, { minLength: 5, maxLength: 40 }), (records) => {
        const learned = learnResidue(records, prior);
        expect(learned?.perLoadG).toBeGreaterThanOrEqual(0);
        expect(learned?.percent).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});

describe('trim', () => {
  it('is the median share of what was sheeted', () => {
    const records = [5, 6, 7, 8, 90].map((trimG) => ({ sheetedG: 100, trimG }));
    expect(learnTrim(records)).toEqual({ percent: 7, lots: 5 });
    expect(learnTrim([...records, { sheetedG: 100, trimG: 6.5 }])?.percent).toBeCloseTo(6.75, 9);
    expect(learnTrim(records.slice(1))).toBeNull();
    expect(learnTrim(records.map((record) => ({ ...record, sheetedG: 0 })))).toBeNull();
  });
});
