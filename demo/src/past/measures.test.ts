import { DAY_MS } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { exampleBook } from '../load';
import { foretold } from './foretold';
import { makeHistory } from './history';
import { makeMeasures } from './measures';

const NOW = new Date('2026-11-25T14:40:00Z');
const book = exampleBook();
const lots = makeHistory(book, NOW);
const measures = makeMeasures(lots, book, NOW);

describe('what Lantern Yard measured', () => {
  it('is of most lots of the last six weeks, some things each', () => {
    const measured = new Set(measures.map(({ lot }) => lot));
    const recent = lots.filter(({ doorsAt }) => NOW.getTime() - Date.parse(doorsAt) < 42 * DAY_MS);
    expect(measured.size / recent.length).toBeGreaterThan(0.7);
    expect(measured.size / recent.length).toBeLessThan(0.95);
    expect(new Set(measures.map(({ content }) => content.kind))).toEqual(
      new Set(['risen', 'core', 'checked']),
    );
  });

  it('foretells the windows of two weeks by what was learned before, twice as well as nothing does', () => {
    const { lots: told, unlearnedMin, learnedMin } = foretold(book, NOW);
    expect(told).toBeGreaterThan(20);
    expect(learnedMin).toBeLessThanOrEqual(20);
    expect(learnedMin).toBeLessThan(unlearnedMin / 2);
  });
});
