import { describe, expect, it } from '@jest/globals';
import type { Route } from '@calm/core';
import { keepsOnH, serviceLevelPercent } from './enoughPercent';

describe('how often there shall be enough', () => {
  const money = { kind: 'money', short: 4, left: 1 } as const;

  it('is as the house says it, or what a missing and a left ball cost', () => {
    const often = { serviceLevel: { kind: 'often', enoughPercent: 85 } } as const;
    expect(serviceLevelPercent(often, true)).toBe(85);
    expect(serviceLevelPercent({ serviceLevel: money })).toBe(80);
  });

  it('is more where what is left keeps for a later service, as far as that costs less', () => {
    const kept = { serviceLevel: { ...money, carried: 0.25 } };
    expect(serviceLevelPercent(kept, true)).toBeCloseTo((100 * 4) / 4.25, 9);
    expect(serviceLevelPercent(kept)).toBe(80);
    expect(serviceLevelPercent({ serviceLevel: money }, true)).toBe(80);
  });

  it('keeps as long as its route lets it stay in the cold', () => {
    const rest = { kind: 'rest', place: 'Walk-in', airTempC: 4, container: 'lidded-tray' } as const;
    const cold: Route = [{ ...rest, key: 'cold', hours: { least: 12, preferred: 20, most: 44 } }];
    expect(keepsOnH(cold)).toBe(24);
    const bench: Route = [{ ...rest, key: 'bulk', hours: { least: 1, preferred: 2, most: 3 } }];
    expect(keepsOnH(bench)).toBe(0);
  });
});
