import { describe, expect, it } from '@jest/globals';
import { randomOf } from '../../numerics';
import { practisedEvening } from '../../test-support/practisedEvening';
import { debriefOf, eveningScore } from './debrief';
import { costsOfDecisions, playedEvening, playsOf, type Decision } from './decisions';
import { momentsOf, type Evening } from './evening';
import {
  eveningSoFar,
  lookAtTray,
  nextEvent,
  opensOf,
  quickOpens,
  saidOnCall,
} from './eveningSoFar';
import { weighedCost } from './scoreEvening';

const evening = practisedEvening(24);
const warm = practisedEvening(31);

const pull = (moment: number, ...trays: number[]): Decision => ({
  moment,
  dough: 0,
  deed: { kind: 'trays', act: 'pull', trays },
});

describe('an evening that is played', () => {
  const decisions: Decision[] = [
    pull(0, 0, 1),
    { moment: 1, dough: 0, deed: { kind: 'look', tray: 0 } },
    { moment: 1, dough: 0, deed: { kind: 'call' } },
    pull(3, 2),
    { moment: 8, dough: 0, deed: { kind: 'stop' } },
  ];

  it('does only what can be done', () => {
    const [play] = playsOf(evening, [...decisions, pull(5, 0, 3)]);
    expect(play?.trays.map((way) => way.length)).toEqual([1, 1, 1, 1]);
    expect(play?.stop).toBe(8);
    const [none] = playsOf({ ...evening, hasMixer: false }, [
      { moment: 0, dough: 0, deed: { kind: 'mix', water: 'warm' } },
    ]);
    expect(none?.quick).toBeNull();
  });

  it('counts finding out as minutes, and nothing else', () => {
    const [, look, call] = costsOfDecisions(evening, decisions);
    expect(look).toMatchObject({ short: 0, told: 0, bad: 0, thrown: 0 });
    expect(look?.minutes).toBeCloseTo(3, 9);
    expect(call?.minutes).toBeCloseTo(10, 9);
    const alone = { ...evening, hands: 2 };
    expect(playedEvening(alone, decisions).cost.minutes).toBeCloseTo(
      2 * playedEvening(evening, decisions).cost.minutes,
      9,
    );
  });

  it('is, at its end, what was seen of it on the way', () => {
    const whole = playedEvening(evening, decisions);
    const [end] = eveningSoFar(evening, decisions, momentsOf(evening));
    expect(end?.short).toBeCloseTo(whole.cost.short, 9);
    expect(end?.told).toBeCloseTo(whole.cost.told, 9);
    expect(end?.bad).toBeCloseTo(whole.cost.bad, 9);
    const [doors] = eveningSoFar(evening, decisions, 4);
    expect(doors?.guests).toBe(0);
    expect(doors?.trays.map(({ trays, place }) => [place, trays.length])).toEqual([
      ['out', 2],
      ['out', 1],
      ['cold', 1],
    ]);
  });

  it('goes on to the doors, to guests who are sent away, to closing', () => {
    expect(nextEvent(evening, [], 0)).toBe(4);
    const first = nextEvent(evening, [], 4);
    const [then] = eveningSoFar(evening, [], first);
    expect(then?.short).toBeGreaterThan(0);
    const all = [pull(0, 0), pull(2, 1), pull(3, 2), pull(4, 3)];
    expect(nextEvent(evening, all, momentsOf(evening) - 1)).toBe(momentsOf(evening));
  });

  it('mixes dough beside that opens within the evening, warm water the sooner', () => {
    const mixed = (water: 'cool' | 'warm') =>
      playedEvening(evening, [{ moment: 0, dough: 0, deed: { kind: 'mix', water } }]);
    const none = playedEvening(evening, []);
    expect(mixed('warm').cost.short).toBeLessThan(none.cost.short);
    expect(mixed('warm').cost.short).toBeLessThanOrEqual(mixed('cool').cost.short);
  });
});

describe('what is seen and said of a dough', () => {
  it('is older on a warm bench', () => {
    const pulled = [pull(0, 0)];
    const lookIn = (each: Evening) =>
      lookAtTray(each, pulled, { dough: 0, tray: 0, moment: 5 }, randomOf(1));
    expect(lookIn(warm).coreTempC).toBeGreaterThan(lookIn(evening).coreTempC);
    const widthIn = (each: Evening) => {
      const { silhouette } = lookIn(each);
      return silhouette.form === 'ball' ? silhouette.width : NaN;
    };
    expect(widthIn(warm)).toBeGreaterThan(widthIn(evening));
    expect(lookIn(evening).hoursHere).toBeCloseTo(2.5, 9);
    expect(() => lookAtTray(evening, [], { dough: 0, tray: 9, moment: 0 }, randomOf(1))).toThrow(
      RangeError,
    );
  });

  it('opens sooner when it is pulled sooner, or on a warm bench', () => {
    const [now, later] = evening.doughs.flatMap((dough) => saidOnCall(evening, dough, 0));
    expect(later?.fromMin ?? Infinity).toBeGreaterThan(now?.fromMin ?? Infinity);
    const fromIn = (each: Evening) =>
      each.doughs.flatMap((dough) =>
        dough.trays.map(
          (tray) => opensOf(each, dough, tray, [{ act: 'pull', moment: 2 }])?.fromMin,
        ),
      )[0];
    expect(fromIn(warm)).toBeLessThan(fromIn(evening) ?? 0);
    const quickIn = (water: 'cool' | 'warm') =>
      evening.doughs.map((dough) => quickOpens(evening, dough, { moment: 0, water })?.fromMin)[0];
    expect(quickIn('warm')).toBeLessThan(quickIn('cool') ?? Infinity);
    const [dough] = evening.doughs;
    const none = { ...evening, hasMixer: false };
    expect(dough && quickOpens(none, dough, { moment: 0, water: 'warm' })).toBeNull();
  });
});

describe('the debrief', () => {
  it('is never better than the best in hindsight, and tells what was believed beside what was', () => {
    const shares: number[] = [];
    const told = debriefOf(warm, evening, [pull(0, 0, 1), pull(6, 2)], (share) =>
      shares.push(share),
    );
    expect(weighedCost(told.best)).toBeLessThanOrEqual(weighedCost(told.cost) + 1e-9);
    expect(weighedCost(told.best)).toBeLessThan(weighedCost(told.plain));
    expect(told.guests).toBe(33);
    const [first] = told.doughs[0]?.trays ?? [];
    expect(first?.trays).toBe(2);
    expect(first?.really?.fromMin).toBeLessThanOrEqual(first?.believed?.fromMin ?? 0);
    expect(told.decisions).toHaveLength(2);
    expect(told.decisions[0]?.short).toBeLessThan(0);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(told.score).toBeGreaterThan(0);
    expect(told.score).toBeLessThanOrEqual(1);
  });

  it('scores sending everybody away as nothing', () => {
    expect(eveningScore(100, 0, 100)).toBe(0);
    expect(eveningScore(4, 4, 100)).toBe(1);
  });
});
