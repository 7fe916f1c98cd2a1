import type { Route, Skill } from '../formula/route';
import { randomOf } from '../numerics';
import { STANDARD_WEIGHTS, type WeekProblem } from '../schedule';

/** How large a made-up week is. */
export interface WeekSize {
  readonly days: number;
  readonly doughs: number;
  readonly people: number;
  /** Services a day. */
  readonly services: 1 | 2;
  /** Balls of a dough at a service, about. */
  readonly balls: number;
}

const HOUR = 60;
const DAY = 24 * HOUR;
/** A Monday at midnight. */
const MONDAY = Math.floor(Date.UTC(2026, 10, 30) / 60_000);

const work = (
  key: Extract<Route[number], { kind: 'work' }>['key'],
  skill: Skill,
  people: 1 | 2,
  fixedMin: number,
  more: { perLoadMin?: number; perHundredBallsMin?: number } = {},
) => ({ kind: 'work', key, skill, people, rate: { fixedMin, ...more } }) as const;
const rest = (
  key: Extract<Route[number], { kind: 'rest' }>['key'],
  place: string,
  container: 'tub' | 'lidded-tray',
  least: number,
  preferred: number,
  most: number,
) =>
  ({
    kind: 'rest',
    key,
    place,
    airTempC: key === 'cold' ? 4 : 22,
    container,
    hours: { least, preferred, most },
  }) as const;

/** Four ways that dough goes: two nights cold, a pre-ferment and a night, a night and sheeted, one warm day. */
const ROUTES: readonly Route[] = [
  [
    work('weigh', 'mix', 1, 10, { perLoadMin: 5 }),
    work('mix', 'mix', 1, 5, { perLoadMin: 25 }),
    rest('bulk', 'Bench', 'tub', 1, 1.5, 3),
    work('divide-ball', 'ball', 2, 10, { perHundredBallsMin: 22 }),
    work('chill', 'cold', 1, 10),
    rest('cold', 'Walk-in', 'lidded-tray', 24, 42, 66),
    work('pull', 'cold', 1, 10),
    rest('temper', 'Oven side', 'lidded-tray', 1.5, 2.5, 4),
  ],
  [
    work('preferment-mix', 'mix', 1, 15),
    rest('preferment', 'Bench', 'tub', 12, 16, 18),
    work('weigh', 'mix', 1, 8, { perLoadMin: 5 }),
    work('mix', 'mix', 1, 5, { perLoadMin: 30 }),
    rest('bulk', 'Bench', 'tub', 1.5, 2, 3),
    work('pan', 'ball', 1, 10, { perHundredBallsMin: 60 }),
    work('chill', 'cold', 1, 5),
    rest('cold', 'Walk-in', 'lidded-tray', 12, 16, 30),
    work('pull', 'cold', 1, 5),
    rest('temper', 'Proof cabinet', 'lidded-tray', 2, 3, 4),
  ],
  [
    work('weigh', 'mix', 1, 8, { perLoadMin: 4 }),
    work('mix', 'mix', 1, 4, { perLoadMin: 28 }),
    rest('bulk', 'Bench', 'tub', 0.5, 0.75, 1.5),
    work('divide-ball', 'ball', 1, 8, { perHundredBallsMin: 30 }),
    work('chill', 'cold', 1, 5),
    rest('cold', 'Under-counter', 'lidded-tray', 12, 20, 44),
    work('pull', 'cold', 1, 5),
    rest('temper', 'Bench', 'lidded-tray', 0.5, 1, 2),
    work('sheet', 'sheet', 1, 10, { perHundredBallsMin: 45 }),
  ],
  [
    work('weigh', 'mix', 1, 10, { perLoadMin: 5 }),
    work('mix', 'mix', 1, 5, { perLoadMin: 25 }),
    rest('bulk', 'Bench', 'tub', 1, 2, 4),
    work('divide-ball', 'ball', 1, 10, { perHundredBallsMin: 30 }),
    rest('temper', 'Oven side', 'lidded-tray', 2, 3, 5),
  ],
];

