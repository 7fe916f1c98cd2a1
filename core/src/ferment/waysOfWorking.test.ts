import { describe, expect, it } from '@jest/globals';
import type { YeastDose } from '../formula';
import type { Container } from '../formula/route';
import { simulate, STANDARD_TARGET, type DoughRoute, type DoughStage, type Target } from './index';

/*
 * Twenty-one ordinary ways of working, each with an ordinary dose, flour and hours: each has a window.
 */

const bulk = (hours: number, airTempC: number, massKg = 5): DoughStage => ({
  kind: 'bulk',
  hours,
  airTempC,
  container: 'tub',
  massKg,
});
const knock = (stage: DoughStage): DoughStage => ({ ...stage, shaping: 'knock-back' });
const fold = (stage: DoughStage): DoughStage => ({ ...stage, shaping: 'gentle' });
const balls = (
  hours: number,
  airTempC: number,
  container: Container = 'lidded-tray',
): DoughStage => ({ kind: 'ball', hours, airTempC, container });
const fresh = (percent: number): YeastDose => ({ form: 'fresh', percent });
const dry = (percent: number, isPreWetted = false): YeastDose => ({
  form: 'active-dry',
  percent,
  isPreWetted,
});
const instant = (percent: number): YeastDose => ({ form: 'instant', percent });
/** Sheeted and flat-baked dough is opened before it has risen much. */
const LOW: Target = { ...STANDARD_TARGET, riseMin: 1.1, risePeak: 1.3, riseMax: 1.7 };

interface Way {
  readonly w: number;
  readonly yeast: YeastDose;
  readonly stages: readonly DoughStage[];
  readonly water?: number;
  readonly salt?: number;
  readonly oil?: number;
  readonly sugar?: number;
  readonly malt?: number;
  readonly off?: number;
  readonly target?: Target;
}

