import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { paths, type House, type HouseSummary } from '@calm/contract';
import { lookOnce } from '../../jobs/coldWatch';
import { HOUSE, NOW, problemOf, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

describe('a house that is put aside', () => {
  it('can be read, is written in no more and watched no more, until it is taken up again', async () => {
    const put = await house.http.put(paths.putAside(HOUSE)).expect(200);
    expect((put.body as House).asideOn).toBe('2026-11-25');
    // Once more changes nothing.
    await house.http.put(paths.putAside(HOUSE)).expect(200);
    const listed = (await house.http.get(paths.houses())).body as HouseSummary[];
    expect(listed).toContainEqual(expect.objectContaining({ slug: HOUSE, asideOn: '2026-11-25' }));

    expect((await house.book()).products.length).toBeGreaterThan(0);
    const content = { name: 'Late', ...{ zones: [], traysAPosition: 1, tubs: 0 } };
    const place = { ...content, room: null, airByHour: [] };
    const refused = await house.http.post(paths.addPlace(HOUSE)).send(place);
    expect([refused.status, problemOf(refused).type]).toEqual([409, '/problems/put-aside']);
    await house.http.post(paths.addPlace('other-yard')).send(place).expect(201);

    // Readings may be hours old by then: whoever looks after the cold would be told.
    const later = new Date(Date.parse(NOW) + 6 * 3_600_000);
    await house.http.put(paths.putAside('other-yard'));
    expect(await lookOnce(house.db, later)).toBe(0);

    const taken = await house.http.delete(paths.takeUp(HOUSE)).expect(200);
    expect((taken.body as House).asideOn).toBeNull();
    await house.http.post(paths.addPlace(HOUSE)).send(place).expect(201);
    expect(await lookOnce(house.db, later)).toBeGreaterThan(0);
  });
});
