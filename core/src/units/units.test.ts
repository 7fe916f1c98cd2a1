import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { cToF, deltaCToF, fToC, gToLb, gToOz, lbToG, ozToG, roundToScale } from './index';

describe('mass', () => {
  it('keeps the 1959 definitions', () => {
    expect(lbToG(1)).toBe(453.59237);
    expect(ozToG(16)).toBeCloseTo(lbToG(1), 9);
  });

  it('comes back unchanged', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1e6, noNaN: true }), (g) => {
        expect(ozToG(gToOz(g))).toBeCloseTo(g, 6);
        expect(lbToG(gToLb(g))).toBeCloseTo(g, 6);
      }),
    );
  });
});

describe('temperature', () => {
  it('knows freezing, boiling and the crossing point', () => {
    expect(cToF(0)).toBe(32);
    expect(cToF(100)).toBe(212);
    expect(fToC(-40)).toBe(-40);
    expect(deltaCToF(10)).toBe(18);
  });
});

describe('roundToScale', () => {
  it('shows what the scale would', () => {
    expect(roundToScale(123.456, 0.1)).toBe(123.5);
    expect(roundToScale(0.3, 0.1)).toBe(0.3);
    expect(roundToScale(1238, 5)).toBe(1240);
    expect(roundToScale(-2.5, 1)).toBe(-3);
  });

  it('is never off by more than half a step', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.constantFrom(0.01, 0.1, 1, 2, 5, 10),
        (g, step) => Math.abs(roundToScale(g, step) - g) <= step / 2 + 1e-6,
      ),
    );
  });
});
