import {
  paths,
  type ForecastAnswer,
  type HouseBook,
  type HouseEvent,
  type Service,
  type ServicePattern,
} from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HOUSE, problemOf, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
let book: HouseBook;
beforeAll(async () => {
  house = await startHouse();
  book = await house.book();
});
afterAll(() => house.drop());

const MONDAY = '2026-11-30';
const forecast = (from = MONDAY, days = 7, of = HOUSE) =>
  house.get<ForecastAnswer>(paths.forecast(of, { from, days }));
const round = () => book.products.find(({ slug }) => slug === 'yard-round')?.id ?? '';

/** Rows of the exported table, split by hand: nothing of the application is used to read it. */
async function exported(): Promise<Record<string, string>[]> {
  const res = await house.http.get(paths.salesCsv(HOUSE));
  expect(res.headers['content-type']).toMatch(/^text\/csv/);
  const [head = '', ...lines] = res.text.trim().split('\r\n');
  const names = head.split(',');
  return lines.map((line) =>
    Object.fromEntries(line.split(',').map((value, i) => [names[i] ?? '', value])),
  );
}

describe('forecasts of the demo house', () => {
  it('are there for every product at every service, between their bounds', async () => {
    const { forecasts, series, enoughPercent } = await forecast();
    const services = await house.get<Service[]>(paths.services(HOUSE, { from: MONDAY, days: 7 }));
    expect(forecasts).toHaveLength(services.length * book.products.length);
    expect(enoughPercent).toBe(80);
    for (const { mean, p10, p90, ready, parts } of forecasts) {
      expect(p10).toBeLessThan(mean);
      expect(mean).toBeLessThan(p90);
      expect(ready).toBeGreaterThanOrEqual(Math.floor(mean));
      expect(parts.length).toBeGreaterThan(0);
    }
    expect(series.map(({ service }) => service)).toContain('Lunch');
    expect(forecasts.some(({ date }) => date === MONDAY)).toBe(false);
  });

  it('are off by what anybody calculates from the exported table, and nearer than the plain one', async () => {
    const rows = await exported();
    let [off, absolute, sold, naiveAbsolute, naiveSold] = [0, 0, 0, 0, 0];
    const day = (date: string) => Date.parse(`${date}T00:00:00Z`) / 86_400_000;
    const monday = (date: string) => day(date) - ((day(date) + 3) % 7);
    for (const row of rows) {
      if (!row['forecast']) continue;
      const [was, told] = [Number(row['sold']), Number(row['forecast'])];
      const like = rows.filter(
        (other) =>
          other['product'] === row['product'] &&
          other['service'] === row['service'] &&
          other['event'] === '' &&
          day(other['date'] ?? '') < monday(row['date'] ?? '') &&
          (day(row['date'] ?? '') - day(other['date'] ?? '')) % 7 === 0,
      );
      const naive = Number(like.at(-1)?.['sold']);
      const ranOut = row['sold out'] !== '';
      if (!(ranOut && told > was)) {
        off += told - was;
        absolute += Math.abs(told - was);
        sold += was;
      }
      if (!(ranOut && naive > was)) {
        naiveAbsolute += Math.abs(naive - was);
        naiveSold += was;
      }
    }
    const { error, naive } = await forecast();
    expect(error?.wapePercent).toBeCloseTo((100 * absolute) / sold, 4);
    expect(error?.biasPercent).toBeCloseTo((100 * off) / sold, 4);
    // Where the one before ran out, the plain forecast is what it would have sold: the table does not say that.
    const plain = (100 * naiveAbsolute) / naiveSold;
    expect(Math.abs((naive?.wapePercent ?? NaN) - plain)).toBeLessThan(0.5);
    expect(error?.wapePercent).toBeLessThan(naive?.wapePercent ?? 0);
    expect(error?.wapePercent).toBeLessThan(16);
  });

  it('know the festival that is ahead by those that were', async () => {
    const festival = await forecast('2026-11-28', 1);
    const event = festival.forecasts.flatMap(({ parts }) =>
      parts.flatMap((part) => (part.kind === 'event' ? [part] : [])),
    );
    expect(event.map(({ name }) => name)).toContain('Harbour festival');
    event.forEach(({ factor }) => expect(factor).toBeGreaterThan(1.1));
    expect(festival.events).toMatchObject([{ name: 'Harbour festival', date: '2026-11-28' }]);
  });

  it('of a house without history are its usual counts', async () => {
    const other = await forecast(MONDAY, 2, 'other-yard');
    expect(other.series.every(({ kind }) => kind !== 'short')).toBe(true);
    const bare = await house.http.get(paths.forecast('no-such-house', { from: MONDAY, days: 7 }));
    expect(bare.status).toBe(404);
  });
});

