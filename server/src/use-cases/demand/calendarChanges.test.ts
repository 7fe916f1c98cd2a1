import {
  paths,
  type Booking,
  type ForecastAnswer,
  type House,
  type HouseBook,
  type HouseCalendar,
  type Service,
  type ServiceException,
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

const FRIDAY = '2026-12-04';
const namesOn = async (date: string) =>
  (await house.services(date, 1)).map(({ name, startsAt }) => `${name} ${startsAt.slice(11, 16)}`);
const patternOf = async (name: string, date = FRIDAY) =>
  (await house.services(date, 1)).find((service) => service.name === name)?.patternId ?? '';

describe('a service of the week', () => {
  const late = {
    name: 'Late',
    weekday: 5,
    startMin: 23 * 60,
    endMin: 26 * 60,
    firstDate: '2026-12-04',
    lastDate: '2026-12-11',
  };

  it('comes on its weekday, from its first day to its last', async () => {
    const res = await house.http.post(paths.addServicePattern(HOUSE)).send(late).expect(201);
    const { id, version } = res.body as ServicePattern;
    expect(await namesOn('2026-12-04')).toEqual(['Lunch 11:00', 'Dinner 16:30', 'Late 22:00']);
    expect(await namesOn('2026-12-11')).toHaveLength(3);
    expect(await namesOn('2026-11-27')).toHaveLength(2);
    expect(await namesOn('2026-12-18')).toHaveLength(2);
    expect(await namesOn('2026-12-05')).toHaveLength(2);
    const longer = { version, content: { ...late, lastDate: null } };
    await house.http.put(paths.changeServicePattern(HOUSE, id)).send(longer).expect(200);
    expect(await namesOn('2026-12-18')).toHaveLength(3);
    await house.http.delete(paths.removeServicePattern(HOUSE, id)).expect(200);
    expect(await namesOn('2026-12-04')).toHaveLength(2);
  });

  it('with a history is not taken away, but ends on a day', async () => {
    const id = await patternOf('Lunch');
    const res = await house.http.delete(paths.removeServicePattern(HOUSE, id));
    expect(problemOf(res)).toMatchObject({ status: 409, type: '/problems/in-use' });
    const calendar = await house.get<HouseCalendar>(paths.calendar(HOUSE));
    const pattern = calendar.patterns.find((each) => each.id === id);
    if (!pattern) throw new Error('Friday has a lunch');
    const { id: _, version, ...content } = pattern;
    const ended = { version, content: { ...content, lastDate: '2026-12-31' } };
    await house.http.put(paths.changeServicePattern(HOUSE, id)).send(ended).expect(200);
    expect(await namesOn('2027-01-01')).toEqual(['Dinner 16:30']);
    expect(await namesOn(FRIDAY)).toEqual(['Lunch 11:00', 'Dinner 16:30']);
  });

  it('is refused when it ends before it begins, or its last day before its first', async () => {
    const wrong = { ...late, endMin: 22 * 60, lastDate: '2026-12-01' };
    const { errors } = problemOf(await house.http.post(paths.addServicePattern(HOUSE)).send(wrong));
    expect(errors?.map(({ path }) => path).sort()).toEqual(['endMin', 'lastDate']);
  });
});

describe('a day that differs', () => {
  const closed = { date: FRIDAY, patternId: null, hours: null, note: 'Stock-taking' };

  it('is closed whole, and wants nothing', async () => {
    const res = await house.http.post(paths.addServiceException(HOUSE)).send(closed).expect(201);
    expect(await namesOn(FRIDAY)).toEqual([]);
    const answer = await house.get<ForecastAnswer>(
      paths.forecast(HOUSE, { from: FRIDAY, days: 1 }),
    );
    expect(answer.forecasts).toEqual([]);
    await house.http
      .delete(paths.removeServiceException(HOUSE, (res.body as ServiceException).id))
      .expect(200);
    expect(await namesOn(FRIDAY)).toHaveLength(2);
  });

  it('keeps other hours for one service, and that goes before the whole day', async () => {
    const patternId = await patternOf('Dinner');
    const early = { ...closed, patternId, hours: { startMin: 16 * 60, endMin: 21 * 60 } };
    await house.http.post(paths.addServiceException(HOUSE)).send(closed).expect(201);
    await house.http.post(paths.addServiceException(HOUSE)).send(early).expect(201);
    expect(await namesOn(FRIDAY)).toEqual(['Dinner 15:00']);
    const { exceptions } = await house.get<HouseCalendar>(paths.calendar(HOUSE));
    expect(exceptions).toMatchObject([{ hours: null }, { hours: early.hours, patternId }]);
    for (const { id } of exceptions) {
      await house.http.delete(paths.removeServiceException(HOUSE, id)).expect(200);
    }
  });

  it('is many days, and the same every year', async () => {
    const summer = { ...closed, date: '2026-12-01', lastDate: '2026-12-13', isYearly: true };
    const res = await house.http.post(paths.addServiceException(HOUSE)).send(summer).expect(201);
    expect(res.body).toMatchObject(summer);
    for (const date of [FRIDAY, '2026-12-11']) expect(await namesOn(date)).toEqual([]);
    expect(await namesOn('2026-12-18')).toHaveLength(2);
    expect(await namesOn('2027-12-03')).toEqual([]);
    await house.http.delete(paths.removeServiceException(HOUSE, res.body.id)).expect(200);
    const backwards = { ...summer, lastDate: '2026-11-01' };
    const refused = await house.http.post(paths.addServiceException(HOUSE)).send(backwards);
    expect(problemOf(refused).errors).toMatchObject([{ path: 'lastDate', code: 'date.order' }]);
  });

  it('has two services as one: open for both, with what both usually want and are expected to sell', async () => {
    const [lunch, dinner] = [await patternOf('Lunch'), await patternOf('Dinner')];
    const expected = async () =>
      (await house.get<ForecastAnswer>(paths.forecast(HOUSE, { from: FRIDAY, days: 1 }))).forecasts;
    const usual = async () =>
      (await house.services(FRIDAY, 1)).map(({ counts }) =>
        counts.map(({ usual: balls }) => balls),
      );
    const [atLunch = [], atDinner = []] = await usual();
    const apart = await expected();
    const joins = { ...closed, patternId: lunch, joinsId: dinner };
    const res = await house.http.post(paths.addServiceException(HOUSE)).send(joins).expect(201);
    expect(await namesOn(FRIDAY)).toEqual(['Dinner 11:00']);
    expect(await usual()).toEqual([atDinner.map((balls, i) => balls + (atLunch[i] ?? 0))]);
    const meanOf = (all: typeof apart, productId: string) =>
      all.reduce((sum, each) => sum + (each.productId === productId ? each.mean : 0), 0);
    const asOne = await expected();
    for (const { productId, patternId, mean } of asOne) {
      expect(patternId).toBe(dinner);
      expect(mean).toBeCloseTo(meanOf(apart, productId), 6);
    }
    expect(asOne.length).toBeGreaterThan(0);
    await house.http.delete(paths.removeServiceException(HOUSE, res.body.id)).expect(200);
    for (const wrong of [
      { ...joins, joinsId: lunch },
      { ...joins, patternId: null },
    ]) {
      const refused = await house.http.post(paths.addServiceException(HOUSE)).send(wrong);
      expect(problemOf(refused).errors).toMatchObject([{ path: 'joinsId', code: 'joins.itself' }]);
    }
  });

  it('of a service that the house has not is refused', async () => {
    const elsewhere = { ...closed, patternId: '00000000-0000-4000-8000-000000000000' };
    const res = await house.http.post(paths.addServiceException(HOUSE)).send(elsewhere);
    expect(problemOf(res).errors).toMatchObject([{ path: 'patternId', code: 'id.unknown' }]);
  });
});

describe('a party', () => {
  it('comes on top of what is expected, and takes the scatter along as it is', async () => {
    const round = book.products.find(({ slug }) => slug === 'yard-round')?.id ?? '';
    const patternId = await patternOf('Dinner');
    const expected = async () =>
      (
        await house.get<ForecastAnswer>(paths.forecast(HOUSE, { from: FRIDAY, days: 1 }))
      ).forecasts.find((each) => each.productId === round && each.patternId === patternId);
    const before = await expected();
    const party = {
      date: FRIDAY,
      patternId,
      name: 'Harbour choir',
      guests: 40,
      balls: [{ productId: round, count: 30 }],
      note: 'Long table.',
    };
    const res = await house.http.post(paths.addBooking(HOUSE)).send(party).expect(201);
    const after = await expected();
    expect((after?.mean ?? 0) - (before?.mean ?? 0)).toBeCloseTo(30, 9);
    expect((after?.ready ?? 0) - (before?.ready ?? 0)).toBe(30);
    expect((after?.p90 ?? 0) - (after?.p10 ?? 0)).toBeCloseTo(
      (before?.p90 ?? 0) - (before?.p10 ?? 0),
      9,
    );
    expect(after?.parts.at(-1)).toEqual({ kind: 'booked', balls: 30 });
    await house.http.delete(paths.removeBooking(HOUSE, (res.body as Booking).id)).expect(200);
    expect(await expected()).toEqual(before);
    const strange = { ...party, balls: [{ productId: patternId, count: 3 }] };
    const refused = await house.http.post(paths.addBooking(HOUSE)).send(strange);
    expect(problemOf(refused).errors).toMatchObject([{ path: 'balls/0/productId' }]);
  });
});

describe('a party that was', () => {
  it('teaches nothing about an ordinary day: what it took is not counted as sold', async () => {
    const round = book.products.find(({ slug }) => slug === 'yard-round')?.id ?? '';
    const tuesday = '2026-12-01';
    const expected = async () => {
      const answer = await house.get<ForecastAnswer>(
        paths.forecast(HOUSE, { from: tuesday, days: 1 }),
      );
      return answer.forecasts.find(({ productId }) => productId === round)?.mean ?? NaN;
    };
    const before = await expected();
    const party = {
      date: '2026-11-24',
      patternId: await patternOf('Dinner', '2026-11-24'),
      name: 'Rowing club',
      guests: 60,
      balls: [{ productId: round, count: 60 }],
      note: '',
    };
    const res = await house.http.post(paths.addBooking(HOUSE)).send(party).expect(201);
    expect(await expected()).toBeLessThan(before - 1);
    await house.http.delete(paths.removeBooking(HOUSE, (res.body as Booking).id)).expect(200);
    expect(await expected()).toBeCloseTo(before, 9);
  });
});

describe('what running out weighs against throwing away', () => {
  const serviceLevel = async (change: object) =>
    house.http.put(paths.changeSettings(HOUSE)).send(change);
  const ready = async () => {
    const { enoughPercent, forecasts } = await house.get<ForecastAnswer>(
      paths.forecast(HOUSE, { from: FRIDAY, days: 1 }),
    );
    return { enoughPercent, balls: forecasts.reduce((sum, each) => sum + each.ready, 0) };
  };

  it('is set as how often, or in money, and moves every number to have ready', async () => {
    const before = await ready();
    expect(before.enoughPercent).toBe(80);
    const { version } = (await house.book()).house;
    const often = await serviceLevel({
      version,
      serviceLevel: { kind: 'often', enoughPercent: 95 },
    });
    expect(often.status).toBe(200);
    expect(await ready()).toMatchObject({ enoughPercent: 95 });
    expect((await ready()).balls).toBeGreaterThan(before.balls);
    const changed = often.body as House;
    const money = { kind: 'money', short: 9, left: 1 };
    await serviceLevel({ version: changed.version, serviceLevel: money });
    expect((await ready()).enoughPercent).toBeCloseTo(90, 9);
    // What keeps for the next service may be more: leftovers cost less there.
    const { version: now } = (await house.book()).house;
    const carried = { ...money, carried: 0.25 };
    await serviceLevel({ version: now, serviceLevel: carried }).then(({ status }) =>
      expect(status).toBe(200),
    );
    const { forecasts } = await house.get<ForecastAnswer>(
      paths.forecast(HOUSE, { from: FRIDAY, days: 1 }),
    );
    const book = await house.book();
    const percentOf = (slug: string) => {
      const product = book.products.find((each) => each.slug === slug);
      return forecasts.find(({ productId }) => productId === product?.id)?.enoughPercent;
    };
    // Rounds stay cold for a night more; a route without that much to spare is as before.
    expect(percentOf('yard-round')).toBeCloseTo((100 * 9) / 9.25, 9);
    const stale = await serviceLevel({ version, serviceLevel: money });
    expect(problemOf(stale)).toMatchObject({ status: 409, type: '/problems/stale' });
  });

  it('is refused when it is nothing, or settings nobody may change', async () => {
    const { version } = (await house.book()).house;
    for (const wrong of [
      { version },
      { version, serviceLevel: { kind: 'money', short: 0, left: 1 } },
      { version, serviceLevel: { kind: 'money', short: 4, left: 1, carried: 2 } },
      { version, serviceLevel: { kind: 'often', enoughPercent: 101 } },
      { version, residuePercent: 31 },
      { version, demoSecrets: {} },
    ]) {
      expect((await serviceLevel(wrong)).status).toBe(400);
    }
  });
});

describe('a service that is closed', () => {
  it('takes no count', async () => {
    const services = await house.get<Service[]>(paths.services(HOUSE, { from: FRIDAY, days: 1 }));
    const [lunch] = services;
    const product = lunch?.counts[0]?.productId ?? '';
    await house.http
      .post(paths.addServiceException(HOUSE))
      .send({ date: FRIDAY, patternId: null, hours: null, note: '' })
      .expect(201);
    const url = paths.changeCount(HOUSE, FRIDAY, lunch?.patternId ?? '', product);
    await house.http.put(url).send({ count: 9, version: 0 }).expect(404);
  });
});
