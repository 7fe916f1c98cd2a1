import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { pieceRun } from './pieces';

describe('a run of pieces', () => {
  it('says nothing of none, and little of few', () => {
    expect(pieceRun([], 275, 2)).toBeNull();
    expect(pieceRun([300, 301], 275, 2)?.verdict).toBe('few');
    expect(() => pieceRun([1], 0, 2)).toThrow(RangeError);
  });

  it('finds the mean and scatter of numbers that are known', () => {
    expect(pieceRun([2, 4, 4, 4, 5, 5, 7, 9], 5, 50)).toMatchObject({
      pieces: 8,
      meanG: 5,
      offG: 0,
      scatterG: Math.sqrt(32 / 7),
      outside: 2,
    });
  });

  it('tells heavy from light, and looks at the last ten alone', () => {
    const heavy = [281, 282, 280, 281, 283, 281, 282, 280, 281, 282];
    expect(pieceRun(heavy, 275, 2)?.verdict).toBe('heavy');
    expect(pieceRun([...heavy, ...heavy.map((g) => g - 12)], 275, 2)?.verdict).toBe('light');
    expect(pieceRun([...heavy, ...heavy.map(() => 275)], 275, 2)).toMatchObject({
      verdict: 'good',
      pieces: 10,
    });
  });

  it('calls a hand that is right on the whole and wild from piece to piece scattered', () => {
    expect(pieceRun([275, 290, 260, 276, 288, 262, 274, 289, 261, 275], 275, 2)?.verdict).toBe(
      'scattered',
    );
  });

  it('moves with its target: as many grams off wherever that is', () => {
    const grams = fc.array(fc.double({ min: -20, max: 20, noNaN: true }), {
      minLength: 1,
      maxLength: 30,
    });
    fc.assert(
      fc.property(grams, fc.integer({ min: 100, max: 900 }), (offs, targetG) => {
        const run = pieceRun(
          offs.map((off) => targetG + off),
          targetG,
          2,
        );
        const last = offs.slice(-10);
        const mean = last.reduce((sum, off) => sum + off, 0) / last.length;
        expect(run?.offG).toBeCloseTo(mean, 6);
        expect(run?.meanG).toBeCloseTo(targetG + mean, 6);
      }),
    );
  });

  it('never calls what lies within a quarter of the tolerance heavy or light', () => {
    const close = fc.array(fc.double({ min: -1.3, max: 1.3, noNaN: true }), {
      minLength: 5,
      maxLength: 20,
    });
    fc.assert(
      fc.property(close, (offs) => {
        const run = pieceRun(
          offs.map((off) => 275 + off),
          275,
          2,
        );
        expect(run?.verdict).toBe('good');
      }),
    );
  });
});
