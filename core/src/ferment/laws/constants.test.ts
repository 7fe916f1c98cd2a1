import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { FERMENT, STARTING } from './constants';

const document = readFileSync(
  new URL('../../../../docs/dough-science.md', import.meta.url),
  'utf8',
);
const constants = Object.entries(FERMENT);

describe.each(constants)('the constant %s', (name, { value, low, high, unit, source }) => {
  it('lies in its plausible range, with a unit', () => {
    expect(low).toBeLessThan(value);
    expect(value).toBeLessThan(high);
    expect(unit).not.toBe('');
  });

  it('names its source, or says that it is a starting value and why', () => {
    expect(source).toMatch(/\d{4}|Arrhenius|starting value: .{20,}/);
  });

  it('stands in docs/dough-science.md with its value and its range', () => {
    const line = document.split('\n').find((each) => each.startsWith(`| \`${name}\``)) ?? '';
    const cells = line.split('|').map((cell) => cell.trim());
    expect(cells).toContain(String(value));
    expect(cells).toContain(`${low} … ${high}`);
  });
});

describe('the constants', () => {
  it('are what the engine starts with', () => {
    for (const [name, { value }] of constants) {
      expect(STARTING[name as keyof typeof STARTING]).toBe(value);
    }
  });
});
