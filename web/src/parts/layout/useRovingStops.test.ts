import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { distanceTo } from './useRovingStops';

const boxAt = (x: number, y: number) => ({ left: x, right: x + 40, top: y, bottom: y + 40 });

describe('what is nearest on a side', () => {
  test('along a row it is the next in the row, and nothing of another row', () => {
    const from = boxAt(0, 0);
    const inRow = distanceTo('right', from, boxAt(200, 0));
    const below = distanceTo('right', from, boxAt(20, 50));
    expect(inRow).toBe(200);
    expect(below).toBeNull();
  });

  test('from row to row it is the next row, though one further down stands straight below', () => {
    const from = boxAt(0, 0);
    const nextRow = distanceTo('down', from, boxAt(180, 50));
    const straight = distanceTo('down', from, boxAt(0, 100));
    expect(nextRow).toBeLessThan(straight ?? 0);
  });

  test('what lies on one side does not lie on the other', () => {
    const coordinate = fc.integer({ min: -500, max: 500 });
    fc.assert(
      fc.property(coordinate, coordinate, (x, y) => {
        const [from, to] = [boxAt(0, 0), boxAt(x, y)];
        const sides = [distanceTo('left', from, to), distanceTo('right', from, to)];
        const isInRow = Math.abs(y) < 40;
        expect(sides.filter((far) => far !== null)).toHaveLength(x !== 0 && isInRow ? 1 : 0);
        expect(distanceTo('up', from, to) === null).toBe(y >= 0);
      }),
    );
  });
});
