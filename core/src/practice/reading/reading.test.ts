import { describe, expect, it } from '@jest/globals';
import { settledRandomOf } from '../../numerics';
import { simulate, STANDARD_TARGET, type DoughRoute } from '../../ferment';
import { nextReading, READING_KINDS, type PastReading } from './nextReading';
import { isContrary, readingCase, type ReadingCase, type ReadingKind } from './readingCase';
import { formOf, hoursBefore, tubOf, type ReadingDough } from './readingDough';
import { LOOKS, type Look } from '../../learn';
import { ownAnswer, scoreReading, type ReadingAnswer } from './scoreReading';
import { ballSilhouette, DOUGH_FORMS, silhouetteOf } from './seen';

const formula = {
  flours: [{ name: 'strong white', percent: 100, strengthW: 290 }],
  waterPercent: 62,
  saltPercent: 2.6,
  yeast: { form: 'fresh', percent: 0.4 },
} as const;
const routes: readonly DoughRoute[] = [
  {
    formula,
    ballWeightG: 275,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 20 },
      { kind: 'ball', hours: 20, airTempC: 4, container: 'lidded-tray' },
      { kind: 'ball', hours: 3, airTempC: 22, container: 'lidded-tray' },
    ],
  },
  {
    formula,
    ballWeightG: 250,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 20 },
      { kind: 'ball', hours: 5, airTempC: 22, container: 'lidded-tray' },
    ],
  },
];
/** Long in the tub, in the warm and in the cold; then balls. */
const bulkRoutes: readonly DoughRoute[] = [
  {
    formula,
    ballWeightG: 260,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 3.5, airTempC: 22, container: 'tub', massKg: 20 },
      { kind: 'ball', hours: 3, airTempC: 22, container: 'lidded-tray' },
    ],
  },
  {
    formula,
    ballWeightG: 260,
    doughTempC: 25,
    stages: [
      { kind: 'bulk', hours: 1.5, airTempC: 22, container: 'tub', massKg: 12 },
      { kind: 'bulk', hours: 24, airTempC: 6, container: 'tub', massKg: 12 },
      { kind: 'ball', hours: 4, airTempC: 22, container: 'lidded-tray' },
    ],
  },
];
const asBalls = (route: DoughRoute): ReadingDough => ({ route, target: STANDARD_TARGET });
const doughs = {
  ball: routes.map(asBalls),
  tub: bulkRoutes.flatMap((route) => tubOf(asBalls(route)) ?? []),
};
const casesOf = (count: number, hardness: number): { dough: ReadingDough; asked: ReadingCase }[] =>
  Array.from({ length: count }, (_, i) => i).flatMap((i) => {
    const kind = READING_KINDS[i % READING_KINDS.length] as ReadingKind;
    const some = doughs[kind.form];
    const dough = some[Math.floor(i / READING_KINDS.length) % some.length] as ReadingDough;
    const asked = readingCase(dough, kind, hardness, i + 1);
    return asked ? [{ dough, asked }] : [];
  });

const nameOf = ({ form, found, warmth }: ReadingKind) => `${form} ${found} ${warmth}`;

/** What a plan says of a dough: when its window is, in hours in its last place. */
function plannedOf(dough: ReadingDough) {
  const { route, target } = dough;
  if (formOf(dough) === 'tub') return plannedInTub(dough);
  const told = simulate(route, { target, stepMin: 5 });
  if (!told.ok || told.value.window.kind !== 'ready') throw new Error('it opens');
  const before = hoursBefore(route);
  const { earliestHour, latestHour } = told.value.window;
  return { from: earliestHour - before, until: latestHour - before };
}

/** The same of a tub: while it has grown as much as it should have. */
function plannedInTub({ route, target }: ReadingDough) {
  const told = simulate(route, { target, stepMin: 5, beyondH: 12 });
  if (!told.ok) throw new Error('it grows');
  const { course } = told.value;
  const hourAt = (volume: number) =>
    (course.hours[course.volumes.findIndex((each) => each >= volume)] ?? Infinity) -
    hoursBefore(route);
  return { from: hourAt(target.riseMin), until: hourAt(target.riseMax) };
}

