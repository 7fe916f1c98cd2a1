import { ballsToMake } from '@calm/domain';
import { paths, type HouseBook, type Lot, type ProductCount, type Sale } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HOUSE, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
let book: HouseBook;
let lots: Lot[];
beforeAll(async () => {
  house = await startHouse();
  book = await house.book();
  lots = await house.lots('2026-11-20', 10);
});
afterAll(() => house.drop());

const YESTERDAY = '2026-11-24';
const productOf = (slug: string) => book.products.find((each) => each.slug === slug)?.id ?? '';
const lotOf = (slug: string, date: string) =>
  lots.find(
    (lot) =>
      lot.serviceDate === date && lot.items.some((item) => item.productId === productOf(slug)),
  );

/** Counts what was left of a product after yesterday's dinner. */
async function countLeft(slug: string, leftBalls: number) {
  const sales = await house.get<Sale[]>(paths.sales(HOUSE, { from: YESTERDAY, days: 1 }));
  const sale = sales.find(({ productId }) => productId === productOf(slug));
  if (!sale) throw new Error(`nothing sold of ${slug}`);
  const { date, patternId, productId, version, sold } = sale;
  await house.http
    .put(paths.changeSale(HOUSE, date, patternId, productId))
    .send({ sale: { sold, soldOutMin: null, leftBalls }, version })
    .expect(200);
}

async function countsOf(slug: string, from = '2026-11-25', days = 5) {
  const services = await house.services(from, days);
  return services.map(({ name, date, counts }) => ({
    at: `${name} ${date.slice(8)}`,
    count: counts.find(({ productId }) => productId === productOf(slug)) as ProductCount,
  }));
}

describe('balls that are made already', () => {
  it('go to tonight first when they were counted yesterday, and tonight’s own go on', async () => {
    await countLeft('yard-round', 0);
    const before = await countsOf('yard-round');
    await countLeft('yard-round', 12);
    const after = await countsOf('yard-round');
    const tonight = after.find(({ at }) => at === 'Dinner 25')?.count;
    const yesterday = lotOf('yard-round', YESTERDAY);
    expect(tonight?.carried?.[0]).toEqual({ lotCode: yesterday?.code, count: 12 });
    const all = (list: typeof after) =>
      list.reduce((sum, { count }) => sum + ballsToMake(count), 0);
    expect(all(after)).toBeLessThan(all(before));
    after.forEach(({ count }, i) => expect(count.count).toBe(before[i]?.count.count));
  });

  it('are never more than there are, nor more than a service asks for', async () => {
    await countLeft('yard-round', 400);
    const counts = await countsOf('yard-round');
    const code = lotOf('yard-round', YESTERDAY)?.code;
    let given = 0;
    for (const { count } of counts) {
      expect(ballsToMake(count)).toBeGreaterThanOrEqual(0);
      given += (count.carried ?? [])
        .filter(({ lotCode }) => lotCode === code)
        .reduce((sum, lot) => sum + lot.count, 0);
    }
    expect(given).toBeGreaterThan(0);
    expect(given).toBeLessThanOrEqual(400);
  });

  it('are not carried past the maturity of their flour', async () => {
    await countLeft('yard-round', 400);
    const code = lotOf('yard-round', YESTERDAY)?.code;
    const last = (await countsOf('yard-round'))
      .filter(({ count }) => count.carried?.some(({ lotCode }) => lotCode === code))
      .at(-1);
    expect(Number(last?.at.slice(-2))).toBeLessThanOrEqual(28);
  });

  it('are the same whichever days are asked for', async () => {
    await countLeft('yard-round', 30);
    const near = await countsOf('yard-round', '2026-11-25', 5);
    const alone = await countsOf('yard-round', '2026-11-27', 2);
    expect(alone).toEqual(near.filter(({ at }) => /27|28/.test(at)));
  });

  it('that nobody counted are nobody’s plan', async () => {
    await countLeft('yard-round', 0);
    const code = lotOf('yard-round', YESTERDAY)?.code;
    const counts = await countsOf('yard-round');
    counts.forEach(({ count }) =>
      expect(count.carried?.some(({ lotCode }) => lotCode === code) ?? false).toBe(false),
    );
  });

  it('are left over tonight when fewer are wanted than are under way', async () => {
    const [tonight] = (await house.services('2026-11-25', 1)).filter((s) => s.name === 'Dinner');
    const url = paths.changeCount(
      HOUSE,
      '2026-11-25',
      tonight?.patternId ?? '',
      productOf('yard-round'),
    );
    await house.http.put(url).send({ count: 20, version: 0 }).expect(200);
    const own = lotOf('yard-round', '2026-11-25')?.code;
    const later = (await countsOf('yard-round', '2026-11-26', 3)).flatMap(
      ({ count }) => count.carried ?? [],
    );
    expect(later.some(({ lotCode }) => lotCode === own)).toBe(true);
  });
});
