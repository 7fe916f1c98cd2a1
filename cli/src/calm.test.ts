import { describe, expect, it } from '@jest/globals';
import { calm } from './test-support/calm';

const request = {
  formula: {
    flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
    waterPercent: 62,
    saltPercent: 2.4,
    sugarPercent: 0,
    oilPercent: 0,
    yeast: { form: 'fresh', percent: 0.3 },
  },
  items: [{ count: 120, ballWeightG: 275 }],
  residuePercent: 1,
  residuePerLoadG: 60,
  trimPercent: 0,
  mixer: { minDoughKg: 8, maxDoughKg: 40 },
  scaleReadabilityG: { default: 1, yeast: 0.1 },
};

describe('calm scale', () => {
  it('weighs a lot and accounts for every gram', () => {
    const { code, out } = calm('scale', request);
    expect(code).toBe(0);
    const balance = out?.['balance'] as Record<string, number>;
    const parts = ['ballsG', 'trimG', 'residueG', 'remainderG'].map((k) => balance[k] ?? NaN);
    expect(parts.reduce((a, b) => a + b, 0)).toBeCloseTo(balance['doughG'] ?? NaN, 6);
  });

  it('lists every problem with its path and exits 2', () => {
    const bad = {
      ...request,
      formula: { ...request.formula, saltPercent: 150 },
      items: [{ count: -3, ballWeightG: 0 }],
      colour: 'blue',
    };
    const { code, err } = calm('scale', bad);
    expect(code).toBe(2);
    const paths = (err?.['problems'] as { path: string }[]).map((p) => p.path);
    expect(paths.sort()).toEqual([
      'colour',
      'formula/saltPercent',
      'items/0/ballWeightG',
      'items/0/count',
    ]);
  });

  it('takes letters in a number as a mistake, and an emoji in a name as a name', () => {
    const letters = calm('scale', { ...request, items: [{ count: '12o', ballWeightG: 275 }] });
    expect(letters.err).toMatchObject({ problems: [{ path: 'items/0/count' }] });
    const flours = [{ name: 'strong 🌾', percent: 100 }];
    const emoji = calm('scale', { ...request, formula: { ...request.formula, flours } });
    expect(emoji.code).toBe(0);
  });

  it('says what would fit when no mixer load does, and exits 1', () => {
    const { code, err } = calm('scale', { ...request, items: [{ count: 3, ballWeightG: 275 }] });
    expect(code).toBe(1);
    expect(err?.['why']).toEqual([expect.stringContaining('What fits: 1 × 8.0\u00a0kg')]);
  });

  it('refuses what is not JSON, and a command there is not', () => {
    expect(calm('scale', '{"formula":').err).toMatchObject({ error: 'bad-input' });
    expect(calm('bake', {}).err).toMatchObject({ problems: [{ code: 'command.unknown' }] });
  });
});

describe('calm water', () => {
  const kitchen = {
    doughTempC: 24,
    roomTempC: 28,
    flourTempC: 26,
    tapTempC: 22,
    frictionC: 14,
    waterG: 12_400,
  };

  it('gives all three methods, ice, and what it assumed', () => {
    const { code, out } = calm('water', kitchen);
    expect(code).toBe(0);
    expect(out).toMatchObject({
      baseSum: { waterTempC: 4 },
      friction: { waterTempC: 4 },
      spreadC: expect.any(Number),
      learned: { waterTempC: expect.any(Number) },
      assumed: { flourG: 20_000 },
    });
  });

  it('warns in words', () => {
    const { out } = calm('water', { ...kitchen, roomTempC: 8, flourTempC: 6, pourBy: 'friction' });
    const warnings = out?.['warnings'] as { kind: string; say: string }[];
    expect(warnings[0]?.kind).toBe('water-too-hot');
    expect(warnings[0]?.say).toMatch(/over 40\s°C harms the yeast/);
  });
});

const yardWay = {
  formula: request.formula,
  ballWeightG: 275,
  doughTempC: 24,
  stages: [
    { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 10 },
    { kind: 'ball', hours: 40, airTempC: 4, container: 'lidded-tray' },
    { kind: 'ball', hours: 3, airTempC: 23, container: 'lidded-tray' },
  ],
};