type Player = (dough: ReadingDough, asked: ReadingCase, seed: number) => ReadingAnswer;
const PLAYERS: Record<string, Player> = {
  chance: (_dough, _asked, seed) => {
    const { uniform } = settledRandomOf(seed);
    const found = LOOKS[Math.floor(uniform() * 3)] as Look;
    return { found, minutesLeft: 30 + 300 * uniform() };
  },
  clock: (dough, { seen: { hoursHere } }) => {
    const { from, until } = plannedOf(dough);
    const minutesLeft = Math.max(0, (until - hoursHere) * 60);
    if (hoursHere < from) return { found: 'early', minutesLeft };
    return hoursHere > until
      ? { found: 'late', minutesLeft: null }
      : { found: 'right', minutesLeft };
  },
  temperature: (dough, { seen: { airTempC } }) => {
    const { from, until } = plannedOf(dough);
    const offC = airTempC - (dough.route.stages.at(-1)?.airTempC ?? 0);
    const minutesLeft = (until - from) * 30;
    // A few degrees move it by less than its window is long.
    if (offC > 4) return { found: 'late', minutesLeft: null };
    return { found: offC < -4 ? 'early' : 'right', minutesLeft };
  },
  engine: (_dough, asked) => ownAnswer(asked),
};

describe('reading dough', () => {
  const cases = casesOf(720, 0.5);

  it('has cases of each kind, as the engine judges them', () => {
    expect(cases.length).toBeGreaterThan(500);
    for (const { asked } of cases) {
      expect(asked.odds.early + asked.odds.right + asked.odds.late).toBeCloseTo(1, 9);
      expect(ownAnswer(asked).found).toBe(asked.kind.found);
      expect(scoreReading(asked, ownAnswer(asked))).toBeCloseTo(1, 9);
    }
    const made = new Set(cases.map(({ asked: { kind } }) => nameOf(kind)));
    expect(made.size).toBe(READING_KINDS.length);
  });

  it.each(DOUGH_FORMS)(
    'is scored highest by the engine, then by temperature, clock, chance: %s',
    (form) => {
      const usual = cases.filter(({ asked: { kind } }) => kind.form === form && !isContrary(kind));
      const scores = Object.entries(PLAYERS).map(([name, player]) => {
        const all = usual.map(({ dough, asked }, i) =>
          scoreReading(asked, player(dough, asked, i)),
        );
        return [name, all.reduce((sum, score) => sum + score, 0) / all.length] as const;
      });
      process.stdout.write(
        `${form}: ${scores.map(([name, score]) => `${name} ${score.toFixed(3)}`).join(', ')}\n`,
      );
      const sorted = [...scores].sort((a, b) => a[1] - b[1]).map(([name]) => name);
      expect(sorted).toEqual(['chance', 'clock', 'temperature', 'engine']);
    },
  );

  it('is plain where it is to be easy, and not where it is to be hard', () => {
    const surest = (some: typeof cases) =>
      some.reduce((sum, { asked: { odds } }) => sum + Math.max(...Object.values(odds)), 0) /
      some.length;
    expect(surest(casesOf(45, 0))).toBeGreaterThan(0.85);
    expect(surest(casesOf(45, 1))).toBeLessThan(0.75);
  });

  it('is of dough in its form', () => {
    const [ball, tub] = [doughs.ball[0], doughs.tub[0]] as [ReadingDough, ReadingDough];
    const kind = { found: 'right', warmth: 'usual' } as const;
    expect(readingCase(ball, { ...kind, form: 'tub' }, 0, 1)).toBeNull();
    const seen = readingCase(tub, { ...kind, form: 'tub' }, 0, 1)?.seen;
    expect(seen?.silhouette).toMatchObject({ form: 'tub', dome: expect.closeTo(1, 1) });
  });

  it('draws balls that are larger once they have risen, and flatter once they let go', () => {
    const look = { volume: 2, relaxed: 0.2, holding: 1, coreTempC: 20 };
    const [tight, slack] = [
      ballSilhouette(look),
      ballSilhouette({ ...look, relaxed: 0.9, holding: 0.3 }),
    ];
    expect(slack.width).toBeGreaterThan(tight.width);
    expect(slack.height).toBeLessThan(tight.height);
    // Of one volume both: half an ellipsoid.
    expect(slack.width ** 2 * slack.height).toBeCloseTo(tight.width ** 2 * tight.height, 9);
  });
});

