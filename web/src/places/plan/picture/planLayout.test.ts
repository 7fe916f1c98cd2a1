import type { PlannedLot, PlannedStep } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { lanesOf, stacked, stepBeads, timeScale } from './planLayout';

const step = (startMin: number, endMin = startMin + 30): PlannedStep => ({
  stage: startMin,
  key: 'mix',
  skill: 'mix',
  startMin,
  endMin,
  personIds: ['maro'],
  mixerId: null,
  serviceId: null,
});
const lot = (doughId: string, startMin: number, serviceIds: readonly string[]): PlannedLot => ({
  id: `${doughId}/${serviceIds[0]}`,
  doughId,
  serviceIds,
  mixerId: 'spiral',
  loads: 1,
  doughKg: 10,
  steps: [step(startMin)],
  rests: [],
  cost: { quality: 0, unsocial: 0, mix: 0, change: 0 },
});
/** Services are named by the minute they end. */
const endOf = (serviceId: string) => Number(serviceId);

describe('time across', () => {
  it('puts a moment where it belongs, between its ends', () => {
    const scale = timeScale(0, 3_600_000, 100, 700);
    expect(scale.pxPerMin).toBe(10);
    expect([0, 1_800_000, 3_600_000].map(scale.toX)).toEqual([100, 400, 700]);
  });
});

describe('lanes', () => {
  it('hold lots of one dough that follow one another, and no two at once', () => {
    const lots = [
      lot('yard', 0, ['600']),
      lot('yard', 300, ['900']),
      lot('yard', 600, ['700', '1200']),
      lot('slab', 0, ['600']),
    ];
    const lanes = lanesOf(lots, ['yard', 'slab'], endOf);
    expect(lanes.map((lane) => [lane.doughId, lane.lots.map(({ id }) => id)])).toEqual([
      ['yard', ['yard/600', 'yard/700']],
      ['yard', ['yard/900']],
      ['slab', ['slab/600']],
    ]);
    expect(lanes.map(({ services }) => services)).toEqual([2, 1, 1]);
    expect(lanes.map(({ isFirstOfDough }) => isFirstOfDough)).toEqual([true, false, true]);
  });

  it('stand one below the other', () => {
    expect(stacked([10, 20, 5], (height) => height, 40).map(({ y }) => y)).toEqual([40, 50, 70]);
  });
});

describe('beads', () => {
  it('are shared by steps that stand too close, in time’s order', () => {
    const scale = { toX: (ms: number) => ms / 60_000 };
    const beads = stepBeads([step(200), step(0), step(30), step(60)], scale, 40);
    expect(beads.map(({ x, steps }) => [x, steps.length])).toEqual([
      [45, 3],
      [215, 1],
    ]);
  });
});
