import type { LoadRecord, LotLog, LotRecord, Mark } from '@calm/contract';
import { HOUR_MS, stageKey } from '@calm/core';
import { exampleBook, exampleLot } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { lotToLearn } from '../learn/learnedNumbers';
import { loggedLot } from '../lots/loggedLot';
import { emptyMark } from '../lots/marks';
import { doughAsItWent } from './doughAsItWent';
import { eveningDoughs } from './readingDoughs';

const book = exampleBook();
const [round] = eveningDoughs(book).map(({ product }) => product);
if (!round) throw new Error('the demo has a dough that is opened');

/** The demo's lot as planned, mixed so much earlier, so warm off the mixer. */
function logOf(earlierH: number, warmerC: number): LotLog {
  const plain = exampleLot(book, round as NonNullable<typeof round>);
  const logged = loggedLot(plain, null, book);
  const mix = logged?.stages.find((stage) => stage.kind === 'work' && stage.key === 'mix');
  if (!logged || !mix) throw new Error('the demo’s round is mixed');
  const doneAt = new Date(mix.endMs - earlierH * HOUR_MS).toISOString();
  const mark: Mark = { ...emptyMark(0, stageKey(mix)), doneAt };
  const load: LoadRecord = {
    number: 1,
    version: 1,
    roomTempC: 27,
    flourTempC: 20,
    tapTempC: 14,
    prefermentTempC: null,
    frictionC: 20,
    waterTempC: 10,
    doughOutC: plain.recipe.doughTempC + warmerC,
  };
  return {
    lot: { ...plain, loads: [load], marks: [mark] },
    isWithdrawn: false,
    planned: logged.stages,
    records: [],
  };
}

const went = (log: LotLog) => doughAsItWent(log, round, book, 0);

describe('a dough as it went', () => {
  it('is as planned where its record says so', () => {
    const told = went(logOf(0, 0));
    expect(told).toMatchObject({ productId: round.id, yeast: 1, strength: 1, roomC: 27 });
    expect(told?.olderH).toBeCloseTo(0, 6);
    expect(told?.doughBy).toBeCloseTo(0, 6);
  });

  it('is older by what it was mixed earlier, and warmer by what the thermometer said', () => {
    const told = went(logOf(3, 2));
    expect(told?.olderH).toBeCloseTo(3, 6);
    expect(told?.doughBy).toBeCloseTo(2, 6);
  });

  it('has stronger yeast where it was seen to have grown more, but not by what a warm cold did', () => {
    const log = logOf(0, 0);
    const risen: LotRecord = {
      id: 'risen',
      lotId: log.lot.id,
      at: new Date(Date.parse(log.lot.doorsAt) - 3 * HOUR_MS).toISOString(),
      receivedAt: null,
      personId: null,
      correctsId: null,
      content: { kind: 'risen', on: 'ball', from: 90, now: 105, note: '' },
    };
    const yeastWith = (coldBy: number) =>
      doughAsItWent({ ...log, records: [risen] }, round, book, coldBy)?.yeast ?? 0;
    expect(yeastWith(0)).toBeGreaterThan(1.01);
    expect(yeastWith(4)).toBeLessThan(yeastWith(0));
  });
});

describe('work that nobody marked', () => {
  it('was done as planned once the services are over, for what is learned too', () => {
    const { lot, planned } = logOf(0, 0);
    const looked: LotRecord = {
      id: 'looked',
      lotId: lot.id,
      at: lot.doorsAt,
      receivedAt: null,
      personId: null,
      correctsId: null,
      content: { kind: 'looked', found: 'right', coreTempC: null, note: '' },
    };
    const learned = lotToLearn({ lot, planned, records: [looked] }, book, [], () => null);
    expect(learned?.dough.stages.map(({ hours }) => hours > 0)).toEqual([true, true, true]);
  });
});