describe('a tub that is read', () => {
  const [warm, cold] = bulkRoutes as [DoughRoute, DoughRoute];
  const simulated = (route: DoughRoute) => {
    const told = simulate(route, { stepMin: 15, beyondH: 0 });
    if (!told.ok) throw new Error('it ferments');
    return told.value;
  };

  it('should have grown as its plan has it, with the room that its balls have', () => {
    for (const [route, bulks] of [
      [warm, 1],
      [cold, 2],
    ] as const) {
      const tub = tubOf(asBalls(route));
      const planned = simulated(route).stages[bulks - 1]?.volume ?? 0;
      expect(tub?.route.stages).toEqual(route.stages.slice(0, bulks));
      expect(tub?.target.risePeak).toBe(planned);
      const { riseMin, risePeak } = STANDARD_TARGET;
      const share = ((tub?.target.riseMin ?? 0) - 1) / (planned - 1);
      expect(share).toBeCloseTo((riseMin - 1) / (risePeak - 1), 9);
    }
  });

  it('is balled where its mark ends it, before its hours are over', () => {
    const [bulk, ...after] = warm.stages;
    if (!bulk) throw new Error('it has a bulk');
    const marked = { ...warm, stages: [{ ...bulk, hours: 8, untilRise: 1.5 }, ...after] };
    const tub = tubOf(asBalls(marked));
    const [stage] = tub?.route.stages ?? [];
    expect(stage?.hours).toBeLessThan(8);
    expect(stage?.untilRise).toBeUndefined();
    expect(tub?.target.risePeak).toBeCloseTo(1.5, 1);
  });

  it('is none that is balled before it shows anything, nor of balls from the first', () => {
    const [first] = routes as [DoughRoute];
    expect(tubOf(asBalls(first))).toBeNull();
    expect(tubOf(asBalls({ ...first, stages: first.stages.slice(1) }))).toBeNull();
  });

  it('stands higher as it grows, and falls flat and in as it lets go', () => {
    const look = { volume: 1.6, relaxed: 1, holding: 1, coreTempC: 22 };
    expect(silhouetteOf('tub', look)).toEqual({ form: 'tub', level: 1.6, dome: 1 });
    expect(silhouetteOf('tub', { ...look, holding: 0.5 })).toMatchObject({ dome: 0 });
    expect(silhouetteOf('tub', { ...look, holding: 0.1 })).toMatchObject({ dome: -0.8 });
  });
});

/** What is asked next; there always is something. */
const next = (past: readonly PastReading[], nowMs: number, seed: number) => {
  const told = nextReading(past, nowMs, seed);
  if (!told) throw new Error('something is asked');
  return told;
};

describe('what is asked next', () => {
  const NOW = Date.parse('2026-11-30T12:00:00Z');
  const [first, second] = READING_KINDS as [ReadingCase['kind'], ReadingCase['kind']];
  const done = (kind: ReadingCase['kind'], minutesAgo: number, score: number): PastReading => ({
    kind,
    atMs: NOW - minutesAgo * 60_000,
    score,
  });
  const known = READING_KINDS.map((kind) => done(kind, 5, 0.9));

  it('is what was wrong, soon; what was right stays away ever longer', () => {
    const once = known.map((each) => ({ ...each, kind: each.kind }));
    expect(next([...once, done(second, 2, 0.1)], NOW, 1).kind).toEqual(second);
    const twice = READING_KINDS.flatMap((kind) => [done(kind, 9, 1), done(kind, 8, 1)]);
    const oneOnce = twice.filter(({ kind, atMs }) => kind !== first || atMs === NOW - 8 * 60_000);
    expect(next(oneOnce, NOW, 1).kind).toEqual(first);
  });

  it('asks everything once before it asks anything again, and gets harder as it goes well', () => {
    let past: PastReading[] = [];
    for (let i = 0; i < READING_KINDS.length; i += 1) {
      const { kind } = next(past, NOW + i * 1000, i);
      past = [...past, { kind, atMs: NOW + i * 1000, score: 1 }];
    }
    expect(new Set(past.map(({ kind }) => nameOf(kind))).size).toBe(READING_KINDS.length);
    expect(next([], NOW, 1).hardness).toBe(0);
    expect(next(past, NOW, 1).hardness).toBe(1);
    expect(next([...past, done(first, 0, 0), done(second, 0, 0)], NOW, 1).hardness).toBeLessThan(1);
  });

  it('is nothing that the house’s doughs cannot be', () => {
    const [only, ...others] = READING_KINDS;
    expect(nextReading([], NOW, 1, others)?.kind).toEqual(only);
    expect(nextReading([], NOW, 1, READING_KINDS)).toBeNull();
  });
});
