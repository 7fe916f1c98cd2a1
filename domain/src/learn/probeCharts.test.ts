import type { ColdNote, Probe } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import { probeCharts } from './probeCharts';

const probe: Probe = {
  id: 'p',
  version: 1,
  name: 'Back',
  placeId: 'walk-in',
  zone: 'back',
  calibrations: [],
};
const round = (minute: number, airC: number, zone = 'back'): ColdNote => ({
  id: `${minute}`,
  at: new Date(minute * 60_000).toISOString(),
  receivedAt: null,
  personId: null,
  content: { kind: 'round', placeId: 'walk-in', zone, airC },
});

describe('a probe against a thermometer by hand', () => {
  it('is off by what it showed more just then, where it hangs', () => {
    const air = [{ probeId: 'p', atS: [0, 600, 1200], meanC: [4, 5, 6] }];
    const notes = [round(25, 5.2), round(12, 4.2), round(13, 1, 'door'), round(500, 3)];
    const [chart] = probeCharts([probe], air, notes);
    expect(chart?.points.map(({ value }) => value)).toEqual([
      expect.closeTo(0.8, 9),
      expect.closeTo(0.8, 9),
    ]);
    expect(chart?.points[0]?.at).toBe(new Date(12 * 60_000).toISOString());
  });
});
