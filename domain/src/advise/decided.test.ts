import type { LotRecord } from '@calm/contract';
import { HOUR_MS } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import type { DoughInProgress } from '../lots/lotHistory';
import { asDecided, decisionOf, wasAsMeant } from './decided';
import { whatNow, type WaitingLot } from './whatNow';

const MIXED_MS = Date.parse('2026-11-25T06:00:00Z');
const at = (hour: number) => MIXED_MS + hour * HOUR_MS;
const way: DoughInProgress = {
  mixedMs: MIXED_MS,
  places: ['Bench', 'Oven side'],
  document: {
    formula: {
      flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
      waterPercent: 62,
      saltPercent: 2.4,
      yeast: { form: 'fresh', percent: 0.8 },
    },
    ballWeightG: 275,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 1, airTempC: 23, container: 'tub', massKg: 10 },
      { kind: 'ball', hours: 11, airTempC: 24, container: 'lidded-tray' },
    ],
  },
};
const spots = [
  { name: 'Walk-in', airTempC: 3.5, container: 'lidded-tray' },
  { name: 'Oven side', airTempC: 24, container: 'lidded-tray' },
] as const;
const lot: WaitingLot = {
  way,
  trays: 'all',
  records: [],
  places: [],
  air: [],
  nowMs: at(2),
  services: [{ startMs: at(10), endMs: at(12), balls: 60 }],
  spots,
};
const told = (asked: WaitingLot) => {
  const answer = whatNow(asked);
  if (!answer.ok) throw new Error(JSON.stringify(answer.reasons));
  return answer.value;
};
const keepOf = (asked: WaitingLot) => told(asked).choices.find((choice) => choice.do === 'keep');

describe('a decision', () => {
  const chill = told(lot).choices.find(({ where }) => where === 'Walk-in');
  if (!chill) throw new Error('it can be chilled');
  const content = decisionOf(chill, lot);
  const record: LotRecord = {
    id: 'a',
    lotId: 'lot',
    at: new Date(lot.nowMs).toISOString(),
    receivedAt: new Date(lot.nowMs).toISOString(),
    personId: null,
    correctsId: null,
    content: { kind: 'decided', ...content, note: '' },
  };

  it('of what still stood in the cold moves those trays alone', () => {
    const ofCold: LotRecord = {
      ...record,
      content: { kind: 'decided', ...decisionOf(chill, { ...lot, trays: 'cold' }), note: '' },
    };
    expect(asDecided(way, [ofCold])).toBe(way);
    expect(asDecided(way, [ofCold], 'cold')).toEqual(asDecided(way, [record]));
    // Those that are out go on as was decided for all of them before.
    expect(asDecided(way, [record, ofCold])).toEqual(asDecided(way, [record]));
  });

  it('is what comes from now on, where and until when, and what it is meant to come to', () => {
    expect(content.stages[0]).toMatchObject({ kind: 'ball', place: 'Walk-in', airTempC: 3.5 });
    expect(content.stages.at(-1)?.place).toBe('Oven side');
    const until = content.stages.map(({ untilAt }) => untilAt);
    expect(until).toEqual([...until].sort());
    expect(content.meant.balls).toBe(Math.round(chill.balls));
  });

  it('is the way from then on: what it was meant to come to is what comes if nothing else is done', () => {
    const decided = { ...lot, way: asDecided(way, [record]) };
    expect(decided.way.places[decided.way.places.length - 1]).toBe('Oven side');
    expect(keepOf(lot)?.balls).toBeLessThan(5);
    expect(keepOf(decided)?.balls).toBeCloseTo(chill.balls, -0.5);
  });

  it('did what it was meant to, or not, once somebody saw how it opened', () => {
    const opened = (found: 'well' | 'tears', hour: number): LotRecord => ({
      ...record,
      id: 'c',
      at: new Date(at(hour)).toISOString(),
      content: { kind: 'opened', found, note: '' },
    });
    expect(wasAsMeant([record])).toBeNull();
    expect(wasAsMeant([record, opened('well', 1)])).toBeNull();
    expect(wasAsMeant([record, opened('well', 11)])).toBe(true);
    expect(wasAsMeant([record, opened('tears', 11)])).toBe(false);
  });

  it('moves nothing once it is taken back, nor where nothing is opened any more', () => {
    const back = {
      ...record,
      id: 'b',
      correctsId: 'a',
      content: { kind: 'taken-back' },
    } as LotRecord;
    expect(asDecided(way, [record, back])).toBe(way);
    const bin = { ...content, do: 'discard', stages: [] } as const;
    expect(asDecided(way, [{ ...record, content: { kind: 'decided', ...bin, note: '' } }])).toBe(
      way,
    );
  });
});

describe('how a lot stands', () => {
  it('says until when it may go back into the cold', () => {
    const { now, back } = told(lot);
    expect(now.state).toBe('waking');
    expect(back?.untilHour).toBeGreaterThanOrEqual(2);
    expect(back?.keepsUntilHour).toBeGreaterThan(14);
  });
});
