import type { HouseBook } from '@calm/contract';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { recipeFor } from '../lots/recipe';
import { methodMinutesIn, routeInMixer, routeLoadMin } from './mixingIn';

const book = exampleBook();
/** The one that is asked for: a test that finds none says so. */
function found<T>(list: readonly T[], is: (each: T) => boolean): T {
  const [one] = list.filter(is);
  if (one === undefined) throw new Error('the example house has it');
  return one;
}
const product = found(book.products, ({ slug }) => slug === 'yard-round');
const record = found(book.formulas, ({ id }) => id === product.formulaId);
const route = found(book.routes, ({ id }) => id === product.routeId).stages;
const own = found(book.mixers, ({ id }) => id === record.mixerId);
const rested = {
  ...record,
  method: {
    ...record.method,
    steps: [...record.method.steps, { key: 'rest', title: 'Rest', detail: '', minutes: 40 }],
  },
};

describe('one clock for method and plan', () => {
  it('is the route’s while the method fits into it', () => {
    expect(methodMinutesIn(book, record, own)).toBe(12);
    expect(routeInMixer(book, record, route, own)).toBe(route);
  });

  it('is the method’s where that takes longer: in the plan, and on the sheet', () => {
    expect(routeLoadMin(routeInMixer(book, rested, route, own))).toBe(52);
    const longer: HouseBook = {
      ...book,
      formulas: book.formulas.map((each) => (each.id === record.id ? rested : each)),
    };
    expect(routeLoadMin(recipeFor(longer, product).route)).toBe(52);
  });

  it('tells work as longer in a mixer that is slower, and rest as long as before', () => {
    const fork = { ...own, id: 'fork', kind: 'fork' as const };
    const others = { ...book, mixers: [...book.mixers, fork] };
    const worked = methodMinutesIn(others, record, fork);
    expect(worked).toBeGreaterThan(12);
    expect(methodMinutesIn(others, rested, fork)).toBe((worked ?? NaN) + 40);
  });

  it('is the route’s where a method tells no minutes', () => {
    const untimed = { ...record, method: { ...record.method, steps: [] } };
    expect(methodMinutesIn(book, untimed, own)).toBeNull();
    expect(routeInMixer(book, untimed, route, own)).toBe(route);
  });
});
