import { STANDARD_TARGET } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { check } from '../api/check';
import { countsChangeSchema, eventSchema } from '../demand/demandSchemas';
import {
  bookImportSchema,
  ingredientSchema,
  productSchema,
  routeSchema,
} from '../book/bookSchemas';
import { changeOf } from '../api/changeOf';
import { lossChangeSchema } from './lotSchemas';

const ID = '6f1d1c3e-8a53-4a0e-9d5e-3c1e3f6f0a11';
type Schema = Parameters<typeof check>[0];
const pathsOf = (schema: Schema, value: unknown) => {
  const checked = check(schema, value, false);
  return checked.ok ? [] : checked.errors.map(({ path }) => path).sort();
};

const product = {
  name: 'Quay Round',
  formulaId: ID,
  routeId: ID,
  ballWeightG: 280,
  trimPercent: 0,
  ballsPerTray: 12,
  isFromRemainders: false,
  target: STANDARD_TARGET,
};
const route = {
  name: 'Quay way',
  stages: [
    {
      kind: 'rest',
      key: 'bulk',
      place: 'Bench',
      airTempC: 22,
      container: 'tub',
      hours: { least: 1, preferred: 2, most: 3 },
    },
  ],
};

describe('a product', () => {
  it('is taken whole, and nothing else', () => {
    expect(pathsOf(productSchema, product)).toEqual([]);
    expect(pathsOf(productSchema, { ...product, colour: 'red' })).toEqual(['colour']);
    expect(pathsOf(productSchema, {})).toHaveLength(Object.keys(product).length);
  });

  it('is told everything that is wrong with it', () => {
    const wrong = { ...product, ballWeightG: 5, trimPercent: 99, ballsPerTray: 1.5, name: '' };
    expect(pathsOf(productSchema, wrong)).toEqual([
      'ballWeightG',
      'ballsPerTray',
      'name',
      'trimPercent',
    ]);
    const muddled = { ...STANDARD_TARGET, risePeak: 9 };
    expect(pathsOf(productSchema, { ...product, target: muddled })).toEqual(['target/risePeak']);
  });
});

describe('a route', () => {
  it('needs a stage, hours in order, and air that kitchens have', () => {
    expect(pathsOf(routeSchema, route)).toEqual([]);
    expect(pathsOf(routeSchema, { ...route, stages: [] })).toEqual(['stages']);
    const [stage] = route.stages;
    const bad = { ...stage, airTempC: 60, hours: { least: 4, preferred: 2, most: 3 } };
    expect(pathsOf(routeSchema, { ...route, stages: [bad] })).toEqual([
      'stages/0/airTempC',
      'stages/0/hours/preferred',
    ]);
  });
});

describe('something the house buys', () => {
  it('needs a name and its allergens, each once', () => {
    expect(pathsOf(ingredientSchema, { name: 'salt', allergens: [] })).toEqual([]);
    expect(pathsOf(ingredientSchema, { name: 'salt' })).toEqual(['allergens']);
    const twice = { name: 'malt', allergens: ['barley', 'barley'] };
    expect(pathsOf(ingredientSchema, twice)).toEqual(['allergens/1']);
  });

  it('cannot cost or weigh less than nothing, nor be good until a day that is not', () => {
    const wrong = {
      name: 'flour',
      allergens: [],
      costPerKg: -1,
      bagKg: 0,
      storeKg: -2,
      goodUntil: '2026-02-30',
    };
    expect(pathsOf(ingredientSchema, wrong)).toEqual([
      'bagKg',
      'costPerKg',
      'goodUntil',
      'storeKg',
    ]);
  });
});

describe('an event', () => {
  const event = {
    date: '2026-12-04',
    patternId: null,
    name: 'Regatta',
    expectedPercent: 150,
    note: '',
  };

  it('is of a whole day or of one service', () => {
    expect(pathsOf(eventSchema, event)).toEqual([]);
    expect(pathsOf(eventSchema, { ...event, patternId: ID })).toEqual([]);
    expect(pathsOf(eventSchema, { ...event, patternId: 'dinner' })).toEqual(['patternId']);
    expect(pathsOf(eventSchema, { ...event, expectedPercent: 0 })).toEqual(['expectedPercent']);
  });
});

describe('what is sent together', () => {
  it('is a change over a version, with its whole content', () => {
    expect(pathsOf(changeOf(routeSchema), { version: 3, content: route })).toEqual([]);
    expect(pathsOf(changeOf(routeSchema), { content: route })).toEqual(['version']);
    expect(pathsOf(changeOf(routeSchema), { version: 1, content: { name: 'x' } })).toEqual([
      'content/stages',
    ]);
  });

  it('is a file’s routes, known or new', () => {
    const file = (routes: object[]) => ({ note: '', formulas: [], routes });
    expect(pathsOf(bookImportSchema, file([{ content: route }]))).toEqual([]);
    expect(pathsOf(bookImportSchema, file([{ id: ID, version: 1, content: route }]))).toEqual([]);
    expect(pathsOf(bookImportSchema, file([{ id: ID, content: route }])).length).toBeGreaterThan(0);
  });

  it('is a week of counts, never none and never a part of a ball', () => {
    const count = { date: '2026-12-04', patternId: ID, productId: ID, count: 4, version: 0 };
    expect(pathsOf(countsChangeSchema, { counts: [count, { ...count, count: null }] })).toEqual([]);
    expect(pathsOf(countsChangeSchema, { counts: [] })).toEqual(['counts']);
    expect(pathsOf(countsChangeSchema, { counts: [{ ...count, count: 1.5 }] })).toEqual([
      'counts/0/count',
    ]);
  });

  it('is what a lot left behind, or that nothing was weighed', () => {
    expect(pathsOf(lossChangeSchema, { leftG: null, trimG: 40, version: 1 })).toEqual([]);
    expect(pathsOf(lossChangeSchema, { leftG: -1, version: 1 })).toEqual(['leftG', 'trimG']);
  });
});
