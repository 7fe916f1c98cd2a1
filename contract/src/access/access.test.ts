import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { PERMISSIONS, hasPermission, ROLES, type Role } from './permissions';
import { isGoodSecret, PASSWORD_LENGTH, PIN_LENGTH, secretKindOf } from './signIn';
import { check, crewSchema, shiftExceptionSchema, shiftPatternSchema } from '../schemas';

const ID = '00000000-0000-4000-8000-000000000000';

describe('what a role may do', () => {
  it('is all of it for a manager, and seeing for everybody', () => {
    for (const permission of PERMISSIONS) expect(hasPermission('manager', permission)).toBe(true);
    for (const role of ROLES) expect(hasPermission(role, 'see')).toBe(true);
  });

  it('is never more than a manager may, and nothing else for whoever looks on', () => {
    for (const permission of PERMISSIONS)
      expect(hasPermission('viewer', permission)).toBe(permission === 'see');
    // Only managers plan, write the book and look after the crew.
    for (const role of ['hand', 'oven'] as const) {
      for (const permission of ['plan', 'book', 'crew'] as const)
        expect(hasPermission(role, permission)).toBe(false);
    }
    expect(hasPermission('hand', 'make')).toBe(true);
    expect(hasPermission('oven', 'make')).toBe(false);
    expect(hasPermission('oven', 'sell')).toBe(true);
  });
});

describe('a password or PIN', () => {
  it('of those with a PIN is digits, four to eight of them', () => {
    const others = fc.constantFrom<Role>('hand', 'oven', 'viewer');
    fc.assert(
      fc.property(others, fc.string({ maxLength: 12 }), (role, secret) => {
        const isPin = /^[0-9]+$/.test(secret);
        const isLong = secret.length >= PIN_LENGTH.least && secret.length <= PIN_LENGTH.most;
        const isGood = isGoodSecret(role, secret);
        expect(isGood && !(isPin && isLong)).toBe(false);
      }),
    );
    fc.assert(
      fc.property(others, fc.integer({ min: 0, max: 99_999_999 }), (role, n) => {
        const pin = String(n).padStart(4, '0');
        const isRow = [...pin].every(
          (digit, i) =>
            i === 0 || Number(digit) - Number(pin[i - 1]) === Number(pin[1]) - Number(pin[0]),
        );
        expect(isGoodSecret(role, pin)).toBe(!isRow);
      }),
    );
  });

  it('of a manager is long, and not the same few characters', () => {
    expect(secretKindOf('manager')).toBe('password');
    fc.assert(
      fc.property(fc.string({ maxLength: 260 }), (secret) => {
        expect(isGoodSecret('manager', secret)).toBe(
          secret.length >= PASSWORD_LENGTH.least &&
            secret.length <= PASSWORD_LENGTH.most &&
            new Set(secret.trim()).size >= 5,
        );
      }),
    );
  });
});

describe('what is kept about the crew', () => {
  const person = { name: 'Ilka', initials: 'IL', role: 'hand', skills: ['ball'] };
  const codes = (schema: Parameters<typeof check>[0], value: unknown) => {
    const result = check(schema, value, false);
    return result.ok ? [] : result.errors.map(({ path, code }) => `${path}: ${code}`);
  };

  it.each([
    ['a name of blanks', { ...person, name: '   ' }, ['name: string.pattern.name']],
    ['a role of no house', { ...person, role: 'admiral' }, ['role: any.only']],
    ['a skill twice', { ...person, skills: ['ball', 'ball'] }, ['skills/1: array.unique']],
    ['initials of five letters', { ...person, initials: 'ABCDE' }, ['initials: string.max']],
    ['a key that is none', { ...person, secret: '1234' }, ['secret: object.unknown']],
  ])('refuses %s', (_what, value, expected) => {
    expect(codes(crewSchema, value)).toEqual(expected);
  });

  it('takes shifts past midnight, and none that end before they begin or last two days', () => {
    const shift = { personId: ID, weekday: 5, startMin: 16 * 60, endMin: 26 * 60 };
    expect(codes(shiftPatternSchema, shift)).toEqual([]);
    expect(codes(shiftPatternSchema, { ...shift, endMin: 15 * 60 })).toEqual([
      'endMin: number.greater',
    ]);
    expect(codes(shiftPatternSchema, { ...shift, endMin: 3000 })).toEqual(['endMin: number.max']);
    expect(codes(shiftPatternSchema, { ...shift, weekday: 0 })).toEqual(['weekday: number.min']);
  });

  it('takes a day away, and a day at other hours', () => {
    const day = { personId: ID, date: '2026-11-27', hours: null, note: '' };
    expect(codes(shiftExceptionSchema, day)).toEqual([]);
    const hours = { startMin: 600, endMin: 900 };
    expect(codes(shiftExceptionSchema, { ...day, hours })).toEqual([]);
    expect(codes(shiftExceptionSchema, { ...day, date: '2026-02-30' })).toEqual([
      'date: string.isoDate',
    ]);
  });
});
