import type { Container, Formula, RestStage, Route, Target, WorkKey, WorkStage } from '@calm/core';
import type { FileFormula, Method, MethodStep } from '@calm/contract';

/*
 * Twenty-one ordinary ways of working, as a house would write them down: what goes in, in which order, and where it
 * stands for how long.
 */

/** One of them. */
export interface WayOfWorking {
  readonly name: string;
  readonly formula: Formula;
  readonly method: Method;
  readonly route: Route;
  readonly doughTempC: number;
  readonly target: Partial<Target>;
  /** Of each size, g. */
  readonly ballsG: readonly number[];
}

const work = (key: WorkKey, skill: WorkStage['skill'], fixedMin: number): WorkStage => ({
  kind: 'work',
  key,
  skill,
  people: 1,
  rate: { fixedMin, ...(key === 'divide-ball' && { perHundredBallsMin: 40 }) },
});
const rest = (
  key: RestStage['key'],
  hours: number,
  airTempC: number,
  container: Container,
  more: Partial<RestStage> = {},
): RestStage => ({
  kind: 'rest',
  key,
  place: airTempC < 10 ? 'Fridge' : 'Bench',
  airTempC,
  container,
  hours: { least: 0.6 * hours, preferred: hours, most: 1.6 * hours },
  ...more,
});
const bulk = (hours: number, airTempC: number, more: Partial<RestStage> = {}) =>
  rest(airTempC < 10 ? 'cold' : 'bulk', hours, airTempC, 'tub', more);
const balls = (
  hours: number,
  airTempC: number,
  container: Container = 'lidded-tray',
  more: Partial<RestStage> = {},
) => rest(airTempC < 10 ? 'cold' : 'temper', hours, airTempC, container, more);

/** Stages in order: mixed, then in one mass, then balled; put into the cold and taken out by somebody. */
function routeOf(inBulk: readonly RestStage[], asBalls: readonly RestStage[]): Route {
  const stages: Route[number][] = [work('weigh', 'mix', 10), work('mix', 'mix', 25)];
  let isCold = false;
  const go = (stage: RestStage) => {
    const cold = stage.key === 'cold';
    if (cold && !isCold) stages.push(work('chill', 'cold', 5));
    if (!cold && isCold && asBalls.includes(stage)) stages.push(work('pull', 'cold', 5));
    isCold = cold;
    stages.push(stage);
  };
  inBulk.forEach(go);
  isCold = false;
  stages.push(work('divide-ball', 'ball', 10));
  asBalls.forEach(go);
  return stages;
}

const fresh = (percent: number) => ({ form: 'fresh', percent }) as const;
const dry = (percent: number, isPreWetted = false) =>
  ({ form: 'active-dry', percent, isPreWetted }) as const;
const instant = (percent: number) => ({ form: 'instant', percent }) as const;
const flour = (strengthW: number) => [{ name: 'white', percent: 100, strengthW }];
/** Sheeted and flat-baked dough is opened before it has risen much. */
const LOW: Partial<Target> = { riseMin: 1.1, risePeak: 1.3, riseMax: 1.7 };

const step = (
  key: string,
  title: string,
  adds: MethodStep['adds'],
  minutes: number,
): MethodStep => ({
  key,
  title,
  detail: title,
  ...(adds && { adds }),
  minutes,
});
const all = (kind: 'flour' | 'water' | 'salt' | 'yeast' | 'sugar' | 'oil' | 'addition') => ({
  kind,
  percent: 100,
});
/** Flour in equal parts, each followed by a rest. */
const inParts = (parts: number, name: string): Method => ({
  name,
  why: name,
  steps: [
    step('water', 'Water, yeast, sugar', [all('water'), all('yeast'), all('sugar')], 2),
    ...Array.from({ length: parts }, (_, i) =>
      step(`part-${i}`, 'Flour, and a rest', [{ kind: 'flour', percent: 100 / parts }], 8),
    ),
    step('salt', 'Salt, oil, the rest', [all('salt'), all('oil'), all('addition')], 4),
  ],
});

