import { describe, expect, it } from '@jest/globals';
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../..', import.meta.url));

/** Runs the real command as a process of its own. */
function calm(command: string, input: unknown) {
  const text = typeof input === 'string' ? input : JSON.stringify(input);
  const run = spawnSync('node_modules/.bin/tsx', ['cli/src/main.ts', command], {
    cwd: root,
    input: text,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  const parse = (out: string) => (out ? (JSON.parse(out) as Record<string, unknown>) : null);
  return { code: run.status, out: parse(run.stdout), err: parse(run.stderr) };
}

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
    expect(err?.['why']).toEqual([expect.stringContaining('What fits: 1 × 8 kg')]);
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
      iceG: expect.closeTo((12_400 * 18) / 101.9, 6),
      assumed: { flourG: 20_000 },
    });
  });

  it('warns in words', () => {
    const { out } = calm('water', { ...kitchen, roomTempC: 8, flourTempC: 6 });
    const warnings = out?.['warnings'] as { kind: string; say: string }[];
    expect(warnings[0]?.kind).toBe('water-too-hot');
    expect(warnings[0]?.say).toMatch(/over 40 °C harms the yeast/);
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
    expect(out).toMatchObject({ window: null, why: expect.stringContaining('more yeast') });
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
