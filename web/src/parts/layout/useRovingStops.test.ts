import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { nextStop } from './useRovingStops';

const boxAt = (x: number, y: number) => ({ left: x, right: x + 40, top: y, bottom: y + 40 });

describe('what is next on a side', () => {
  test('along a row it is the next in the row, and nothing of another row', () => {
    const boxes = [boxAt(0, 0), boxAt(200, 0), boxAt(20, 50)];
    expect(nextStop('right', 0, boxes)).toBe(1);
    expect(nextStop('left', 1, boxes)).toBe(0);
    expect(nextStop('right', 2, boxes)).toBeNull();
  });

  test('from row to row it is the next row, however far aside, though one further down stands straight below', () => {
    const boxes = [boxAt(0, 0), boxAt(0, 100), boxAt(1800, 50), boxAt(1400, 52)];
    expect(nextStop('down', 0, boxes)).toBe(3);
    expect(nextStop('up', 1, boxes)).toBe(3);
    expect(nextStop('up', 0, boxes)).toBeNull();
  });

  test('every one is come to from the first, though some stand in the same place', () => {
    const place = fc.record({
      x: fc.integer({ min: 0, max: 12 }).map((step) => step * 30),
      row: fc.integer({ min: 0, max: 4 }),
    });
    fc.assert(
      fc.property(fc.array(place, { minLength: 1, maxLength: 30 }), (places) => {
        const boxes = places.map(({ x, row }) => boxAt(x, row * 50));
        const reached = new Set([0]);
        for (const from of reached) {
          for (const side of ['left', 'right', 'up', 'down'] as const) {
            const next = nextStop(side, from, boxes);
            if (next !== null) reached.add(next);
          }
        }
        expect(reached.size).toBe(boxes.length);
      }),
    );
  });
});
