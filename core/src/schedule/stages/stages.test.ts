import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  countBack,
  coverageOf,
  stageKey,
  lotPosition,
  workOf,
  type PlannedWork,
  type ShiftTime,
} from './index';
import { workMinutes, type Route } from '../../formula/route';

const HOUR = 3_600_000;
const route: Route = [
  { kind: 'work', key: 'weigh', skill: 'mix', people: 1, rate: { fixedMin: 10, perLoadMin: 5 } },
  { kind: 'work', key: 'mix', skill: 'mix', people: 1, rate: { fixedMin: 0, perLoadMin: 15 } },
  {
    kind: 'rest',
    key: 'bulk',
    place: 'bench',
    airTempC: 22,
    container: 'tub',
    hours: { least: 1, preferred: 2, most: 3 },
  },
  {
    kind: 'work',
    key: 'divide-ball',
    skill: 'ball',
    people: 2,
    rate: { fixedMin: 10, perHundredBallsMin: 30 },
  },
  {
    kind: 'rest',
    key: 'cold',
    place: 'walk-in',
    airTempC: 4,
    container: 'lidded-tray',
    hours: { least: 24, preferred: 40, most: 60 },
  },
];
const doors = Date.UTC(2026, 10, 25, 16, 30);
const stages = countBack(route, doors, { loads: 2, balls: 100 });

describe('countBack', () => {
  it('ends at the doors and leaves no gaps', () => {
    expect(stages.at(-1)?.endMs).toBe(doors);
    stages.slice(1).forEach((stage, i) => expect(stage.startMs).toBe(stages[i]?.endMs));
  });

  it('counts work by the house rates and rest by preferred hours', () => {
    // 40 h cold + 40 min balling + 2 h bulk + 30 min mix + 20 min weigh
    expect(doors - (stages[0]?.startMs ?? 0)).toBe(43.5 * HOUR);
  });

  it('starts no later for a bigger lot', () => {
    const size = fc.record({ loads: fc.integer({ min: 1, max: 9 }), balls: fc.nat(900) });
    fc.assert(
      fc.property(size, size, (a, b) => {
        const bigger = { loads: a.loads + b.loads, balls: a.balls + b.balls };
        const startOf = (s: typeof a) => countBack(route, doors, s)[0]?.startMs ?? NaN;
        expect(startOf(bigger)).toBeLessThanOrEqual(startOf(a));
      }),
    );
  });

  it('never plans work of no length', () => {
    expect(workMinutes({ fixedMin: 0 }, { loads: 1, balls: 0 })).toBe(1);
  });
});

describe('coverageOf', () => {
  const balling = workOf(stages)[2] as PlannedWork;
  const shift = (personId: string, fromMin: number, toMin: number, skill = 'ball' as const) =>
    ({
      personId,
      skills: [skill],
      startMs: balling.startMs + fromMin * 60_000,
      endMs: balling.endMs + toMin * 60_000,
    }) satisfies ShiftTime;

  it('wants enough skilled people for the whole of it', () => {
    expect(coverageOf(balling, [shift('a', -10, 10), shift('b', 0, 0)])).toEqual({
      kind: 'covered',
      personIds: ['a', 'b'],
    });
  });

  it('tells the three ways it can fail apart', () => {
    expect(coverageOf(balling, [shift('a', -10, 10), shift('b', 5, 60)]).kind).toBe(
      'shift-too-short',
    );
    expect(coverageOf(balling, [shift('a', -10, 10)]).kind).toBe('skill-missing');
    expect(coverageOf(balling, [shift('a', 500, 900)]).kind).toBe('outside-every-shift');
  });

  it('does not count one person twice', () => {
    expect(coverageOf(balling, [shift('a', -60, 60), shift('a', -30, 90)]).kind).toBe(
      'skill-missing',
    );
  });
});

describe('where a lot stands', () => {
  const work = workOf(stages);
  const close = doors + 5 * HOUR;
  const record = (count: number) =>
    work.slice(0, count).map((w) => ({ stageKey: stageKey(w), doneMs: w.endMs }));
  const at = (atMs: number, done = record(0), nowMs = atMs) =>
    lotPosition(stages, done, atMs, nowMs, close);

  it('is to make, and says how late', () => {
    const first = work[0] as PlannedWork;
    expect(at(first.startMs - HOUR)).toMatchObject({ kind: 'to-make', lateMin: 0 });
    expect(at(first.startMs + HOUR)).toMatchObject({ kind: 'to-make', lateMin: 60 });
  });

  it('goes by the record, not the clock', () => {
    expect(at(doors - HOUR, record(2))).toMatchObject({ kind: 'resting', stage: 'bulk' });
    expect(at(doors - HOUR, record(1))).toMatchObject({ kind: 'at-work', stage: 'mix' });
    expect(at(doors - HOUR, record(3))).toMatchObject({
      kind: 'resting',
      stage: 'cold',
      next: null,
    });
  });

  it('takes the future to go as planned and forgets what is after the cursor', () => {
    const now = work[1]?.endMs ?? 0;
    expect(at(doors - HOUR, record(2), now)).toMatchObject({ kind: 'resting', stage: 'cold' });
    expect(at(now - 1, record(2), now)).toMatchObject({ kind: 'at-work', stage: 'mix' });
  });

  it('is serving once the doors are open and nothing is left to do', () => {
    expect(at(doors, record(3))).toEqual({ kind: 'serving', sinceMs: doors });
    expect(at(doors, record(2)).kind).toBe('resting');
  });

  it('is served after the close only when it was finished', () => {
    expect(at(close, record(3))).toEqual({ kind: 'served', sinceMs: close });
    expect(at(close, record(1)).kind).toBe('at-work');
  });
});
