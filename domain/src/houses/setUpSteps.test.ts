import { exampleBook } from '@calm/demo';
import { NO_PLAN } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import { SET_UP_STEPS, stepsLeft, type HouseSoFar } from './setUpSteps';

const full = exampleBook();
const empty: HouseSoFar = {
  book: {
    ...full,
    mixers: [],
    places: [],
    pantry: [],
    formulas: [],
    routes: [],
    products: [],
  },
  services: [],
  shifts: [],
  plan: { content: NO_PLAN },
  hasLot: false,
};

describe('setting up a house', () => {
  it('begins with everything to do, in order', () => {
    expect(stepsLeft(empty)).toEqual(SET_UP_STEPS);
  });

  it('has less to do with each thing that is there', () => {
    expect(stepsLeft({ ...empty, book: full })).toEqual([
      'services',
      'counts',
      'shifts',
      'plan',
      'batch',
    ]);
    expect(stepsLeft({ ...empty, book: { ...empty.book, mixers: full.mixers } })).not.toContain(
      'mixer',
    );
  });

  it('is over once a dough was started', () => {
    expect(stepsLeft({ ...empty, hasLot: true })).toEqual([]);
  });
});