/** Shifts and skills that a crew is made of, the first ones first. */
const CREW: readonly { skills: Skill[]; from: number; to: number }[] = [
  { skills: ['mix', 'ball', 'cold'], from: 8, to: 17 },
  { skills: ['mix', 'ball', 'sheet', 'cold'], from: 10, to: 19 },
  { skills: ['ball', 'sheet', 'cold'], from: 9, to: 18 },
  { skills: ['mix', 'cold', 'sheet', 'oven'], from: 15, to: 24 },
  { skills: ['sheet', 'cold', 'oven'], from: 8, to: 16 },
  { skills: ['mix', 'ball', 'cold'], from: 12, to: 21 },
  { skills: ['ball', 'cold'], from: 7, to: 15 },
  { skills: ['mix', 'ball', 'sheet', 'cold'], from: 13, to: 22 },
  { skills: ['sheet', 'cold', 'oven'], from: 14, to: 23 },
];

/** A made-up week; the same seed and size make the same one. */
export function madeUpWeek(seed: number, size: WeekSize): WeekProblem {
  const random = randomOf(seed).uniform;
  const about = (value: number) => Math.round(value * (0.7 + 0.6 * random()));
  const firstDay = 3;
  const days = Array.from({ length: size.days }, (_, i) => firstDay + i);
  const services = days.flatMap((day) => {
    const at = MONDAY + day * DAY;
    const lunch = { id: `lunch-${day}`, startMin: at + 12 * HOUR, endMin: at + 15 * HOUR };
    const dinner = { id: `dinner-${day}`, startMin: at + 17.5 * HOUR, endMin: at + 22.5 * HOUR };
    return size.services === 2 ? [lunch, dinner] : [dinner];
  });
  const doughs = Array.from({ length: size.doughs }, (_, i) => ({
    id: `dough-${i}`,
    route: ROUTES[i % ROUTES.length] as Route,
    residuePercent: 1.5,
    mixers: [
      { mixerId: 'spiral', minDoughKg: 6, maxDoughKg: 40 },
      { mixerId: 'planetary', minDoughKg: 1.5, maxDoughKg: 12 },
    ],
  }));
  const products = doughs.map(({ id }, i) => ({
    id: `product-${i}`,
    doughId: id,
    ballWeightG: 180 + 20 * (i % 5),
    trimPercent: 0,
    ballsPerTray: 12,
  }));
  const crew = CREW.slice(0, size.people);
  return {
    nowMin: MONDAY + 8 * HOUR,
    services,
    products,
    doughs,
    wanted: services.flatMap(({ id: serviceId }) =>
      products.map(({ id: productId }, i) => {
        // Dough that is made on the day is not there for lunch.
        const isTooEarly = i % ROUTES.length === 3 && serviceId.startsWith('lunch');
        return { serviceId, productId, count: isTooEarly ? 0 : about(size.balls) };
      }),
    ),
    people: crew.map(({ skills, from, to }, i) => ({
      id: `person-${i}`,
      skills,
      shifts: Array.from({ length: firstDay + size.days + 1 }, (_, day) => day)
        // Everybody is off on one day, and nobody before the first.
        .filter((day) => size.people <= 3 || day % 7 !== (i * 2 + 1) % 7)
        .map((day) => ({
          startMin: MONDAY + day * DAY + from * HOUR,
          endMin: MONDAY + day * DAY + to * HOUR,
        })),
    })),
    benchPlaces: 4,
    places: [
      { name: 'Walk-in', trays: 160, tubs: 8 },
      { name: 'Under-counter', trays: 40, tubs: 2 },
      { name: 'Proof cabinet', trays: 40, tubs: 0 },
    ],
    tubKg: 12,
    unsocial: Array.from({ length: firstDay + size.days + 1 }, (_, day) => [
      { startMin: MONDAY + day * DAY, endMin: MONDAY + day * DAY + 8 * HOUR },
      { startMin: MONDAY + day * DAY + 21 * HOUR, endMin: MONDAY + (day + 1) * DAY },
    ]).flat(),
    frozenWorks: [],
    frozenRests: [],
    published: [],
    weights: STANDARD_WEIGHTS,
  };
}

