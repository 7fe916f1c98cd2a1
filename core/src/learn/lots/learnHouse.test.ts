import { describe, expect, it } from '@jest/globals';
import { randomOf } from '../../numerics';
import {
  drawHouse,
  learnedHouses,
  lotsOf,
  madeLots,
  valueOf,
  type MadeLot,
} from '../../test-support/madeHouse';
import { inHouse, learnHouse } from './learnHouse';
import type { ObservedLot } from './observed';

const HOUSES = 8;
const LOTS = 12;

describe('a house’s own numbers', () => {
  it('are found by twelve lots, with how sure they are, and foretell new lots twice as well', () => {
    const { offs, covered, foretold } = learnedHouses(5, HOUSES, LOTS);
    expect(offs['yeast-activity']).toBeLessThan(0.5);
    expect(offs['film:lidded-tray']).toBeLessThan(0.35);
    expect(offs['film:tub']).toBeLessThan(0.35);
    expect(covered).toBeGreaterThanOrEqual(0.88);
    expect(foretold.after).toBeLessThan(0.5 * foretold.before);
  });

  it('are left alone by four lots, by lots of one day, and by lots that nobody looked at', () => {
    const random = randomOf(8);
    const made = madeLots(drawHouse(random), random, LOTS);
    const ofOneDay = lotsOf(made).map((lot) => ({ ...lot, day: '2026-11-25' }));
    const unseen = lotsOf(made).map(({ id, day, route }) => ({ id, day, route }));
    for (const lots of [lotsOf(made).slice(0, 4), ofOneDay, unseen, []]) {
      const { constants, riseErrorPercent } = learnHouse(lots);
      expect(constants.filter(({ isMoved }) => isMoved)).toEqual([]);
      expect(riseErrorPercent.after).toBe(riseErrorPercent.before);
    }
    const [{ lot }] = made as [MadeLot];
    expect(inHouse(lot.route, learnHouse(lotsOf(made).slice(0, 4)).constants)).toMatchObject({
      yeastActivity: 1,
      endurance: 1,
    });
  });

  it('are moved by one joke among honest records by no more than 0.3 standard deviations', () => {
    const random = randomOf(21);
    const lots = lotsOf(madeLots(drawHouse(random), random, LOTS));
    const [first, ...others] = lots as [ObservedLot];
    const joke: ObservedLot = {
      ...first,
      marks: (first.marks ?? []).map(({ hour }) => ({ hour, rise: 5.5 })),
    };
    const honest = learnHouse(lots).constants;
    const moved = learnHouse([joke, ...others]).constants;
    for (const [i, constant] of honest.entries()) {
      const there = moved[i];
      if (!there || !constant.isMoved || !there.isMoved) continue;
      expect([
        constant.name,
        Math.abs(valueOf(there) - valueOf(constant)) / constant.sdBefore < 0.3,
      ]).toEqual([constant.name, true]);
    }
  });
});
