import { describe, expect, it } from '@jest/globals';
import { exampleBook } from '@calm/demo';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { anyFormula } from '@calm/core/test-support';
import { writeBookCsv } from './bookCsv';
import type { BookFile } from '@calm/contract';
import { bookFileOf } from './bookFileOf';
import { readBookCsv } from './readBookCsv';
import { readBookFile } from './readBookFile';

const yard = bookFileOf(exampleBook());
const schools = readBookFile(
  readFileSync(new URL('../formulas/schools.json', import.meta.url), 'utf8'),
);

function read(text: string): BookFile {
  const file = readBookCsv(text);
  if (!file.ok) throw new Error(JSON.stringify(file.problems));
  return file.value;
}

describe('a book as a table', () => {
  it('carries the whole house there and back: pre-ferments, methods, routes', () => {
    expect(read(writeBookCsv(yard))).toEqual(yard);
  });

  it('carries every school, old dough and all', () => {
    if (!schools.ok) throw new Error('the schools are fine');
    expect(read(writeBookCsv(schools.value))).toEqual(schools.value);
  });

  it('says whether dry yeast is woken first', () => {
    const woken = (isPreWetted: boolean): BookFile => ({
      ...yard,
      formulas: yard.formulas.slice(0, 1).map((entry) => ({
        ...entry,
        formula: {
          ...entry.formula,
          yeast: { form: 'active-dry' as const, percent: 0.2, isPreWetted },
        },
      })),
    });
    for (const is of [true, false]) expect(read(writeBookCsv(woken(is)))).toEqual(woken(is));
  });

  it('loses nothing of any formula', () => {
    const name = fc.string({ minLength: 1, maxLength: 20, unit: 'grapheme' }).filter((text) => {
      const isPlain = text.trim() === text && !/^'?[=+\-@\t\r]/.test(text);
      return isPlain && !/\p{Cc}/u.test(text) && text.length <= 60;
    });
    fc.assert(
      fc.property(anyFormula, name, (formula, own) => {
        const file: BookFile = {
          format: yard.format,
          version: yard.version,
          formulas: [{ name: own, code: 'AA', doughTempC: 23.5, formula }],
        };
        expect(read(writeBookCsv(file))).toEqual(file);
      }),
    );
  });

  it('may come from a spreadsheet with semicolons and decimal commas', () => {
    const text = [
      'code;name;part;kind;ingredient;value;form',
      'HB;Harbour;dough;temperature;;24;',
      'HB;Harbour;dough;flour;white;100;',
      'HB;Harbour;dough;water;;62,5;',
      'HB;Harbour;dough;salt;;2,5;',
      'HB;Harbour;dough;yeast;;0,3;fresh',
    ].join('\r\n');
    expect(read(`\ufeff${text}`).formulas[0]?.formula).toEqual({
      flours: [{ name: 'white', percent: 100 }],
      waterPercent: 62.5,
      saltPercent: 2.5,
      yeast: { form: 'fresh', percent: 0.3 },
    });
  });

  it('keeps a spreadsheet from computing a name', () => {
    const formulas = yard.formulas.slice(0, 1).map((f) => ({ ...f, name: '=SUM(A1)' }));
    const file = { ...yard, formulas };
    const text = writeBookCsv(file);
    expect(text).toContain("'=SUM(A1)");
    expect(read(text).formulas[0]?.name).toBe('=SUM(A1)');
  });

  it('with faults is refused whole, each with its line', () => {
    const lines = [
      'code,name,part,kind,ingredient,value,form',
      'HB,Harbour,dough,temperature,,240,',
      'HB,Harbour,dough,flour,white,ninety,',
      'HB,Harbour,dough,water,,62,',
      'HB,Harbour,dough,salt,,250,',
      'HB,Harbour,dough,yeast,,0.3,wild',
    ];
    const bad = readBookCsv(lines.join('\n'));
    if (bad.ok) throw new Error('four faults');
    expect(bad.problems.map(({ line, path }) => `${line} ${path}`)).toEqual([
      '2 formulas/0/doughTempC',
      '3 formulas/0/formula/flours/0/percent',
      '5 formulas/0/formula/saltPercent',
      '6 formulas/0/formula/yeast/form',
    ]);
    const strange = readBookCsv(
      `${lines[0]}\nHB,Harbour,sauce,water,,1,\nHB,Harbour,dough,jam,,1,`,
    );
    expect(strange).toMatchObject({ ok: false, problems: [{ line: 2 }, { line: 3 }] });
    expect(readBookCsv('colour,size\nred,2')).toMatchObject({
      problems: [{ code: 'csv.columns' }],
    });
    expect(readBookCsv('')).toMatchObject({ ok: false });
  });
});