describe('calm simulate', () => {
  it('gives series, stages and window', () => {
    const { code, out } = calm('simulate', yardWay);
    expect(code).toBe(0);
    expect((out?.['series'] as unknown[]).length).toBe(45 * 4 + 1);
    expect(out?.['stages']).toHaveLength(3);
    const window = out?.['window'] as Record<string, number>;
    expect(window['earliestHour']).toBeLessThan(window['peakHour'] ?? NaN);
    expect(window['peakHour']).toBeLessThan(window['latestHour'] ?? NaN);
  });

  it('says in words why a dough is never ready', () => {
    const formula = { ...request.formula, yeast: { form: 'fresh', percent: 0 } };
    const { code, out } = calm('simulate', { ...yardWay, formula });
    expect(code).toBe(0);
    expect(out).toMatchObject({ window: null, why: expect.stringContaining('never rises enough') });
  });

  it('names every stage that cannot be, with its path', () => {
    const [bulk, ...balls] = yardWay.stages;
    const { code, err } = calm('simulate', {
      ...yardWay,
      stages: [{ ...bulk, hours: -2, airTempC: 60 }, ...balls],
    });
    expect(code).toBe(2);
    const paths = (err?.['problems'] as { path: string }[]).map((p) => p.path);
    expect(paths).toEqual(['stages/0/hours', 'stages/0/airTempC']);
  });

  it('says when a pre-ferment takes more yeast than the dough has', () => {
    const preferment = {
      name: 'sponge',
      flourSharePercent: 50,
      waterPercent: 60,
      yeast: { form: 'fresh', percent: 2 },
    };
    const { code, err } = calm('simulate', {
      ...yardWay,
      formula: { ...request.formula, preferment },
    });
    expect(code).toBe(1);
    expect(err?.['why']).toEqual([expect.stringContaining('fresh yeast')]);
  });
});

describe('calm dose', () => {
  it('gives the percent in the form that is asked for, and the window it makes', () => {
    const formula = { ...request.formula, yeast: { form: 'instant' } };
    const { code, out } = calm('dose', { ...yardWay, formula, peakHour: 45 });
    expect(code).toBe(0);
    expect(out?.['yeastPercent']).toBeGreaterThan(0.08);
    expect(out?.['yeastPercent']).toBeLessThan(0.3);
    expect((out?.['window'] as Record<string, number>)['peakHour']).toBeCloseTo(45, 1);
  });

  it('refuses a peak before the balls are warm, and says what works', () => {
    const { code, err } = calm('dose', { ...yardWay, peakHour: 42.3 });
    expect(code).toBe(1);
    expect(err?.['why']).toEqual([expect.stringMatching(/middle of a ball is at .* opens from/)]);
    const [first] = err?.['alternatives'] as { kind: string; hour: number; say: string }[];
    expect(first?.say).toMatch(/Let it peak/);
    expect(calm('dose', { ...yardWay, peakHour: first?.hour }).code).toBe(0);
  });
});

/** Two doughs for one dinner, one of them with its formula. */
function weekOf(change: object = {}) {
  const day = (hour: number, date = 2) => new Date(Date.UTC(2026, 11, date, hour)).toISOString();
  const work = (key: string, skill: string, fixedMin: number) => ({
    kind: 'work',
    key,
    skill,
    people: 1,
    rate: { fixedMin },
  });
  const rest = (
    key: string,
    container: string,
    least: number,
    preferred: number,
    most: number,
  ) => ({
    kind: 'rest',
    key,
    place: key === 'cold' ? 'Walk-in' : 'Bench',
    airTempC: key === 'cold' ? 4 : 22,
    container,
    hours: { least, preferred, most },
  });
  const route = [
    work('weigh', 'mix', 15),
    work('mix', 'mix', 30),
    rest('bulk', 'tub', 1, 2, 3),
    work('divide-ball', 'ball', 40),
    rest('cold', 'lidded-tray', 20, 40, 60),
    work('pull', 'cold', 10),
    rest('temper', 'lidded-tray', 1.5, 2.5, 4),
  ];
  const dough = (id: string) => ({
    id,
    route,
    residuePercent: 1,
    mixers: [{ mixerId: 'spiral', minDoughKg: 4, maxDoughKg: 40 }],
  });
  return {
    now: day(8, 1),
    services: [{ id: 'dinner', startsAt: day(17, 4), endsAt: day(22, 4) }],
    wanted: ['round', 'small'].map((productId) => ({ serviceId: 'dinner', productId, count: 90 })),
    products: [
      { id: 'round', doughId: 'yard', ballWeightG: 275, trimPercent: 0, ballsPerTray: 12 },
      { id: 'small', doughId: 'plain', ballWeightG: 180, trimPercent: 0, ballsPerTray: 12 },
    ],
    doughs: [{ ...dough('yard'), formula: request.formula, doughTempC: 24 }, dough('plain')],
    people: [
      {
        id: 'MA',
        skills: ['mix', 'ball', 'cold'],
        shifts: [1, 2, 3, 4].map((date) => ({ startsAt: day(9, date), endsAt: day(17, date) })),
      },
    ],
    benchPlaces: 2,
    places: [{ name: 'Walk-in', trays: 60, tubs: 4 }],
    seconds: 1,
    ...change,
  };
}

