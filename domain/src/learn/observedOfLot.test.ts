import type { LotRecord } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import type { DoughInProgress } from '../lots/lotHistory';
import { narrowDocument } from './learnDocument';
import { observedOfLot } from './observedOfLot';

const MIXED = Date.parse('2026-11-24T18:00:00.000Z');
const dough: DoughInProgress = {
  mixedMs: MIXED,
  places: [],
  document: {
    formula: {
      flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
      waterPercent: 62,
      saltPercent: 2.6,
      yeast: { form: 'fresh', percent: 0.1 },
    },
    ballWeightG: 275,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 12, airTempC: 20, container: 'tub', massKg: 12 },
      { kind: 'ball', hours: 9, airTempC: 21, container: 'lidded-tray' },
    ],
  },
};
const record = (
  id: string,
  afterH: number,
  content: LotRecord['content'],
  correctsId: string | null = null,
): LotRecord => ({
  id,
  lotId: 'lot',
  at: new Date(MIXED + afterH * 3_600_000).toISOString(),
  receivedAt: null,
  personId: null,
  correctsId,
  content,
});
const looked = (found: 'early' | 'right' | 'late', coreTempC: number | null = null) =>
  ({ kind: 'looked', found, coreTempC, note: '' }) as const;

describe('what was seen of a lot', () => {
  it('is nothing until somebody looked', () => {
    expect(observedOfLot(dough, [])).toBeNull();
    expect(observedOfLot(dough, [record('a', 2, { kind: 'said', note: 'good skin' })])).toBeNull();
  });

  it('counts hours from the mixer; a slip that was put right is not seen', () => {
    const records = [
      record('a', 17, looked('late')),
      record('b', 17, looked('early', 19.5), 'a'),
      record('c', 21, { kind: 'opened', found: 'springs-back', note: '' }),
    ];
    expect(observedOfLot(dough, records)).toEqual({
      dough: dough.document,
      looks: [{ hour: 17, found: 'early' }],
      readings: [{ hour: 17, coreTempC: 19.5 }],
      marks: [],
      opened: { hour: 21, found: 'springs-back' },
    });
  });

  it('is read off marks, thermometers and fingers; a poke of a tub tells nothing of balls', () => {
    const poke = { kind: 'checked', check: 'poke', answer: 'stays', note: '' } as const;
    const records = [
      record('a', 3, poke),
      record('b', 11, { kind: 'risen', on: 'tub', from: 12, now: 24, note: '' }),
      record('c', 18, { kind: 'risen', on: 'ball', from: 90, now: 99, note: '' }),
      record('d', 18, { kind: 'core', coreTempC: 20.5, note: '' }),
      record('e', 20, { ...poke, answer: 'slowly' }),
      record('f', 21, { kind: 'checked', check: 'smell', answer: 'alcohol', note: '' }),
      record('g', 21, { kind: 'checked', check: 'skin', answer: 'dry', note: '' }),
    ];
    expect(observedOfLot(dough, records)).toEqual({
      dough: dough.document,
      looks: [
        { hour: 20, found: 'right' },
        { hour: 21, found: 'late' },
      ],
      readings: [{ hour: 18, coreTempC: 20.5 }],
      marks: [
        { hour: 11, rise: 2 },
        { hour: 18, rise: expect.closeTo(1.331, 6) as unknown as number },
      ],
    });
    expect(observedOfLot(dough, records.slice(0, 1))).toBeNull();
  });

  it('makes its window later where it was early, and narrower', () => {
    const observed = observedOfLot(dough, [record('a', 20, looked('early'))]);
    const narrowed = observed && narrowDocument(observed);
    if (!narrowed?.ok) throw new Error('the dough is sound');
    const { before, after } = narrowed.value;
    expect(after?.first.p50).toBeGreaterThan((before?.first.p50 ?? 0) + 0.5);
    const width = (of: typeof after) => (of ? of.first.p90 - of.first.p10 : 0);
    expect(width(after)).toBeLessThan(width(before));
  });
});