describe('an order', () => {
  it('is forecast as what it asks for, though it is called like a service of the week', async () => {
    const date = '2026-12-11';
    const meanOf = async (patternId: string) =>
      (await forecast(date, 1)).forecasts.find(
        (each) => each.productId === round() && each.patternId === patternId,
      )?.mean ?? NaN;
    const friday = await house.get<Service[]>(paths.services(HOUSE, { from: date, days: 1 }));
    const dinner = friday.find(({ name }) => name === 'Dinner')?.patternId ?? '';
    const before = await meanOf(dinner);
    const once = { name: 'Dinner', weekday: 5, startMin: 900, endMin: 960 };
    const pattern = await house.http
      .post(paths.addServicePattern(HOUSE))
      .send({ ...once, firstDate: date, lastDate: date })
      .expect(201);
    const { id } = pattern.body as ServicePattern;
    const booked = { date, patternId: id, name: 'Team day', guests: 40, note: '' };
    await house.http
      .post(paths.addBooking(HOUSE))
      .send({ ...booked, balls: [{ productId: round(), count: 40 }] })
      .expect(201);
    expect(await meanOf(id)).toBe(40);
    expect(await meanOf(dinner)).toBeCloseTo(before, 9);
  });
});

describe('an event', () => {
  const content = {
    date: '2026-12-04',
    patternId: null,
    name: 'Regatta',
    expectedPercent: 150,
    note: 'Finish line at the quay.',
  };
  const meanOn = async (date: string) =>
    (await forecast(date, 1)).forecasts.find(({ productId }) => productId === round())?.mean ?? 0;

  it('moves its day by what the house expects, and back when it is taken away', async () => {
    const before = await meanOn('2026-12-04');
    const added = await house.http.post(paths.addEvent(HOUSE)).send(content);
    expect(added.status).toBe(201);
    expect((await meanOn('2026-12-04')) / before).toBeCloseTo(1.5, 6);
    expect(await meanOn('2026-12-05')).toBeGreaterThan(0);
    const { id } = added.body as HouseEvent;
    const change = { version: 1, content: { ...content, expectedPercent: 120 } };
    await house.http.put(paths.changeEvent(HOUSE, id)).send(change).expect(200);
    expect((await meanOn('2026-12-04')) / before).toBeCloseTo(1.2, 6);
    await house.http.delete(paths.removeEvent(HOUSE, id)).expect(200);
    expect(await meanOn('2026-12-04')).toBeCloseTo(before, 9);
  });

  it('of one service leaves the others of its day alone', async () => {
    const friday = await house.get<Service[]>(
      paths.services(HOUSE, { from: '2026-12-04', days: 1 }),
    );
    const dinner = friday.find(({ name }) => name === 'Dinner');
    const means = async () => {
      const { forecasts } = await forecast('2026-12-04', 1);
      const of = (isDinner: boolean) =>
        forecasts.find(
          (each) =>
            each.productId === round() && (each.patternId === dinner?.patternId) === isDinner,
        )?.mean ?? NaN;
      return { lunch: of(false), dinner: of(true) };
    };
    const before = await means();
    const one = { ...content, patternId: dinner?.patternId };
    await house.http.post(paths.addEvent(HOUSE)).send(one).expect(201);
    const after = await means();
    expect(after.lunch).toBeCloseTo(before.lunch, 9);
    expect(after.dinner / before.dinner).toBeCloseTo(1.5, 6);
  });

  it('is refused with what is wrong with it', async () => {
    const wrong = { ...content, date: '2026-02-30', expectedPercent: 900, name: '' };
    const { errors } = problemOf(await house.http.post(paths.addEvent(HOUSE)).send(wrong));
    expect(errors?.map(({ path }) => path).sort()).toEqual(['date', 'expectedPercent', 'name']);
    const elsewhere = { ...content, patternId: '00000000-0000-4000-8000-000000000000' };
    const res = await house.http.post(paths.addEvent(HOUSE)).send(elsewhere);
    expect(problemOf(res).errors).toMatchObject([{ path: 'patternId', code: 'id.unknown' }]);
  });
});
