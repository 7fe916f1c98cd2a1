import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { mixerCalled } from './mixerSize';

describe('a mixer as people call it', () => {
  it.each([
    ['20-quart planetary', 'planetary', 6.5],
    ['planetary 20 qt', 'planetary', 6.5],
    ['Planetaria 10 litri', 'planetary', 3.5],
    ['40 kg spiral', 'spiral', 40],
    ['espiral de 25,5 kg', 'spiral', 26],
    ['fork mixer, 50 lb', 'fork', 23],
    ['By hand', 'hand', 6],
  ])('%s', (name, kind, maxDoughKg) => {
    expect(mixerCalled(name)).toMatchObject({ kind, maxDoughKg });
  });

  it('says nothing where nothing is to be read', () => {
    for (const name of ['', 'the big one', '20 quart', 'spiral', 'spiral 0 kg'])
      expect(mixerCalled(name)).toBeNull();
  });

  it('takes less at least than at most, whatever its size', () => {
    const kinds = fc.constantFrom('spiral', 'planetary', 'fork');
    fc.assert(
      fc.property(kinds, fc.integer({ min: 1, max: 300 }), (kind, kg) => {
        const guess = mixerCalled(`${kg} kg ${kind}`);
        expect(guess && guess.minDoughKg <= guess.maxDoughKg).toBe(true);
      }),
    );
  });
});
