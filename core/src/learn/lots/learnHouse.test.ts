import { describe, expect, it } from '@jest/globals';
import { STANDARD_TARGET } from '../../ferment/dough/state';
import { pointBetween } from '../../ferment/run/course';
import { simulate } from '../../ferment/run/simulate';
import { randomOf } from '../../numerics';
import { drawHouse, madeLots, type HouseTruth, type MadeLot } from '../../test-support/madeHouse';
import { inHouse, learnHouse, type LearnedConstant, type LearnedHouse } from './learnHouse';
import type { ObservedLot } from './observed';

const HOUSES = 8;
const LOTS = 12;

const valueOf = ({ by }: LearnedConstant) => ('shift' in by ? by.shift : Math.log(by.factor));
const truthOf = ({ name }: LearnedConstant, truth: HouseTruth): number => {
  if (name === 'yeast-activity') return truth.yeast;
  if (name === 'cold-end') return truth.cold;
  if (name.startsWith('endurance:')) return truth.endurance;
  return truth.films[name.slice('film:'.length) as 'tub'] ?? 0;
};
const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
const lotsOf = (made: readonly MadeLot[]): ObservedLot[] => made.map(({ lot }) => lot);

/** How far the volume of new lots is off as they open, mean square of ln. */
function foretoldOff(made: readonly MadeLot[], { constants }: LearnedHouse): number {
  const squares = made.map(({ lot, way, openedHour }) => {
    const told = simulate(inHouse(lot.route, constants), { stepMin: 5 });
    if (!told.ok) throw new Error('a made-up lot is sound');
    const volumeIn = (of: typeof way) =>
      pointBetween(of.course, openedHour, STANDARD_TARGET, of.kinds).volume;
    return Math.log(volumeIn(told.value) / volumeIn(way)) ** 2;
  });
  return mean(squares);
}

const NOTHING: LearnedHouse = { constants: [], riseErrorPercent: { before: 0, after: 0 } };

describe('a house’s own numbers', () => {
  it('are found by twelve lots, with how sure they are, and foretell new lots twice as well', () => {
    const random = randomOf(5);
    const offs: Record<string, number[]> = {};
    const covered: boolean[] = [];
    const told = { before: 0, after: 0 };
    for (let house = 0; house < HOUSES; house += 1) {
      const truth = drawHouse(random);
      const learned = learnHouse(lotsOf(madeLots(truth, random, LOTS)));
      for (const constant of learned.constants.filter(({ why }) => why === 'learned')) {
        const off = Math.abs(valueOf(constant) - truthOf(constant, truth));
        (offs[constant.name] ??= []).push(off / constant.sdBefore);
        covered.push(off <= 2 * constant.sdAfter);
      }
      const later = madeLots(truth, random, LOTS);
      told.before += foretoldOff(later, NOTHING) / HOUSES;
      told.after += foretoldOff(later, learned) / HOUSES;
    }
    expect(mean(offs['yeast-activity'] ?? [])).toBeLessThan(0.5);
    expect(mean(offs['film:lidded-tray'] ?? [])).toBeLessThan(0.35);
    expect(mean(offs['film:tub'] ?? [])).toBeLessThan(0.35);
    expect(covered.filter(Boolean).length / covered.length).toBeGreaterThanOrEqual(0.88);
    expect(Math.sqrt(told.after)).toBeLessThan(0.5 * Math.sqrt(told.before));
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
