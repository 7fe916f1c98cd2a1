import { paths, type ProductCount } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HOUSE, problemOf, startHouse, TODAY } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

async function dinnerOn(date: string) {
  const services = await house.services(date, 1);
  const dinner = services.find((service) => service.name === 'Dinner');
  const book = await house.book();
  const round = book.products.find((p) => p.slug === 'yard-round');
  const count = dinner?.counts.find((c) => c.productId === round?.id);
  if (!dinner || !count) throw new Error(`no dinner on ${date}`);
  const url = paths.changeCount(HOUSE, date, dinner.patternId, count.productId);
  const put = (body: object) => house.http.put(url).send(body);
  return { count, put };
}

describe('a count', () => {
  it('starts as the weekday’s usual', async () => {
    const { count } = await dinnerOn(TODAY);
    expect(count).toMatchObject({ count: 108, usual: 108, origin: 'usual', version: 0 });
  });

  it('is chosen, changed, and put back to the usual', async () => {
    const { put } = await dinnerOn('2026-11-26');
    const chosen = await put({ count: 140, version: 0 });
    expect(chosen.body).toMatchObject({ count: 140, origin: 'chosen', version: 1 });
    const again = await put({ count: 0, version: 1 });
    expect(again.body).toMatchObject({ count: 0, origin: 'chosen', version: 2 });
    const back = await put({ count: null, version: 2 });
    expect(back.body).toMatchObject({ count: 116, origin: 'usual', version: 3 });
    const { count } = await dinnerOn('2026-11-26');
    // What is carried over to it comes on top, and is nobody's choice.
    expect(count).toMatchObject(back.body as object);
  });

  it('tells the second of two writers, with both sides, and keeps the first', async () => {
    const { put } = await dinnerOn('2026-11-27');
    await put({ count: 150, version: 0 });
    const second = await put({ count: 160, version: 0 });
    expect(second.status).toBe(409);
    expect(problemOf<ProductCount>(second)).toMatchObject({
      type: '/problems/stale',
      current: { count: 150, version: 1 },
      sent: { count: 160, version: 0 },
    });
    const late = await put({ count: 161, version: 7 });
    expect(late.status).toBe(409);
    expect((await dinnerOn('2026-11-27')).count.count).toBe(150);
  });

  it('lets exactly one of many writers at the same moment through', async () => {
    const { put } = await dinnerOn('2026-11-28');
    for (const version of [0, 1]) {
      const answers = await Promise.all(
        Array.from({ length: 12 }, (_, i) => put({ count: 200 + i, version })),
      );
      const won = answers.filter((res) => res.status === 200);
      expect(won).toHaveLength(1);
      expect(answers.filter((res) => res.status === 409)).toHaveLength(11);
      expect((await dinnerOn('2026-11-28')).count.count).toBe(won[0]?.body.count);
    }
  });

  it('is refused for a service that the date does not have', async () => {
    const services = await house.services(TODAY, 1);
    const [count] = services[0]?.counts ?? [];
    const monday = paths.changeCount(
      HOUSE,
      '2026-11-30',
      services[0]?.patternId ?? '',
      count?.productId ?? '',
    );
    const res = await house.http.put(monday).send({ count: 5, version: 0 });
    expect(res.status).toBe(404);
  });
});

describe('several counts at once', () => {
  const post = (counts: object[]) => house.http.post(paths.changeCounts(HOUSE)).send({ counts });
  const ofWeek = async () => {
    const services = await house.services('2026-12-01', 6);
    return services.flatMap(({ date, patternId, counts }) =>
      counts.map(({ productId, version }) => ({ date, patternId, productId, version, count: 33 })),
    );
  };
  const chosen = async () =>
    (await house.services('2026-12-01', 6)).flatMap(({ counts }) => counts.map((c) => c.count));

  it('are all written, in their order', async () => {
    const counts = await ofWeek();
    const res = await post(counts);
    expect(res.status).toBe(200);
    expect((res.body as ProductCount[]).map((c) => c.productId)).toEqual(
      counts.map((c) => c.productId),
    );
    expect(new Set(await chosen())).toEqual(new Set([33]));
  });

  it('are not written at all when one of them cannot be', async () => {
    const before = await chosen();
    const counts = (await ofWeek()).map((each) => ({ ...each, count: 44 }));
    const late = counts.map((each, i) => (i === 5 ? { ...each, version: 0 } : each));
    expect(problemOf(await post(late)).type).toBe('/problems/stale');
    const closed = [...counts.slice(0, 3), { ...counts[3], date: '2026-11-30' }];
    expect((await post(closed)).status).toBe(404);
    expect((await post([])).status).toBe(400);
    expect(await chosen()).toEqual(before);
  });
});
