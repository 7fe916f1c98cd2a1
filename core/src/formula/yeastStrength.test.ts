import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { YEAST_FORMS } from './yeast';
import { YEAST_PROOFS, yeastStrength } from './yeastStrength';

describe('how strong yeast is', () => {
  it('is that of new yeast where nothing is known', () => {
    for (const form of YEAST_FORMS) {
      expect(yeastStrength(form, { openDays: null, proof: null })).toBe(1);
    }
  });

  it('is what its proof test showed, however old its pack, and less the less it foamed', () => {
    const shown = YEAST_PROOFS.map((proof) => yeastStrength('fresh', { openDays: 40, proof }));
    expect(shown).toEqual([...shown].sort((a, b) => b - a));
    expect(shown[0]).toBe(1);
    expect(shown.at(-1)).toBeLessThan(0.05);
  });

  it('gets less by the day, fresh yeast first', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 1, max: 90 }),
        (days, more) => {
          const at = (openDays: number) =>
            YEAST_FORMS.map((form) => yeastStrength(form, { openDays, proof: null }));
          const [fresh = 0, active = 0, instant = 0] = at(days + more);
          expect(fresh).toBeLessThanOrEqual(active);
          expect(active).toBeLessThanOrEqual(instant);
          at(days).forEach((strength, i) =>
            expect(at(days + more)[i]).toBeLessThanOrEqual(strength),
          );
          expect(fresh).toBeGreaterThan(0);
        },
      ),
    );
    expect(yeastStrength('fresh', { openDays: 10, proof: null })).toBeCloseTo(0.86, 2);
  });
});