describe('calm plan', () => {
  it('plans a week with people, doses, windows and pulls, and says how near the best it is', () => {
    // As long as a busy machine may need; it ends when nothing can be better.
    const { code, out } = calm('plan', weekOf({ seconds: 20 }));
    expect(code).toBe(0);
    expect(out?.['gapPercent']).toBeLessThan(1);
    const lots = out?.['lots'] as {
      doughId: string;
      steps: { key: string; personIds: string[]; startsAt: string; endsAt: string }[];
      dose: null | { kind: string; windows: { window: { from: string; until: string } }[] };
      pulls: { waves: { balls: number; readyAt: string }[] }[];
    }[];
    expect(lots.map(({ doughId }) => doughId).sort()).toEqual(['plain', 'yard']);
    const yard = lots.find(({ doughId }) => doughId === 'yard');
    expect(yard?.steps.map(({ key }) => key)).toEqual(['weigh', 'mix', 'divide-ball', 'pull']);
    yard?.steps.forEach(({ personIds }) => expect(personIds).toEqual(['MA']));
    expect(yard?.dose?.kind).toBe('dosed');
    const window = yard?.dose?.windows[0]?.window;
    const doors = '2026-12-04T17:00:00.000Z';
    expect(window && window.from < '2026-12-04T19:00:00.000Z').toBe(true);
    expect(window && window.until > doors).toBe(true);
    const waves = yard?.pulls[0]?.waves ?? [];
    expect(waves[0]?.readyAt).toBe(doors);
    expect(waves.reduce((sum, { balls }) => sum + balls, 0)).toBe(90);
    expect(lots.find(({ doughId }) => doughId === 'plain')?.dose).toBeNull();
  });

  it('says what clashes, and each way out of it works', () => {
    const short = { startsAt: '2026-12-02T11:00:00.000Z', endsAt: '2026-12-02T12:15:00.000Z' };
    const people = [
      { id: 'MA', skills: ['mix'], shifts: [short] },
      { ...weekOf().people[0], id: 'TI', skills: ['ball', 'cold'] },
    ];
    const { code, err } = calm('plan', weekOf({ people }));
    expect(code).toBe(1);
    expect(err?.['why']).toEqual([expect.stringMatching(/cannot all be made this week/)]);
    const ways = err?.['alternatives'] as { kind: string; say: string; doughId?: string }[];
    expect(ways.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['call-in', 'leave-out']));
    expect(ways[0]?.say).toMatch(/who can mix, from .* UTC/);
    const out = ways.find(({ kind }) => kind === 'leave-out')?.doughId;
    const wanted = weekOf().wanted.filter(
      ({ productId }) => (productId === 'round' ? 'yard' : 'plain') !== out,
    );
    expect(calm('plan', weekOf({ people, wanted })).code).toBe(0);
  });

  it('names what makes no sense, by its path or in words', () => {
    const bad = calm('plan', weekOf({ benchPlaces: -1, colour: 'blue' }));
    expect(bad.code).toBe(2);
    const paths = (bad.err?.['problems'] as { path: string }[]).map(({ path }) => path).sort();
    expect(paths).toEqual(['benchPlaces', 'colour']);
    const nobody = calm('plan', weekOf({ people: [{ id: 'MA', skills: [], shifts: [] }] }));
    expect(nobody.code).toBe(1);
    expect(nobody.err?.['why']).toEqual(
      expect.arrayContaining([
        'yard needs somebody who can mix, and nobody can.',
        'MA has no skills yet. Add them, or leave the person out.',
      ]),
    );
    const past = calm('plan', weekOf({ now: '2026-12-05T08:00:00.000Z' }));
    expect(past.err?.['why']).toEqual(['dinner has begun already: remove its counts.']);
  });
});
