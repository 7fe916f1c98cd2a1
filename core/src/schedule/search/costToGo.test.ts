import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { optimizeWeek } from '..';
import { weekOfTen } from '../../test-support/weeks';
import { openLedger } from './ledger';
import { lotVariantsOfDough, type Block, type Edge } from './lotVariants';
import { place, putBack, takeOut } from './placing';
import { QUARTER } from '../problem/problem';
import { startCostsOf, costTablesOf } from './costTables';
import {
  bestStart,
  leastRests,
  offPreferred,
  costsToGo,
  type CostTables,
  type CostToGo,
} from './costToGo';

const doors: Block = {
  works: [],
  quarters: 0,
  serviceId: null,
  anchor: 0,
  next: [],
  domain: [0, 0],
};

/** A rest between two works, what may follow it, and where there is no room. */
const restArb = fc
  .record({
    first: fc.nat(6),
    wayFrom: fc.nat(8),
    least: fc.array(fc.oneof(fc.nat(50), fc.constant(Infinity)), { minLength: 1, maxLength: 24 }),
    hours: fc.tuple(fc.nat(8), fc.nat(8), fc.nat(8)),
    share: fc.double({ min: 0.05, max: 1, noNaN: true }),
    quality: fc.double({ min: 0, max: 30, noNaN: true }),
    fullAt: fc.array(fc.nat(40), { maxLength: 3 }),
    prices: fc.option(fc.array(fc.nat(5), { minLength: 41, maxLength: 41 }), { nil: null }),
  })
  .map(({ first, wayFrom, least, hours, share, quality, fullAt, prices }) => {
    const [a, b, c] = hours;
    const edge = { least: a, preferred: a + b, most: a + b + c, share } as Edge;
    const way: CostToGo = {
      block: doors,
      from: wayFrom,
      least: Float64Array.from(least),
      next: [],
    };
    const full = Int32Array.from({ length: 41 }, (_x, t) =>
      Math.min(99, ...fullAt.filter((at) => at >= t)),
    );
    let sum = 0;
    const sums = prices && Float64Array.from([0, ...prices], (price) => (sum += price));
    const costTables: CostTables = {
      first: 0,
      length: 40,
      quality,
      workAt: () => new Float64Array(40),
      fullFrom: () => full,
      restSums: () => sums,
    };
    return { first, edge, way, full, sums, costTables };
  });

describe('the cheapest rests', () => {
  it('are those that trying every end finds, whatever the hours, the room and the prices', () => {
    fc.assert(
      fc.property(restArb, ({ first, edge, way, full, sums, costTables }) => {
        const told = leastRests(edge, way, first, 12, costTables);
        told.forEach((cost, i) => {
          const begins = first + i;
          let tried = Infinity;
          for (let ends = begins + edge.least; ends <= begins + edge.most; ends += 1) {
            if (ends > (full[begins] ?? 99)) continue;
            const after = way.least[ends - way.from] ?? Infinity;
            const off = costTables.quality * edge.share * offPreferred(edge, ends - begins);
            const price = sums ? (sums[ends] ?? 0) - (sums[begins] ?? 0) : 0;
            tried = Math.min(tried, after + off + price);
          }
          if (tried === Infinity) expect(cost).toBe(Infinity);
          else expect(cost).toBeCloseTo(tried, 8);
        });
      }),
      { numRuns: 500 },
    );
  });
});

describe('a block', () => {
  const problem = weekOfTen(5);
  const variants = problem.doughs.flatMap((dough) => lotVariantsOfDough(problem, dough).flat());

  it('may start exactly where its rests can still lead to the doors', () => {
    expect(variants.length).toBeGreaterThan(20);
    /** Whether doors can be met from a start, by trying every rest. */
    const reaches = ({ anchor, quarters, next }: Block, start: number): boolean =>
      anchor !== null
        ? start === anchor
        : next.every(({ least, most, to }) => {
            for (let rest = least; rest <= most; rest += 1) {
              if (to.domain && reachesFast(to, start + quarters + rest)) return true;
            }
            return false;
          });
    const known = new Map<Block, Map<number, boolean>>();
    const reachesFast = (block: Block, start: number): boolean => {
      const ofBlock = known.get(block) ?? new Map<number, boolean>();
      known.set(block, ofBlock);
      const before = ofBlock.get(start);
      if (before !== undefined) return before;
      const can = reaches(block, start);
      ofBlock.set(start, can);
      return can;
    };
    for (const { root } of variants.slice(0, 12)) {
      const [first, last] = root.domain ?? [NaN, NaN];
      expect([first - 1, first, last, last + 1].map((at) => reachesFast(root, at))).toEqual([
        false,
        true,
        true,
        false,
      ]);
    }
  });

  it('costs the same in terms that follow their ledger as in terms made again', () => {
    const ledger = openLedger(problem);
    const costs = startCostsOf(problem, ledger.span);
    const following = costTablesOf(problem, ledger, costs);
    const placed = variants.flatMap((variant) => {
      const lot = place(problem, ledger, costs, variant, following);
      return lot ? [lot] : [];
    });
    expect(placed.length).toBeGreaterThan(3);
    const isTheSame = () => {
      const again = costTablesOf(problem, ledger, costs);
      for (const variant of variants) {
        const [one, other] = [costsToGo(variant, following), costsToGo(variant, again)];
        expect(one && bestStart(one)).toEqual(other && bestStart(other));
      }
    };
    isTheSame();
    for (const lot of placed) takeOut(ledger, lot);
    isTheSame();
    const [first, second] = placed;
    if (!first || !second) throw new Error('two lots');
    putBack(ledger, second);
    isTheSame();
  });
});

describe('the first plan of a large week', () => {
  it('leaves nothing open, whatever the seed', () => {
    const problem = weekOfTen(10);
    for (const luck of [1, 2, 3, 4]) {
      const first = optimizeWeek(problem, luck).next().value;
      expect(first?.open).toBe(0);
      const starts = first?.plan.lots.flatMap(({ steps }) => steps.map(({ startMin }) => startMin));
      expect(starts?.every((at) => at >= problem.nowMin && at % QUARTER === 0)).toBe(true);
    }
  });
});
