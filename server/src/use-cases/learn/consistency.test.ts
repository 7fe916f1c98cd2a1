import { paths, type ColdBoard, type Consistency } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HOUSE, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
let told: Consistency;
beforeAll(async () => {
  house = await startHouse();
  told = await house.get<Consistency>(paths.consistency(HOUSE));
});
afterAll(() => house.drop());

describe('how steady a house works', () => {
  it('is charted lot by lot, in time’s order', () => {
    const kinds = new Set(told.charts.map(({ kind }) => kind));
    expect([...kinds].sort()).toEqual(
      ['ball-weight', 'dough-out', 'probe', 'time-off-plan', 'walk-in', 'window'].sort(),
    );
    for (const { points } of told.charts) {
      expect(points.map(({ at }) => at)).toEqual(points.map(({ at }) => at).sort());
    }
  });

  it('shows whose hand is heavy', async () => {
    const { people } = await house.book();
    const heavy = told.charts
      .filter(({ kind }) => kind === 'ball-weight')
      .map(({ personId, points }) => ({
        name: people.find(({ id }) => id === personId)?.name,
        mean: points.reduce((sum, { value }) => sum + value, 0) / points.length,
      }));
    for (const { name, mean } of heavy) {
      if (name === 'Ossian') expect(mean).toBeGreaterThan(0.8);
      else expect(Math.abs(mean)).toBeLessThan(0.6);
    }
    expect(heavy.some(({ name }) => name === 'Ossian')).toBe(true);
  });

  it('shows which probe reads too much', async () => {
    const { probes } = await house.get<ColdBoard>(paths.cold(HOUSE));
    const off = told.charts
      .filter(({ kind }) => kind === 'probe')
      .map(({ probeId, points }) => ({
        name: probes.find(({ id }) => id === probeId)?.name,
        mean: points.reduce((sum, { value }) => sum + value, 0) / points.length,
      }));
    for (const { name, mean } of off) {
      expect(mean).toBeCloseTo(name === 'Under-counter' ? 0.8 : 0, 0);
      if (name === 'Under-counter') expect(mean).toBeGreaterThan(0.6);
      else expect(Math.abs(mean)).toBeLessThan(0.2);
    }
  });

  it('has what was mixed near what was wanted', () => {
    const values = told.charts.find(({ kind }) => kind === 'dough-out')?.points ?? [];
    expect(values.length).toBeGreaterThan(60);
    const mean = values.reduce((sum, { value }) => sum + value, 0) / values.length;
    expect(Math.abs(mean)).toBeLessThan(0.5);
  });

  it('reviews the last whole week', () => {
    const { week } = told;
    expect([week.from, week.to]).toEqual(['2026-11-16', '2026-11-22']);
    expect(week.lots).toBeGreaterThan(10);
    expect(week.opened.of).toBe(week.lots);
    expect(week.onTime.steps / week.onTime.of).toBeGreaterThan(0.9);
    expect(week.short.of).toBeGreaterThan(5);
    expect(week.forecastErrorPercent).toBeGreaterThan(0);
    expect(week.left?.kept).toBeGreaterThan(0);
  });
});