/** All of them. @param library formulas of the trade, whose methods most of them follow */
export function waysOfWorking(library: readonly FileFormula[]): WayOfWorking[] {
  const method = (code: string): Method => {
    const found = library.find((entry) => entry.code === code)?.method;
    if (!found) throw new Error(`the library has a method for ${code}`);
    return found;
  };
  const way = (
    name: string,
    formula: Partial<Formula> & Pick<Formula, 'yeast' | 'flours'>,
    by: Method,
    route: Route,
    more: Partial<Pick<WayOfWorking, 'doughTempC' | 'target' | 'ballsG'>> = {},
  ): WayOfWorking => ({
    name,
    formula: { waterPercent: 62, saltPercent: 2.5, ...formula },
    method: by,
    route,
    doughTempC: 24,
    target: {},
    ballsG: [260],
    ...more,
  });
  return [
    way(
      'hand-kneaded with semolina, doubled warm, knocked back, split, half an hour',
      {
        flours: [
          { name: 'white', percent: 80, strengthW: 260 },
          { name: 'semolina', percent: 20, proteinPercent: 12.5 },
        ],
        yeast: dry(0.6),
        oilPercent: 3,
      },
      method('SK'),
      routeOf([bulk(2, 26), bulk(0.25, 26, { shaping: 'knock-back' })], [balls(0.75, 25)]),
      { doughTempC: 26 },
    ),
    way(
      'a small dry dose woken in the water, salt late, a day cold in bulk',
      { flours: flour(300), yeast: dry(0.18, true) },
      method('TQ'),
      routeOf([bulk(1.5, 25), bulk(22, 4)], [balls(5, 22)]),
    ),
    way(
      'barely kneaded, a day at room, two days cold in bulk, balled, cold again',
      { flours: flour(320), yeast: fresh(0.1), waterPercent: 68 },
      method('NK'),
      routeOf([bulk(24, 19), bulk(48, 4)], [balls(12, 4), balls(3, 23)]),
      { doughTempC: 20 },
    ),
    way(
      'some whole grain and a sweetener, cold bulk overnight, a child’s size too',
      {
        flours: [
          { name: 'white', percent: 90, strengthW: 310 },
          { name: 'whole grain', percent: 10, proteinPercent: 13, branPercent: 12 },
        ],
        yeast: instant(0.2),
        sugarPercent: 2,
      },
      method('LI'),
      routeOf([bulk(14, 5)], [balls(10, 5), balls(3, 23)]),
      { ballsG: [260, 130] },
    ),
    way(
      'flour and water rest, yeast in held-back water, single oiled tubs overnight',
      { flours: flour(250), yeast: dry(0.25, true), oilPercent: 1 },
      method('AU'),
      routeOf([bulk(2.5, 25)], [balls(14, 4, 'single-tub'), balls(2, 22, 'single-tub')]),
    ),
    way(
      'all per litre of water, two hours, balls for a day at room',
      { flours: flour(300), yeast: fresh(0.1), waterPercent: 59, saltPercent: 2.9 },
      method('PL'),
      routeOf([bulk(2, 21)], [balls(21, 21)]),
    ),
    way(
      'stirred, overnight at room, folded soft',
      { flours: flour(280), yeast: instant(0.06), waterPercent: 75 },
      method('NK'),
      routeOf([bulk(18, 21)], [balls(0.9, 22, 'lidded-tray', { shaping: 'gentle' })]),
      { doughTempC: 21 },
    ),
    way(
      'direct at scale, oil late, straight to the cold, best at three days',
      { flours: flour(300), yeast: fresh(0.4), oilPercent: 2 },
      method('OL'),
      routeOf([bulk(0.5, 22)], [balls(66, 4), balls(3, 23)]),
    ),
    way(
      'stiff, fat before salt for layers, second knead, sheeted',
      { flours: flour(260), yeast: instant(0.2), waterPercent: 50, oilPercent: 4 },
      method('LY'),
      routeOf([bulk(1, 22), bulk(1, 22, { shaping: 'knock-back' })], [balls(2, 22)]),
      { target: LOW },
    ),
    way(
      'a fifth of the flour first, same-day balls in closed boxes',
      { flours: flour(270), yeast: fresh(0.3), waterPercent: 60 },
      inParts(5, 'A fifth first'),
      routeOf([bulk(0.75, 23)], [balls(7.5, 23)]),
    ),
    way(
      'a batter of half the flour first, balls six hours',
      { flours: flour(260), yeast: fresh(0.4), sugarPercent: 0.5 },
      method('BT'),
      routeOf([bulk(0.5, 24), bulk(0.75, 24)], [balls(5, 23)]),
    ),
    way(
      'quick, two rests of half an hour',
      { flours: flour(320), yeast: fresh(2.5) },
      method('QH'),
      routeOf([bulk(0.6, 28)], [balls(0.6, 28)]),
      { doughTempC: 28 },
    ),
    way(
      'straight to the cold in bulk, two to four days',
      { flours: flour(320), yeast: instant(0.25) },
      method('RA'),
      routeOf([bulk(0.5, 22), bulk(60, 4)], [balls(4, 23)]),
    ),
    way(
      'base-sum water, a warm day outdoors, two sizes',
      { flours: flour(330), yeast: dry(0.05) },
      method('LA'),
      routeOf([bulk(2, 27)], [balls(11, 27)]),
      { doughTempC: 25, ballsG: [260, 180] },
    ),
    way(
      'made to stay flat: oiled balls, days cold',
      { flours: flour(280), yeast: instant(0.07), oilPercent: 4 },
      method('LI'),
      routeOf([], [balls(48, 4), balls(1.5, 22)]),
      { target: LOW },
    ),
    way(
      'by a rule book: two hours, balls part of it cold',
      { flours: flour(280), yeast: fresh(0.25), waterPercent: 58 },
      method('SL'),
      routeOf([bulk(2, 23)], [balls(14, 5), balls(6, 23)]),
    ),
    way(
      'micro-scaled, a day at room, balls two days cold',
      { flours: flour(330), yeast: instant(0.045) },
      method('LI'),
      routeOf([bulk(24, 20)], [balls(44, 4), balls(5, 23)]),
      { doughTempC: 21 },
    ),
    way(
      'a day at room in one mass after short kneads, balls four hours before',
      { flours: flour(290), yeast: fresh(0.12) },
      method('SK'),
      routeOf([bulk(20, 20)], [balls(4.5, 22)]),
      { doughTempC: 21 },
    ),
    way(
      'thirds of flour with rests, sugar and malt, the same day',
      {
        flours: flour(280),
        yeast: fresh(0.7),
        sugarPercent: 1.5,
        additions: [{ name: 'diastatic malt', percent: 0.5 }],
      },
      inParts(3, 'Thirds'),
      routeOf([bulk(2, 23)], [balls(3, 24)]),
    ),
    way(
      'shaggy, folds, an hour at room, a day cold, an hour out',
      { flours: flour(300), yeast: fresh(0.6), waterPercent: 68 },
      method('RA'),
      routeOf([bulk(1, 23), bulk(1, 23, { shaping: 'gentle' })], [balls(24, 4), balls(1.75, 25)]),
    ),
    way(
      'risen to near double at room, then days cold',
      { flours: flour(340), yeast: fresh(0.15) },
      method('LF'),
      routeOf([bulk(2, 22)], [balls(10, 21), balls(30, 3), balls(2, 22)]),
    ),
  ];
}
