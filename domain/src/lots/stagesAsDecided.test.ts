import type { DecidedRecord, DecidedStage, Lot } from '@calm/contract';
import { HOUR_MS, stageKey, type PlannedStage } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { deriveLot } from './deriveLot';
import { emptyMark } from './marks';
import { decidedMoves } from './decidedMoves';
import { stagesAsDecided } from './stagesAsDecided';

const DATE = '2026-11-25';
const book = exampleBook();
const product = book.products.find(({ slug }) => slug === 'yard-round');
if (!product) throw new Error('no yard-round');
const items = [
  { productId: product.id, name: product.name, count: 80, ballWeightG: 275, trimPercent: 0 },
];
const service = {
  patternId: 'dinner',
  name: 'Dinner',
  date: DATE,
  startsAt: `${DATE}T16:30:00.000Z`,
  endsAt: `${DATE}T21:30:00.000Z`,
  counts: [],
};
const derived = deriveLot(book, {
  product,
  items,
  services: [service],
  plan: { lots: [], moved: [], assumptions: [] } as never,
});
if (!derived) throw new Error('no lot');
const { stages } = derived;
const doorsMs = Date.parse(service.startsAt);
const pullOf = (some: readonly PlannedStage[]) => {
  const found = some.find(({ key }) => key === 'pull');
  if (!found) throw new Error('no pull');
  return found;
};

function lotWith(
  ways: readonly Pick<DecidedStage, 'airTempC' | 'untilAt' | 'isBalledAgain'>[],
  fromMs: number,
): Lot {
  const at = new Date(fromMs).toISOString();
  const decided: DecidedRecord = {
    id: 'd',
    lotId: 'x',
    at,
    receivedAt: at,
    personId: null,
    correctsId: null,
    content: {
      kind: 'decided',
      note: '',
      do: 'pull-later',
      where: null,
      fromAt: at,
      stages: ways.map((way) => ({
        ...way,
        kind: 'ball',
        container: 'lidded-tray',
        place: way.airTempC < 8 ? 'Walk-in' : 'Bench',
      })),
      meant: { opensAt: null, endsAt: null, balls: 80, odds: 0.9 },
    },
  };
  return { decided, marks: [], weighed: [] } as never;
}
const isoAt = (ms: number) => new Date(ms).toISOString();
const doorsLater = isoAt(doorsMs + 5 * HOUR_MS);

describe('stages of a lot whose way was decided', () => {
  const laterMs = doorsMs - 15 * 60_000;
  const later = lotWith(
    [
      { airTempC: 4, untilAt: isoAt(laterMs), isBalledAgain: false },
      { airTempC: 22, untilAt: doorsLater, isBalledAgain: false },
    ],
    doorsMs - 3 * HOUR_MS,
  );

  it('have the pull when it was decided, what is before it until then, and no gap', () => {
    const now = stagesAsDecided(stages, later);
    expect(pullOf(now).startMs).toBe(laterMs);
    expect(pullOf(now).endMs - pullOf(now).startMs).toBe(
      pullOf(stages).endMs - pullOf(stages).startMs,
    );
    now.slice(1).forEach((stage, i) => expect(stage.startMs).toBe(now[i]?.endMs));
    expect(now.map(stageKey)).toEqual(stages.map(stageKey));
  });

  it('have it now where it was decided to be pulled at once', () => {
    const nowMs = doorsMs - 5 * HOUR_MS;
    const lot = lotWith([{ airTempC: 22, untilAt: doorsLater, isBalledAgain: false }], nowMs);
    expect(pullOf(stagesAsDecided(stages, lot)).startMs).toBe(nowMs);
  });

  it('stay as they are where nothing was decided, it is done, or it is not opened any more', () => {
    const pull = pullOf(stages);
    const done = { ...emptyMark(0, stageKey(pull)), doneAt: isoAt(pull.endMs) };
    expect(stagesAsDecided(stages, { ...later, marks: [done] })).toBe(stages);
    expect(stagesAsDecided(stages, lotWith([], doorsMs))).toBe(stages);
    expect(stagesAsDecided(stages, null)).toBe(stages);
  });
});

describe('moves that were decided', () => {
  it('are those still to come, and when it is balled again', () => {
    const nowMs = doorsMs - 4 * HOUR_MS;
    const { decided } = lotWith(
      [
        { airTempC: 22, untilAt: isoAt(nowMs + HOUR_MS), isBalledAgain: false },
        { airTempC: 4, untilAt: isoAt(nowMs + 2 * HOUR_MS), isBalledAgain: true },
        { airTempC: 22, untilAt: doorsLater, isBalledAgain: false },
      ],
      nowMs,
    );
    if (!decided) throw new Error('decided');
    const placesFrom = (ms: number) => decidedMoves(decided, ms).map(({ place }) => place);
    expect(decidedMoves(decided, nowMs)[0]?.isBalledAgain).toBe(true);
    expect(placesFrom(nowMs)).toEqual(['Walk-in', 'Bench']);
    expect(placesFrom(nowMs + HOUR_MS)).toEqual(['Bench']);
  });
});
