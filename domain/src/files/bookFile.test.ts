import { describe, expect, it } from '@jest/globals';
import { toPerLitre } from '@calm/core';
import { exampleBook } from '@calm/demo';
import fc from 'fast-check';
import { anyFormula } from '@calm/core/test-support';
import type { BookFile } from '@calm/contract';
import { bookFileOf } from './bookFileOf';
import { readBookFile } from './readBookFile';

const write = (file: object) => JSON.stringify(file, null, 2);
const yard = bookFileOf(exampleBook());
const of = (formulas: object[]) => ({ format: 'calm-tray-formulas', version: 1, formulas });

describe('a file of formulas', () => {
  it('carries the whole book there and back', () => {
    const read = readBookFile(write(yard));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value).toEqual(yard);
    expect(read.value.formulas.map(({ code }) => code).sort()).toEqual(['CR', 'SL', 'YR']);
    expect(read.value.routes).toHaveLength(3);
  });

  it('loses nothing of any formula', () => {
    fc.assert(
      fc.property(fc.array(anyFormula, { maxLength: 4 }), (formulas) => {
        const file: BookFile = {
          ...yard,
          formulas: formulas.map((formula, i) => ({
            name: `Dough ${i}`,
            code: `A${String.fromCharCode(65 + i)}`,
            doughTempC: 24,
            formula,
          })),
        };
        expect(readBookFile(write(file))).toEqual({ ok: true, value: file });
      }),
    );
  });

  it('may count a formula per litre of water', () => {
    const { formula } = yard.formulas[0] ?? {};
    if (!formula) throw new Error('the house has a dough');
    const read = readBookFile(
      write(of([{ name: 'L', code: 'LL', doughTempC: 24, perLitre: toPerLitre(formula) }])),
    );
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.formulas[0]?.formula.waterPercent).toBeCloseTo(formula.waterPercent, 9);
    expect(read.value.formulas[0]?.formula.saltPercent).toBeCloseTo(formula.saltPercent, 9);
  });

  it('with three faults is refused whole, each with its line', () => {
    const text = `{
  "format": "calm-tray-formulas",
  "version": 1,
  "formulas": [
    { "name": "Good", "code": "GD", "doughTempC": 24,
      "formula": { "flours": [{ "name": "white", "percent": 100 }],
        "waterPercent": 60, "saltPercent": 2.5, "yeast": { "form": "fresh", "percent": 0.3 } } },
    { "name": "Bad", "code": "bd", "doughTempC": 24,
      "formula": { "flours": [{ "name": "white", "percent": 90 }],
        "waterPercent": 60,
        "saltPercent": 250, "yeast": { "form": "fresh", "percent": 0.3 } } }
  ]
}`;
    const read = readBookFile(text);
    if (read.ok) throw new Error('three faults');
    expect(read.problems.map(({ line, path }) => `${line} ${path}`)).toEqual([
      '8 formulas/1/code',
      '9 formulas/1/formula/flours',
      '11 formulas/1/formula/saltPercent',
    ]);
  });

  it('that is no JSON, or another file, says so', () => {
    const torn = readBookFile('{\n  "format": "calm-tray-formulas",\n  "formulas": [ }');
    expect(torn).toMatchObject({ ok: false, problems: [{ code: 'json.invalid', line: 3 }] });
    expect(readBookFile('')).toMatchObject({ ok: false });
    const other = readBookFile(write({ format: 'something', version: 1, formulas: [] }));
    expect(other).toMatchObject({ ok: false, problems: [{ path: 'format', line: 2 }] });
    const both = readBookFile(write(of([{ ...yard.formulas[0], perLitre: {} }])));
    expect(both.ok).toBe(false);
    const twice = readBookFile(write(of([yard.formulas[0] ?? {}, yard.formulas[0] ?? {}])));
    if (twice.ok) throw new Error('the same dough twice');
    expect(twice.problems.map(({ path, message }) => `${path}: ${message}`)).toEqual([
      'formulas/1: "formulas[1]" has the same code as another before it',
      'formulas/1: "formulas[1]" has the same name as another before it',
    ]);
  });
});
