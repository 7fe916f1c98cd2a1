import { describe, expect, it } from '@jest/globals';
import { BALLS, KITCHEN_TEMP, readNumber } from './readNumber';

describe('readNumber', () => {
  it.each([
    ['120', 120],
    [' 1 200 ', 1200],
    ['1\u202f200', 1200],
    ['0', 0],
  ])('reads %j balls as %d', (text, value) => {
    expect(readNumber(text, BALLS)).toEqual({ ok: true, value });
  });

  it.each([
    ['', 'empty'],
    ['12o', 'not-a-number'],
    ['🥖', 'not-a-number'],
    ['1e3', 'not-a-number'],
    ['--4', 'not-a-number'],
    ['12.5', 'whole'],
    ['-3', 'too-small'],
    ['99999', 'too-large'],
  ])('refuses %j balls: %s', (text, reason) => {
    expect(readNumber(text, BALLS)).toMatchObject({ ok: false, reason });
  });

  it('takes a comma, a point and a printed minus in temperatures', () => {
    expect(readNumber('21,5', KITCHEN_TEMP)).toEqual({ ok: true, value: 21.5 });
    expect(readNumber('\u22123.25', KITCHEN_TEMP)).toEqual({ ok: true, value: -3.3 });
  });

  it('may be empty where the rule says so', () => {
    const rule = { ...KITCHEN_TEMP, mayBeEmpty: true };
    expect(readNumber('  ', rule)).toEqual({ ok: true, value: null });
  });
});
