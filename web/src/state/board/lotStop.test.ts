import { boardLots, leadProducts, lotPositionOf } from '@calm/domain';
import { exampleBook, exampleServices } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { stopOf } from './lotStop';

describe('a lot', () => {
  it('is found at each stop of the spine as time goes on', () => {
    const book = exampleBook();
    const round = leadProducts(book).find(({ slug }) => slug === 'yard-round');
    if (!round) throw new Error('the demo has a round');
    const [lot] = boardLots(book, exampleServices(round), []);
    if (!lot) throw new Error('wanted, so on the board');
    const now = (lot.stages[0]?.startMs ?? 0) - 1;
    const stops = lot.stages.map((stage) => stopOf(lotPositionOf(lot, stage.endMs - 1, now)));
    expect(stops).toEqual(['plan', 'mix', 'mix', 'mix', 'mix', 'walk-in', 'walk-in', 'tonight']);
    expect(stopOf(lotPositionOf(lot, lot.doorsMs, now))).toBe('tonight');
    expect(stopOf(lotPositionOf(lot, lot.closeMs, now))).toBe('log');
  });
});
