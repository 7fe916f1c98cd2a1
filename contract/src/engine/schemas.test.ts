import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { ObjectSchema } from 'joi';
import {
  check,
  countChangeSchema,
  daysQuery,
  formulaSchema,
  loadChangeSchema,
  lotStartSchema,
  noteChangeSchema,
  paramsSchema,
  scaleSchema,
  waterSchema,
} from '../schemas';
import { anyFormula, anyScaleRequest, leanDough } from '@calm/core/test-support';

const paths = <T>(schema: ObjectSchema<T>, value: unknown, convert = false): string[] => {
  const checked = check(schema, value, convert);
  return checked.ok ? [] : checked.errors.map((error) => `${error.path} ${error.code}`).sort();
};
const ID = '00000000-0000-4000-8000-000000000000';

describe('formula', () => {
  it('takes every sensible formula as it is', () => {
    fc.assert(
      fc.property(anyFormula, (formula) => {
        const checked = check(formulaSchema, formula);
        if (!checked.ok) throw new Error(JSON.stringify(checked.errors));
        expect(checked.value).toEqual(formula);
      }),
    );
  });

  it('wants flours that sum to 100, each with a name of its own', () => {
    const flours = (...percents: number[]) => ({
      ...leanDough,
      flours: percents.map((percent, i) => ({ name: `flour ${i}`, percent })),
    });
    expect(paths(formulaSchema, flours(60, 40))).toEqual([]);
    expect(paths(formulaSchema, flours(60, 30))).toEqual(['flours flours.sum']);
    expect(paths(formulaSchema, flours())).toContain('flours array.min');
    const twice = { ...leanDough, flours: [50, 50].map((percent) => ({ name: 'same', percent })) };
    expect(paths(formulaSchema, twice)).toEqual(['flours/1 array.unique']);
  });

  it.each([
    ['150 % salt', { saltPercent: 150 }, ['saltPercent number.max']],
    ['no water', { waterPercent: 0 }, ['waterPercent number.greater']],
    ['letters', { waterPercent: '62' }, ['waterPercent number.base']],
    ['an unknown key', { sugar: 2 }, ['sugar object.unknown']],
    ['an unknown yeast', { yeast: { form: 'wild', percent: 1 } }, ['yeast/form any.only']],
    ['not a number', { saltPercent: NaN }, ['saltPercent number.base']],
    ['endless water', { waterPercent: Infinity }, ['waterPercent number.infinity']],
  ])('refuses %s at its path', (_name, change, expected) => {
    expect(paths(formulaSchema, { ...leanDough, ...change })).toEqual(expected);
  });

  it('reads milk with a composition and fills what it leaves out with nothing', () => {
    const milk = { name: 'milk', percent: 10, composition: { waterPercent: 88 } };
    const checked = check(formulaSchema, { ...leanDough, additions: [milk] });
    expect(checked.ok && checked.value.additions?.[0]?.composition).toEqual({
      waterPercent: 88,
      saltPercent: 0,
      fatPercent: 0,
      sugarPercent: 0,
    });
  });
});

describe('the engine’s requests', () => {
  it('take every sensible scaling', () => {
    fc.assert(
      fc.property(anyScaleRequest, (request) => expect(paths(scaleSchema, request)).toEqual([])),
      { numRuns: 50 },
    );
  });

  it('assume ordinary scales when none are named', () => {
    const request = { formula: leanDough, items: [{ count: 1, ballWeightG: 275 }] };
    const checked = check(scaleSchema, request);
    expect(checked.ok && checked.value.scaleReadabilityG).toEqual({ default: 1, yeast: 0.1 });
  });

  it('list all that is missing from a water request', () => {
    expect(paths(waterSchema, {})).toEqual(
      ['doughTempC', 'flourTempC', 'frictionC', 'roomTempC', 'tapTempC', 'waterG'].map(
        (key) => `${key} any.required`,
      ),
    );
  });
});

describe('the house’s requests', () => {
  it('know a real date from one that is none', () => {
    const dates = (from: string) => paths(daysQuery, { from, days: '3' }, true);
    expect(dates('2028-02-29')).toEqual([]);
    for (const wrong of ['2026-02-29', '2026-13-01', '26-01-01', 'today', '2026-01-01T00:00']) {
      expect(dates(wrong)).toEqual(['from string.isoDate']);
    }
  });

  it('read numbers from addresses but never from JSON text', () => {
    const load = { house: 'yard', lot: ID, number: '2' };
    const checked = check(paramsSchema('/houses/:house/lots/:lot/loads/:number'), load, true);
    expect(checked.ok && checked.value).toMatchObject({ number: 2 });
    expect(paths(countChangeSchema, { count: '4', version: 0 })).toEqual(['count number.base']);
  });

  it('let a count go back to the usual, and nothing else be null', () => {
    expect(paths(countChangeSchema, { count: null, version: 3 })).toEqual([]);
    expect(paths(countChangeSchema, { count: 4, version: null })).toEqual(['version number.base']);
  });

  it('want every temperature of a load said, the pre-ferment’s if only as none', () => {
    const temps = { roomTempC: 22, flourTempC: 21, tapTempC: 12, prefermentTempC: null };
    expect(paths(loadChangeSchema, { ...temps, doughOutC: null, version: 1 })).toEqual([]);
    expect(paths(loadChangeSchema, { ...temps, version: 1 })).toEqual(['doughOutC any.required']);
    expect(paths(loadChangeSchema, { ...temps, tapTempC: -2, doughOutC: 80, version: 1 })).toEqual([
      'doughOutC number.max',
      'tapTempC number.min',
    ]);
  });

  it('do not start a lot of one product twice', () => {
    const item = { productId: ID, count: 4 };
    const start = {
      productId: ID,
      serviceDate: '2026-11-25',
      mixerId: ID,
      items: [item, item],
      temps: { roomTempC: 22, flourTempC: 21, tapTempC: 12, prefermentTempC: 19 },
    };
    expect(paths(lotStartSchema, start)).toEqual(['items/1 array.unique']);
  });

  it('take a note in any script but not a control character', () => {
    expect(paths(noteChangeSchema, { note: '面团 🌡️\nmore', version: 1 })).toEqual([]);
    expect(paths(noteChangeSchema, { note: 'bell\u0007', version: 1 })).toEqual([
      'note string.pattern.name',
    ]);
  });
});

describe('check', () => {
  it('refuses nothing at all, and things that are no object', () => {
    for (const value of [undefined, null, 4, 'text', []]) {
      expect(check(countChangeSchema, value).ok).toBe(false);
    }
  });

  it('keeps the limit that was passed, for the wording', () => {
    const checked = check(countChangeSchema, { count: -1, version: 0 });
    expect(checked).toMatchObject({ ok: false, errors: [{ path: 'count', limit: 0 }] });
  });
});