const WAYS: Readonly<Record<string, Way>> = {
  'hand-kneaded, doubled warm, knocked back, split, half an hour': {
    w: 260,
    yeast: dry(0.6),
    oil: 3,
    stages: [bulk(2, 26), knock(bulk(0.25, 26)), balls(0.75, 25)],
    off: 26,
  },
  'a small dry dose woken in water, warm, then a day cold in bulk': {
    w: 300,
    yeast: dry(0.18, true),
    stages: [bulk(1.5, 25), bulk(22, 4), balls(5, 22)],
  },
  'barely kneaded, a day at room, two days cold, balled, cold again': {
    w: 320,
    yeast: fresh(0.1),
    water: 68,
    stages: [bulk(24, 19), bulk(48, 4), balls(12, 4), balls(3, 23)],
    off: 20,
  },
  'some whole grain and sweetener, cold bulk overnight, cold proof': {
    w: 300,
    yeast: instant(0.2),
    sugar: 2,
    stages: [bulk(14, 5), balls(10, 5), balls(3, 23)],
  },
  'warm until double, single oiled tubs overnight': {
    w: 250,
    yeast: dry(0.25, true),
    stages: [bulk(2.5, 25), balls(14, 4, 'single-tub'), balls(2, 22)],
  },
  'all per litre, two hours, balls for a day at room': {
    w: 300,
    yeast: fresh(0.1),
    water: 59,
    salt: 2.9,
    stages: [bulk(2, 21), balls(21, 21)],
  },
  'stirred, overnight at room, folded soft': {
    w: 280,
    yeast: instant(0.06),
    water: 75,
    stages: [bulk(18, 21), fold(balls(0.9, 22))],
    off: 21,
  },
  'direct at scale, straight to the cold, three days': {
    w: 300,
    yeast: fresh(0.4),
    oil: 2,
    stages: [bulk(0.5, 22, 20), balls(66, 4), balls(3, 23)],
  },
  'stiff, sheeted, trim back in': {
    w: 260,
    yeast: instant(0.2),
    water: 50,
    oil: 4,
    stages: [bulk(1, 22), knock(bulk(1, 22)), balls(2, 22)],
    target: LOW,
  },
  'same-day balls, six to eight hours': {
    w: 270,
    yeast: fresh(0.3),
    water: 60,
    stages: [bulk(0.75, 23), balls(7.5, 23)],
  },
  'a batter of half the flour first, balls six hours': {
    w: 260,
    yeast: fresh(0.4),
    sugar: 0.5,
    stages: [bulk(0.5, 24), bulk(0.75, 24), balls(5, 23)],
  },
  'quick, two rests of half an hour': {
    w: 320,
    yeast: fresh(2.5),
    off: 28,
    stages: [bulk(0.6, 28), balls(0.6, 28)],
  },
  'straight to the cold in bulk, two to four days': {
    w: 320,
    yeast: instant(0.25),
    stages: [bulk(0.5, 22), bulk(60, 4), balls(4, 23)],
  },
  'base-sum water, a warm day outdoors': {
    w: 330,
    yeast: dry(0.05),
    stages: [bulk(2, 27), balls(11, 27)],
    off: 25,
  },
  'made to stay flat: oiled balls, days cold': {
    w: 280,
    yeast: instant(0.07),
    oil: 4,
    stages: [balls(48, 4), balls(1.5, 22)],
    target: LOW,
  },
  'by a rule book: two hours, balls part of it cold': {
    w: 280,
    yeast: fresh(0.25),
    water: 58,
    stages: [bulk(2, 23), balls(14, 5), balls(6, 23)],
  },
  'micro-scaled, a day at room, balls two days cold': {
    w: 330,
    yeast: instant(0.045),
    stages: [bulk(24, 20), balls(44, 4), balls(5, 23)],
    off: 21,
  },
  'a day at room in one mass, balls four hours before': {
    w: 290,
    yeast: fresh(0.12),
    stages: [bulk(20, 20), balls(4.5, 22)],
    off: 21,
  },
  'thirds of flour, sugar and malt, the same day': {
    w: 280,
    yeast: fresh(0.7),
    sugar: 1.5,
    malt: 0.5,
    stages: [bulk(2, 23), balls(3, 24)],
  },
  'shaggy, folds, an hour at room, a day cold, an hour out': {
    w: 300,
    yeast: fresh(0.6),
    water: 68,
    stages: [bulk(1, 23), fold(bulk(1, 23)), balls(24, 4), balls(1.75, 25)],
  },
  'risen to near double at room, then days cold': {
    w: 340,
    yeast: fresh(0.15),
    stages: [bulk(2, 22), balls(10, 21), balls(30, 3), balls(2, 22)],
  },
};

function windowOf({
  w,
  yeast,
  stages,
  water = 62,
  salt = 2.5,
  oil = 0,
  sugar = 0,
  malt,
  off = 24,
  target = STANDARD_TARGET,
}: Way) {
  const route: DoughRoute = {
    formula: {
      flours: [{ name: 'white', percent: 100, strengthW: w }],
      waterPercent: water,
      saltPercent: salt,
      oilPercent: oil,
      sugarPercent: sugar,
      yeast,
    },
    ballWeightG: 260,
    doughTempC: off,
    ...(malt !== undefined && { maltPercent: malt }),
    stages,
  };
  const way = simulate(route, { target });
  if (!way.ok) throw new Error(JSON.stringify(way.reasons));
  return { ...way.value.window, endHour: way.value.endHour };
}

describe('ways of working', () => {
  it('are twenty-one', () => {
    expect(Object.keys(WAYS)).toHaveLength(21);
  });

  it.each(Object.entries(WAYS))('%s: has a window about the hour it is opened', (_name, way) => {
    const window = windowOf(way);
    if (window.kind === 'never') throw new Error(window.why);
    expect(window.odds).toBeGreaterThan(0.6);
    expect(window.earliestHour).toBeLessThan(window.endHour + 1.5);
    expect(window.latestHour).toBeGreaterThan(window.endHour - 0.5);
  });
});
