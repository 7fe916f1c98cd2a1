import type { LotRecord, RecordContent } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { board, chilled, NOW_MS, product, record, services } from '../test-support/coldLots';
import { serviceIdOf } from '../week/weekIds';
import { ballSources, lentOf, surplusOf, takenFrom, type BallSource } from './ballSources';

const lot = board(chilled);
const made = lot.items.find(({ productId }) => productId === product.id)?.count ?? 0;
const own = services.filter(({ date }) => date === lot.date);
const [first] = own;
if (!first) throw new Error('the lot is for a service');
/** The evening before: nobody of that day waits for it. */
const before = {
  ...first,
  date: '2000-01-01',
  startsAt: new Date(NOW_MS).toISOString(),
  endsAt: new Date(NOW_MS + 3_600_000).toISOString(),
};
const pulled = (serviceId: string, balls: number): LotRecord =>
  record(NOW_MS, {
    kind: 'pulled',
    productId: product.id,
    serviceId,
    trays: Math.ceil(balls / 12),
    balls,
  } satisfies RecordContent);
const sources = (records: readonly LotRecord[] = []): BallSource[] =>
  ballSources([lot], own, records, product.id, before, NOW_MS);

describe('where more balls could come from', () => {
  it('is every lot that stands: what nobody waits for, and what later services wait for', () => {
    const [source] = sources();
    const waited = source?.later.reduce((sum, { balls }) => sum + balls, 0) ?? 0;
    expect(source?.standing).toBe(made);
    expect((source?.spare ?? 0) + waited).toBe(made);
    expect(waited).toBeGreaterThan(0);
  });

  it('has no ball twice, and none that was pulled', () => {
    const [source] = sources([pulled('2000-01-01/x', 24)]);
    expect(source?.standing).toBe(made - 24);
    expect(
      lentOf(
        [pulled('2000-01-01/x', 24)],
        { id: lot.lot?.id ?? '', serviceDate: lot.date },
        product.id,
      ),
    ).toBe(24);
    expect(
      lentOf(
        [pulled(serviceIdOf(first), 24)],
        { id: lot.lot?.id ?? '', serviceDate: lot.date },
        product.id,
      ),
    ).toBe(0);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6000 }), (balls) => {
        const { taken, missing } = takenFrom(sources(), balls);
        const got = taken.reduce((sum, each) => sum + each.balls, 0);
        expect(got + missing).toBe(balls);
        expect(got).toBeLessThanOrEqual(made);
        for (const each of taken)
          expect(each.lacks.reduce((sum, { balls: some }) => sum + some, each.spare)).toBe(
            each.balls,
          );
      }),
    );
  });

  it('takes what nobody waits for before anything that somebody does', () => {
    const large = {
      ...lot,
      items: lot.items.map((item) => ({ ...item, count: item.count + 30 })),
    };
    const from = ballSources([large], own, [], product.id, before, NOW_MS);
    const spare = from[0]?.spare ?? 0;
    expect(spare).toBeGreaterThanOrEqual(30);
    expect(takenFrom(from, spare).taken[0]?.lacks).toEqual([]);
    const [one] = takenFrom(from, spare + 1).taken;
    expect(one?.lacks).toEqual([{ service: from[0]?.later.at(-1)?.service, balls: 1 }]);
  });

  it('is nothing of a lot that is over, and no more than stands when fewer come', () => {
    expect(ballSources([lot], own, [], product.id, before, lot.closeMs + 1)).toEqual([]);
    expect(surplusOf([lot], [], product.id, first, 5000, NOW_MS)[0]?.balls).toBe(made);
    expect(surplusOf([lot], [], product.id, first, 7, NOW_MS)[0]?.balls).toBe(7);
  });
});
