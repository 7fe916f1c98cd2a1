import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import Papa from 'papaparse';
import { writeCsv } from './writeCsv';

describe('a table', () => {
  it.each(['=1+1', '+cmd', '-2+3', '@SUM(A1)', '\t=1', '\r=1', '=HYPERLINK("x")'])(
    'runs no formula: %j',
    (text) => {
      const cell = Papa.parse<string[]>(writeCsv([{ a: text }])).data[1]?.[0];
      expect(cell).toBe(`'${text}`);
    },
  );

  it.each(['-18.0', '+4', '-18,5', '12 571', 'plain', ''])('leaves %j as it is', (text) => {
    expect(Papa.parse<string[]>(writeCsv([{ a: text, b: 1 }])).data[1]?.[0]).toBe(text);
  });

  it('says every number as it is, and any text again', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), fc.string(), (n, text) => {
        const [, row] = Papa.parse<string[]>(writeCsv([{ n, text }], ['n', 'text'])).data;
        expect(Number(row?.[0])).toBe(n === 0 ? 0 : n);
        expect([text, `'${text}`]).toContain(row?.[1]);
      }),
    );
  });
});
