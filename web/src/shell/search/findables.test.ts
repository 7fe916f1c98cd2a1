import { describe, expect, it } from '@jest/globals';
import { findAmong, type Findable } from './findables';

const all: Findable[] = [
  { kind: 'page', to: 'plan', name: 'Plan' },
  { kind: 'page', to: 'formulas/pantry', name: 'Pantry' },
  { kind: 'dough', to: 'formulas/a', name: 'Crème dough', hint: 'CR' },
  { kind: 'dough', to: 'formulas/b', name: 'Yard dough', hint: 'YR' },
  { kind: 'lot', to: 'log/YR-1125-A', name: 'YR-1125-A', hint: 'Yard dough' },
  {
    kind: 'manual',
    to: 'help',
    name: 'Weigh off',
    text: 'Put the tub on the scale, then the flour.',
  },
];
const names = (typed: string) => findAmong(all, typed).map(({ name }) => name);

describe('what was typed', () => {
  it.each([
    ['', ['Plan', 'Pantry']],
    ['pla', ['Plan']],
    ['creme', ['Crème dough']],
    ['CRÈME', ['Crème dough']],
    ['dough yr', ['Yard dough', 'YR-1125-A']],
    ['1125', ['YR-1125-A']],
    ['flour scale', ['Weigh off']],
    ['nothing like it', []],
  ])('%j finds %j', (typed, found) => {
    expect(names(typed)).toEqual(found);
  });

  it('finds what begins so before what has it inside', () => {
    const two: Findable[] = [
      { kind: 'person', to: 'crew', name: 'Ilmari' },
      { kind: 'person', to: 'crew', name: 'Maro' },
    ];
    expect(findAmong(two, 'mar').map(({ name }) => name)).toEqual(['Maro', 'Ilmari']);
  });

  it('shows no more of one kind than can be looked through', () => {
    const many = Array.from({ length: 30 }, (_, i): Findable => ({
      kind: 'lot',
      to: `${i}`,
      name: `L-${i}`,
    }));
    expect(findAmong(many, 'l')).toHaveLength(6);
  });
});
