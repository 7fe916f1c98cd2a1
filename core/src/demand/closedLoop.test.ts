import { randomOf } from '../numerics';
import { describe, expect, it } from '@jest/globals';
import {
  ballsToHave,
  expectAt,
  forecastSeries,
  goneBy,
  runsOutAt,
  usageCurve,
  type SoldDay,
} from './index';

/*
 * A house that makes what its own forecast says, week after week, and only sees what it sold.
 */

const WEEKS = 60;
const WARM_UP_WEEKS = 12;
const LEVEL = 110;
const WEEKDAYS = [0.8, 0.85, 1, 1.3, 1.4, 1.05];
const TRUE_CV = 0.2;
const curve = usageCurve(
  [
    { minute: 120, balls: 90 },
    { minute: 160, balls: 60 },
  ],
  300,
);

/** Runs the house; what it has ready covers so many of its services, and its forecast is so far off on average. */
function run(cover: number, seed: number) {
  const { normal } = randomOf(seed);
  const days: SoldDay[] = [];
  let [enough, services, expected, wanted] = [0, 0, 0, 0];
  for (let week = 0; week < WEEKS; week += 1) {
    const series = forecastSeries(days);
    for (let day = 0; day < WEEKDAYS.length; day += 1) {
      const date = new Date(Date.UTC(2025, 0, 7 + 7 * week + day)).toISOString().slice(0, 10);
      const mean = LEVEL * (WEEKDAYS[day] ?? 1);
      const asked = Math.max(
        0,
        Math.round(mean * (1 + TRUE_CV * normal()) + Math.sqrt(mean) * normal()),
      );
      const forecast = expectAt(series, date, Math.round(mean));
      const ready = ballsToHave(forecast.mean, forecast.spread, cover);
      const sold = Math.min(asked, ready);
      const outMin = runsOutAt(curve, ready, asked);
      const isSoldOut = outMin !== null;
      const goneShare = goneBy(curve, Math.ceil(outMin ?? 300));
      days.push({ date, sold, ...(isSoldOut && { isSoldOut, goneShare }) });
      if (week < WARM_UP_WEEKS) continue;
      services += 1;
      if (!isSoldOut) enough += 1;
      expected += forecast.mean;
      wanted += asked;
    }
  }
  return { covered: enough / services, bias: expected / wanted - 1 };
}

describe('a house that makes what its forecast says', () => {
  it.each([
    [0.8, 0.77, 0.83],
    [0.6, 0.55, 0.65],
  ])('asked to cover %d of its services covers %d to %d, without drift', (cover, least, most) => {
    const runs = [11, 26, 2025].map((seed) => run(cover, seed));
    const covered = runs.reduce((sum, each) => sum + each.covered, 0) / runs.length;
    const bias = runs.reduce((sum, each) => sum + each.bias, 0) / runs.length;
    expect(covered).toBeGreaterThan(least);
    expect(covered).toBeLessThan(most);
    expect(Math.abs(bias)).toBeLessThan(0.02);
  });
});
