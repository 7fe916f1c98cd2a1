import { NO_PLAN } from '@calm/contract';
import type { PlannedLot, WeekProblem } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { shownLots } from './shownLots';

const lot = (id: string, serviceIds: readonly string[]): PlannedLot => ({
  id,
  doughId: 'yard',
  serviceIds,
  mixerId: 'spiral',
  loads: 1,
  doughKg: 10,
  steps: serviceIds.map((serviceId, i) => ({
    stage: 6,
    key: 'pull',
    skill: 'cold',
    startMin: i,
    endMin: i + 10,
    personIds: [],
    mixerId: null,
    serviceId,
  })),
  rests: [],
  cost: { quality: 0, unsocial: 0, mix: 0, change: 0 },
});
const problem = {
  services: ['lunch', 'dinner'].map((id) => ({ id, startMin: 0, endMin: 60 })),
  products: [{ id: 'round', doughId: 'yard', ballWeightG: 275, trimPercent: 0, ballsPerTray: 12 }],
  wanted: [{ serviceId: 'dinner', productId: 'round', count: 10 }],
} as unknown as WeekProblem;

describe('the lots that are shown', () => {
  it('leave out services that want nothing any more, with their steps', () => {
    const [shown] = shownLots({ ...NO_PLAN, lots: [lot('a', ['lunch', 'dinner'])] }, [], problem);
    expect(shown?.serviceIds).toEqual(['dinner']);
    expect(shown?.steps.map(({ serviceId }) => serviceId)).toEqual(['dinner']);
    expect(shownLots({ ...NO_PLAN, lots: [lot('a', ['lunch'])] }, [], problem)).toEqual([]);
  });

  it('are those under way before what is planned, each once', () => {
    const underWay = lot('a', ['dinner']);
    const shown = shownLots(
      { ...NO_PLAN, lots: [lot('b', ['dinner']), lot('a', ['dinner'])] },
      [underWay],
      problem,
    );
    expect(shown.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(shown[0]).toBe(underWay);
  });
});
