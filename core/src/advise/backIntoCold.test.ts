import { describe, expect, it } from '@jest/globals';
import { ball, bulk, leanAt, yard } from '../test-support/doughs';
import { backIntoCold } from './backIntoCold';

const walkIn = { name: 'walk-in', airTempC: 4, container: 'lidded-tray' } as const;
const room = { ...yard, formula: leanAt(0.5), stages: [bulk(1, 22, 8), ball(8, 23)] };
const asked = (route: typeof yard, nowHour: number) => {
  const told = backIntoCold(route, nowHour, walkIn, 22);
  if (!told.ok) throw new Error(JSON.stringify(told.reasons));
  return told.value;
};

describe('back into the cold', () => {
  it('is possible for some hours, and the sooner the longer it keeps', () => {
    const [early, late] = [asked(room, 2), asked(room, 3)];
    expect(early.untilHour).toBeGreaterThan(2);
    expect(late.untilHour).toBeCloseTo(early.untilHour ?? 0, 0);
    expect(early.keepsUntilHour).toBeGreaterThan(late.keepsUntilHour ?? Infinity);
  });

  it('is too late for dough that has had its time', () => {
    expect(asked(room, 12)).toEqual({
      isTakenOut: false,
      untilHour: null,
      keepsUntilHour: null,
    });
  });

  it('is asked of dough that a kitchen can have', () => {
    expect(backIntoCold({ ...room, ballWeightG: 0 }, 1, walkIn, 22).ok).toBe(false);
  });

  it('is asked of balls in the cold as if they came out now', () => {
    const chilled = { ...room, stages: [bulk(1, 22, 8), ball(40, 4)] };
    const { isTakenOut, untilHour } = asked(chilled, 12);
    expect(isTakenOut).toBe(true);
    // Some hours of warmth, not the forty that the cold would give.
    expect(untilHour).toBeGreaterThan(12.5);
    expect(untilHour).toBeLessThan(22);
  });
});
