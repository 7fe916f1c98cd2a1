import { describe, expect, it } from '@jest/globals';
import { LOOKED_AT_ROUTES, narrowedLots } from '../../test-support/lookedAtLots';
import type { DoughRoute } from '../../ferment/route/doughRoute';
import { STANDARD_TARGET } from '../../ferment/dough/state';
import { pointBetween } from '../../ferment/run/course';
import { simulate } from '../../ferment/run/simulate';
import { narrowLot, type HourOdds } from './narrow';
import type { ObservedLot } from './observed';

const ROUTES = LOOKED_AT_ROUTES;

function readyWindow(route: DoughRoute) {
  const way = simulate(route, { stepMin: 5 });
  return way.ok && way.value.window.kind === 'ready' ? way.value.window : null;
}

function riseAt(route: DoughRoute, hour: number): number {
  const way = simulate(route, { stepMin: 5 });
  if (!way.ok) throw new Error('the route is sound');
  return pointBetween(way.value.course, hour, STANDARD_TARGET, way.value.kinds).rise;
}

const width80 = (odds: HourOdds | undefined) => (odds ? odds.p90 - odds.p10 : 0);

describe('a lot that is looked at', () => {
  it('has its window narrowed by two marks and a look, which goes on holding the truth', () => {
    const { narrowed, held } = narrowedLots(11, 150);
    expect(narrowed).toBeGreaterThan(0.38);
    expect(held).toBeGreaterThan(0.72);
    expect(held).toBeLessThan(0.88);
  });

  it('is as it was planned while nothing was seen of it', () => {
    const [route] = ROUTES as [DoughRoute];
    const { before, after, yeastFactor, counted } = narrowLot({
      id: '1',
      day: '2026-11-25',
      route,
    });
    expect(after).toEqual(before);
    expect([yeastFactor, counted]).toEqual([1, 0]);
    expect(before?.peak.p50).toBeCloseTo(readyWindow(route)?.peakHour ?? 0, 9);
  });

  it('is earlier where it has risen more than was thought, and later where less', () => {
    const [, route] = ROUTES as [DoughRoute, DoughRoute];
    const of = (rise: number) =>
      narrowLot({ id: '1', day: '2026-11-25', route, marks: [{ hour: 20, rise }] });
    const [ahead, behind] = [of(1.75), of(1.25)];
    expect(ahead.after?.peak.p50).toBeLessThan((ahead.before?.peak.p50 ?? 0) - 0.5);
    expect(behind.after?.peak.p50).toBeGreaterThan((behind.before?.peak.p50 ?? 0) + 0.5);
    expect(ahead.yeastFactor).toBeGreaterThan(1);
    expect(behind.yeastFactor).toBeLessThan(1);
  });

  it('is moved by no mark of nothing or of forty, no boiling core, no looks in the wrong order', () => {
    const [route] = ROUTES as [DoughRoute];
    const lot: ObservedLot = {
      id: '1',
      day: '2026-11-25',
      route,
      readings: [{ hour: 3, coreTempC: 80 }],
      marks: [
        { hour: 3, rise: 0 },
        { hour: 4, rise: 40 },
        { hour: 400, rise: 1.5 },
      ],
      looks: [
        { hour: 40, found: 'late' },
        { hour: 43, found: 'early' },
      ],
    };
    const { before, after, counted, doubted } = narrowLot(lot);
    expect(after).toEqual(before);
    expect(counted).toBe(0);
    expect([...doubted].sort()).toEqual(
      ['core-temperature', 'hour', 'order', 'order', 'rise', 'rise'].sort(),
    );
  });

  it('is hardly moved by one mark that is a slip among honest ones', () => {
    const [, route] = ROUTES as [DoughRoute, DoughRoute];
    const marks = [13, 15, 17, 19].map((hour) => ({ hour, rise: riseAt(route, hour) }));
    const lot = { id: '1', day: '2026-11-25', route, marks };
    const honest = narrowLot(lot);
    const joke = narrowLot({ ...lot, marks: [...marks, { hour: 16, rise: 4 }] });
    const moved = Math.abs((joke.after?.peak.p50 ?? 0) - (honest.after?.peak.p50 ?? 0));
    const sd = width80(honest.before?.peak) / 2.56;
    expect(moved).toBeLessThan(0.3 * sd);
  });
});
