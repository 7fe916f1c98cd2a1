import { describe, expect, it } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { readFileSync } from 'node:fs';
import { doseDocument, simulateDocument } from './simulateDough';
import { type DoseDocument, type SimulateDocument } from '@calm/contract';
import {
  check,
  doseSchema,
  jsonSchemas,
  scaleSchema,
  simulateSchema,
} from '@calm/contract/schemas';
import { leanDough } from '@calm/core/test-support';

const yard = {
  formula: {
    flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
    waterPercent: 62,
    saltPercent: 2.4,
    sugarPercent: 0,
    oilPercent: 0,
    yeast: { form: 'fresh', percent: 0.45 },
  },
  ballWeightG: 275,
  doughTempC: 24,
  stages: [
    { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 10 },
    { kind: 'ball', hours: 40, airTempC: 4, container: 'lidded-tray' },
    { kind: 'ball', hours: 3, airTempC: 23, container: 'lidded-tray' },
  ],
} as const;

function read(input: object): SimulateDocument {
  const checked = check(simulateSchema, input);
  if (!checked.ok) throw new Error(JSON.stringify(checked.errors));
  return checked.value;
}

function simulated(input: object) {
  const way = simulateDocument(read(input));
  if (!way.ok) throw new Error(JSON.stringify(way.reasons));
  return way.value;
}

describe('a dough document', () => {
  it('becomes a series at even steps, with the end of the last stage', () => {
    const { series, stages } = simulated({ ...yard, stepMinutes: 40 });
    expect(series.slice(0, 4).map(({ hour }) => Number(hour.toFixed(6)))).toEqual([
      0,
      Number((2 / 3).toFixed(6)),
      Number((4 / 3).toFixed(6)),
      2,
    ]);
    expect(series.at(-1)?.hour).toBe(45);
    expect(series.at(-1)).toMatchObject({ stage: 2, rise: stages[2]?.rise });
    expect(stages.map(({ endHour }) => endHour)).toEqual([2, 42, 45]);
  });

  it('has the same series whatever the step it is read in', () => {
    const [fine, rough] = [1, 60].map((stepMinutes) => simulated({ ...yard, stepMinutes }));
    expect(fine?.series.length).toBe(45 * 60 + 1);
    for (const point of rough?.series ?? []) {
      const same = fine?.series[Math.round(point.hour * 60)];
      expect(same?.rise).toBeCloseTo(point.rise, 9);
    }
  });

  it('says why there is no window', () => {
    const none = { ...yard, formula: { ...yard.formula, yeast: { form: 'fresh', percent: 0.01 } } };
    expect(simulated(none)).toMatchObject({ window: null, never: 'over-ripe-before-risen' });
  });

  it('is dosed so that simulating it gives the peak that was asked for', () => {
    const asked = { ...yard, peakHour: 45 } as unknown as DoseDocument;
    const dose = doseDocument(asked);
    if (!dose.ok) throw new Error(JSON.stringify(dose.reasons));
    const yeast = { form: 'fresh', percent: dose.value.yeastPercent };
    const again = simulated({ ...yard, formula: { ...yard.formula, yeast } });
    expect(Math.abs((again.window?.peakHour ?? NaN) - 45) * 60).toBeLessThan(5);
  });

  it('counts a pre-ferment’s yeast into the whole, and its night into the ripeness', () => {
    const preferment = {
      name: 'poolish-type',
      flourSharePercent: 25,
      waterPercent: 100,
      yeast: { form: 'fresh', percent: 0.1 },
    };
    const slab = { ...yard, formula: { ...yard.formula, preferment } };
    const stages = [{ kind: 'bulk', hours: 16, airTempC: 19, container: 'tub', massKg: 4 }];
    const histories = { preferment: { doughTempC: 20, stages } };
    const ripe = simulated({ ...slab, histories }).stages[0]?.maturityH ?? NaN;
    expect(ripe - (simulated(slab).stages[0]?.maturityH ?? NaN)).toBeGreaterThan(3);
    const dose = doseDocument({ ...slab, histories, peakHour: 45 } as unknown as DoseDocument);
    if (!dose.ok) throw new Error(JSON.stringify(dose.reasons));
    expect(dose.value.yeastPercent - dose.value.bowlYeast.percent).toBeCloseTo(0.025, 9);
  });
});

describe('what a dough document may say', () => {
  const problems = (schema: typeof simulateSchema | typeof doseSchema, input: object) => {
    const checked = check<unknown>(schema, input);
    return checked.ok ? [] : checked.errors.map(({ path, code }) => `${path} ${code}`).sort();
  };

  it('is every number a kitchen can have, and no other', () => {
    const [bulk, cold] = yard.stages;
    const bad = {
      ...yard,
      formula: { ...yard.formula, yeast: { form: 'fresh', percent: 12 } },
      doughTempC: 'warm',
      stages: [
        { ...bulk, hours: -2 },
        { ...cold, airTempC: 60, massKg: 3 },
      ],
      target: { riseMin: 2.5 },
      colour: 'blue',
    };
    expect(problems(simulateSchema, bad)).toEqual([
      'colour object.unknown',
      'doughTempC number.base',
      'formula/yeast/percent number.max',
      'stages/0/hours number.min',
      'stages/1/airTempC number.max',
      'stages/1/massKg any.unknown',
      'target target.order',
    ]);
    expect(problems(simulateSchema, { ...yard, stages: [] })).toEqual(['stages array.min']);
  });

  it('need not say how much yeast when that is what is asked', () => {
    const formula = { ...yard.formula, yeast: { form: 'instant' } };
    expect(problems(doseSchema, { ...yard, formula, peakHour: 45 })).toEqual([]);
    expect(problems(doseSchema, { ...yard, formula })).toEqual(['peakHour any.required']);
  });
});

describe('the published schemas', () => {
  const root = new URL('../../../docs/formats/', import.meta.url);
  const schemas = jsonSchemas();

  it.each(Object.keys(schemas))('of %s are the ones in docs/formats', (command) => {
    const published = readFileSync(new URL(`${command}.schema.json`, root), 'utf8');
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(schemas[command])));
  });

  it('take and refuse what the engine does', () => {
    const ajv = new Ajv2020({ strict: false });
    const accepts = (command: string, input: object) =>
      ajv.validate(schemas[command] ?? false, input);
    expect(accepts('simulate', yard)).toBe(true);
    expect(accepts('simulate', { ...yard, doughTempC: 90 })).toBe(false);
    expect(accepts('dose', yard)).toBe(false);
    expect(accepts('dose', { ...yard, peakHour: 45 })).toBe(true);
    const scale = { formula: leanDough, items: [{ count: 10, ballWeightG: 275 }] };
    expect(check(scaleSchema, scale).ok).toBe(true);
    expect(accepts('scale', scale)).toBe(true);
    expect(accepts('scale', { ...scale, colour: 'blue' })).toBe(false);
    const file = new URL('./schools.json', import.meta.url);
    const schools = JSON.parse(readFileSync(file, 'utf8')) as { formulas: object[] };
    expect(accepts('formulas-file', schools)).toBe(true);
    expect(accepts('formulas-file', { ...schools, version: 2 })).toBe(false);
  });
});
