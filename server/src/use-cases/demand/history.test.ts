import {
  paths,
  type ImportedSale,
  type ForecastAnswer,
  type HouseBook,
  type Sale,
  type SalesImportResult,
  type Service,
  type TillAnswer,
} from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { tillRound, type Line } from '@calm/demo';
import { HOUSE, problemOf, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
let book: HouseBook;
let round: string;
beforeAll(async () => {
  house = await startHouse();
  book = await house.book();
  round = book.products.find(({ slug }) => slug === 'yard-round')?.id ?? '';
});
afterAll(() => house.drop());

const dinnerOn = async (date: string): Promise<Service> => {
  const services = await house.services(date, 1);
  const dinner = services.find(({ name }) => name === 'Dinner');
  if (!dinner) throw new Error(`no dinner on ${date}`);
  return dinner;
};
const soldOn = async (date: string) => {
  const { patternId } = await dinnerOn(date);
  const sales = await house.get<Sale[]>(paths.sales(HOUSE, { from: date, days: 1 }));
  return sales.find((sale) => sale.patternId === patternId && sale.productId === round);
};

describe('what a service sold', () => {
  const YESTERDAY = '2026-11-24';
  const write = async (body: object, date = YESTERDAY) => {
    const { patternId } = await dinnerOn(date);
    return house.http.put(paths.changeSale(HOUSE, date, patternId, round)).send(body);
  };

  it('is corrected by hand over the version that was read, and taken out', async () => {
    const was = await soldOn(YESTERDAY);
    const sale = { sold: 71, soldOutMin: 21 * 60, leftBalls: 0 };
    const res = await write({ sale, version: was?.version });
    expect(res.body).toMatchObject({ ...sale, version: 2 });
    expect(problemOf(await write({ sale, version: 1 }))).toMatchObject({ status: 409 });
    const outside = await write({ sale: { ...sale, soldOutMin: 9 * 60 }, version: 2 });
    expect(problemOf(outside).errors).toMatchObject([{ path: 'sale/soldOutMin' }]);
    expect((await write({ sale: null, version: 2 })).body).toMatchObject({ version: 0, sold: 0 });
    expect(await soldOn(YESTERDAY)).toBeUndefined();
    expect((await write({ sale, version: 0 })).status).toBe(200);
  });
});

describe('history from a file', () => {
  const importBook = async (sales: readonly ImportedSale[], how: object = {}) =>
    house.http.post(paths.importSales(HOUSE)).send({ sales, over: 'keep', isTrial: false, ...how });
  const came = async (sales: readonly ImportedSale[], how?: object) =>
    (await importBook(sales, how)).body as SalesImportResult;
  const old = async (): Promise<ImportedSale[]> => {
    const rows: ImportedSale[] = [];
    for (const date of ['2025-06-03', '2025-06-10', '2025-06-17']) {
      const { patternId } = await dinnerOn(date);
      rows.push({
        date,
        patternId,
        productId: round,
        sold: 90,
        quarters: [
          [2, 40],
          [5, 50],
        ],
      });
    }
    return rows;
  };

  it('is tried first, brought in once, and known when it comes again', async () => {
    const rows = await old();
    expect(await came(rows, { isTrial: true })).toEqual({ added: 3, same: 0, different: 0 });
    expect(await soldOn('2025-06-10')).toBeUndefined();
    expect(await came(rows)).toEqual({ added: 3, same: 0, different: 0 });
    expect(await soldOn('2025-06-10')).toMatchObject({ sold: 90, version: 1 });
    expect(await came(rows)).toEqual({ added: 0, same: 3, different: 0 });
    expect(await soldOn('2025-06-10')).toMatchObject({ version: 1 });
  });

  it('keeps what the house has, unless it is to be replaced', async () => {
    const rows = (await old()).map((row) => ({ ...row, sold: 95 }));
    expect(await came(rows)).toEqual({ added: 0, same: 0, different: 3 });
    expect(await soldOn('2025-06-10')).toMatchObject({ sold: 90 });
    await came(rows, { over: 'replace' });
    expect(await soldOn('2025-06-10')).toMatchObject({ sold: 95, version: 2 });
  });

  it('is refused whole, with every row that cannot be', async () => {
    const [row] = await old();
    if (!row) throw new Error('three rows');
    const monday = { ...row, date: '2025-06-02', sold: 1 };
    const strange = { ...row, date: '2025-06-24', productId: row.patternId };
    const res = await importBook([{ ...row, date: '2025-07-01' }, monday, strange, row, row]);
    expect(problemOf(res).errors?.map(({ path, code }) => [path, code])).toEqual([
      ['sales/1/patternId', 'id.unknown'],
      ['sales/2/productId', 'id.unknown'],
      ['sales/4/', 'row.twice'],
    ]);
    expect(await soldOn('2025-07-01')).toBeUndefined();
    const next = await importBook([row, { ...row, date: '2027-06-01' }]);
    expect(problemOf(next).errors).toMatchObject([{ path: 'sales/1/date', code: 'at.outside' }]);
  });
});

/** The night after both evenings on which tills post. */
const LATE = '2026-11-26T23:30:00.000Z';

describe('a till', () => {
  let later: Awaited<ReturnType<typeof house.later>>;
  beforeAll(async () => {
    later = await house.later(LATE);
  });
  const post = async (sales: readonly object[]) =>
    (await later.post(paths.recordTillSales(HOUSE)).send({ sales }).expect(200)).body as TillAnswer;
  const at = (time: string) => `2026-11-25T${time}:00.000Z`;
  const sale = (number: string, time: string, balls = 1) => ({
    number,
    at: at(time),
    productId: round,
    balls,
  });

  it('is counted once a number, at the service it falls into', async () => {
    const evening = [sale('t-1', '16:40', 2), sale('t-2', '18:05', 3), sale('t-3', '18:10')];
    expect(await post(evening)).toEqual({ added: 3, known: 0, outside: [], overdrawn: [] });
    expect(await post([...evening, sale('t-4', '22:10', 4)])).toEqual({
      added: 1,
      known: 3,
      outside: [],
      overdrawn: [],
    });
    expect(await soldOn('2026-11-25')).toMatchObject({ sold: 10 });
    expect(await post([sale('t-5', '18:20', -1)])).toMatchObject({ added: 1 });
    expect(await soldOn('2026-11-25')).toMatchObject({ sold: 9 });
  });

  it('is told what falls outside every service, and counts nothing of it', async () => {
    expect(await post([sale('t-9', '08:00')])).toEqual({
      added: 0,
      known: 0,
      outside: ['t-9'],
      overdrawn: [],
    });
    expect(await soldOn('2026-11-25')).toMatchObject({ sold: 9 });
  });

  it('posting the same from two places at once counts it once', async () => {
    const many = Array.from({ length: 20 }, (_, i) => sale(`both-${i}`, '19:30'));
    const answers = await Promise.all([post(many), post(many), post([...many].reverse())]);
    expect(answers.reduce((sum, { added }) => sum + added, 0)).toBe(20);
    expect(await soldOn('2026-11-25')).toMatchObject({ sold: 29 });
  });
});

describe('the till that stands in for one', () => {
  it('sells an evening as the house expects it, late and twice, and nothing is counted twice', async () => {
    const later = await house.later(LATE);
    const line: Line = {
      get: house.get,
      post: async <T>(path: string, body: unknown) =>
        (
          await later
            .post(path)
            .send(body as object)
            .expect(200)
        ).body as T,
    };
    const thursday = '2026-11-26';
    const memory = { acknowledged: new Set<string>(), round: 0 };
    const ends = Date.parse((await dinnerOn(thursday)).endsAt);
    let added = 0;
    for (let minute = 300; minute >= 0; minute -= 30) {
      added += await tillRound(line, HOUSE, ends - minute * 60_000, memory);
    }
    for (let more = 0; more < 4; more += 1) added += await tillRound(line, HOUSE, ends, memory);
    expect(added).toBe(memory.acknowledged.size);
    const answer = await house.get<ForecastAnswer>(
      paths.forecast(HOUSE, { from: thursday, days: 1 }),
    );
    const { patternId } = await dinnerOn(thursday);
    const mean = answer.forecasts.find(
      (each) => each.productId === round && each.patternId === patternId,
    )?.mean;
    const sold = (await soldOn(thursday))?.sold ?? 0;
    expect(Math.abs(sold / (mean ?? 0) - 1)).toBeLessThan(0.2);
    // A till that forgets everything posts the same evening again, and changes nothing.
    const again = await tillRound(line, HOUSE, ends, { acknowledged: new Set(), round: 0 });
    expect(again).toBe(0);
    expect((await soldOn(thursday))?.sold).toBe(sold);
  });
});

describe('how balls go through a service', () => {
  it('is learned by quarter hours of the last weeks', async () => {
    const { usage } = await house.get<ForecastAnswer>(
      paths.forecast(HOUSE, { from: '2026-11-26', days: 1 }),
    );
    const dinner = usage.find((each) => each.service === 'Dinner' && each.productId === round);
    expect(dinner?.curve).toHaveLength(20);
    expect(dinner?.balls).toBeGreaterThan(2000);
    const share = (from: number, to: number) =>
      dinner?.curve.slice(from, to).reduce((a, b) => a + b, 0) ?? 0;
    expect(share(0, 20)).toBeCloseTo(1, 9);
    // The middle of the evening takes more than its beginning or its end.
    expect(share(7, 13)).toBeGreaterThan(1.3 * share(0, 6));
    expect(share(7, 13)).toBeGreaterThan(1.3 * share(14, 20));
  });
});