/** Ten weeks from small to large, for tests and measurements. */
export const TEN_WEEKS: readonly { readonly seed: number; readonly size: WeekSize }[] = [
  { seed: 1, size: { days: 1, doughs: 3, people: 4, services: 1, balls: 60 } },
  { seed: 2, size: { days: 2, doughs: 2, people: 3, services: 1, balls: 80 } },
  { seed: 3, size: { days: 2, doughs: 3, people: 4, services: 2, balls: 50 } },
  { seed: 4, size: { days: 3, doughs: 2, people: 2, services: 1, balls: 60 } },
  { seed: 5, size: { days: 4, doughs: 3, people: 5, services: 2, balls: 60 } },
  { seed: 6, size: { days: 5, doughs: 4, people: 5, services: 2, balls: 50 } },
  { seed: 7, size: { days: 6, doughs: 4, people: 6, services: 2, balls: 70 } },
  { seed: 8, size: { days: 6, doughs: 6, people: 7, services: 2, balls: 50 } },
  { seed: 9, size: { days: 6, doughs: 8, people: 8, services: 2, balls: 45 } },
  { seed: 11, size: { days: 7, doughs: 10, people: 9, services: 2, balls: 40 } },
];

/** One of the ten weeks, counted from 1; RangeError for any other. */
export function weekOfTen(n: number): WeekProblem {
  const one = TEN_WEEKS[n - 1];
  if (!one) throw new RangeError('There are ten weeks.');
  return madeUpWeek(one.seed, one.size);
}

/** Kinds of things that cannot be, one of which a clashing week has in it. */
export const CLASHES = ['nobody-in', 'too-small', 'too-short', 'no-bench'] as const;

/** A small week with one thing in it that cannot be. */
export function clashingWeek(seed: number): WeekProblem {
  const kind = CLASHES[seed % CLASHES.length];
  if (kind === 'nobody-in') return nobodyToSheet(seed);
  if (kind === 'too-small') return tooFewTrays(seed);
  return kind === 'too-short' ? oneHourToMix(seed) : noBench(seed);
}

/** Nobody who can sheet is in on one of the days. */
function nobodyToSheet(seed: number): WeekProblem {
  const week = madeUpWeek(seed, { days: 2, doughs: 3, people: 4, services: 1, balls: 60 });
  const day = 3 + (seed % 2);
  const [from, to] = [MONDAY + day * DAY, MONDAY + (day + 1) * DAY];
  return {
    ...week,
    people: week.people.map((person) => ({
      ...person,
      shifts: person.shifts.filter(
        ({ startMin }) => !person.skills.includes('sheet') || startMin < from || startMin >= to,
      ),
    })),
  };
}

/** One service wants more trays than the place holds, by one. */
function tooFewTrays(seed: number): WeekProblem {
  const week = madeUpWeek(seed, { days: 2, doughs: 3, people: 4, services: 1, balls: 60 });
  const big = week.services[seed % 2]?.id;
  const [many, few] = [84, 30];
  return {
    ...week,
    wanted: week.wanted.map((wanted) => ({
      ...wanted,
      count: wanted.serviceId === big ? many : few,
    })),
    places: week.places.map((place) =>
      place.name === 'Under-counter' ? { ...place, trays: Math.ceil(many / 12) - 1 } : place,
    ),
  };
}

/** Two doughs to mix, and whoever mixes is in for an hour and a quarter. */
function oneHourToMix(seed: number): WeekProblem {
  const week = madeUpWeek(seed, { days: 1, doughs: 1, people: 4, services: 1, balls: 50 + seed });
  const [dough] = week.doughs;
  const [product] = week.products;
  const [service] = week.services;
  if (!dough || !product || !service) throw new RangeError('a week of one dough');
  const mixAt = service.startMin - (46 + (seed % 5)) * HOUR;
  const balls = week.people.map(({ skills, ...person }) => ({
    ...person,
    skills: skills.filter((skill) => skill !== 'mix'),
    shifts: [{ startMin: week.nowMin, endMin: service.startMin }],
  }));
  return {
    ...week,
    doughs: [dough, { ...dough, id: 'dough-1' }],
    products: [product, { ...product, id: 'product-1', doughId: 'dough-1' }],
    wanted: [product.id, 'product-1'].map((productId) => ({
      serviceId: service.id,
      productId,
      count: 60,
    })),
    people: [
      ...balls,
      { id: 'mixes', skills: ['mix'], shifts: [{ startMin: mixAt, endMin: mixAt + 75 }] },
    ],
  };
}

/** Balling takes two at a bench that has room for one. */
function noBench(seed: number): WeekProblem {
  const week = madeUpWeek(seed, { days: 1, doughs: 3, people: 4, services: 1, balls: 60 });
  return { ...week, benchPlaces: 1 };
}
