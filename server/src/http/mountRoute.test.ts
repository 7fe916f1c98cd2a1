import { paths } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HOUSE, problemOf, roundStart, startHouse, TODAY } from '../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

describe('bad input', () => {
  it.each([
    ['a negative count', { count: -1, version: 0 }, 'count', 'number.min'],
    ['letters in a number', { count: '12o', version: 0 }, 'count', 'number.base'],
    ['half a ball', { count: 1.5, version: 0 }, 'count', 'number.integer'],
    ['a number of no kitchen', { count: 1e9, version: 0 }, 'count', 'number.max'],
    ['no version', { count: 4 }, 'version', 'any.required'],
    ['a key that is none', { count: 4, version: 0, colour: 'blue' }, 'colour', 'object.unknown'],
  ])('%s is told at its field', async (_name, body, path, code) => {
    const [service] = await house.services();
    const productId = service?.counts[0]?.productId ?? '';
    const url = paths.changeCount(HOUSE, TODAY, service?.patternId ?? '', productId);
    const res = await house.http.put(url).send(body);
    expect(res.status).toBe(400);
    expect(problemOf(res)).toMatchObject({
      type: '/problems/bad-input',
      errors: [{ path, code }],
    });
    const [after] = await house.services();
    expect(after?.counts[0]).toEqual(service?.counts[0]);
  });

  it('lists every bad field of a body, not only the first', async () => {
    const start = roundStart(await house.book());
    const res = await house.http.post(paths.startLot(HOUSE)).send({
      ...start,
      serviceDate: '2026-02-30',
      items: [{ ...start.items[0], count: -4 }],
      temps: { ...start.temps, flourTempC: 'warm' },
    });
    const found = problemOf(res).errors?.map((error) => error.path);
    expect(found?.sort()).toEqual(['items/0/count', 'serviceDate', 'temps/flourTempC']);
  });

  it('refuses a body over the limit, and one that is not JSON', async () => {
    const huge = await house.http
      .post(paths.startLot(HOUSE))
      .send({ note: 'x'.repeat(2 * 1024 * 1024) });
    expect(huge.status).toBe(413);
    expect(problemOf(huge).type).toBe('/problems/too-large');
    const broken = await house.http
      .post(paths.startLot(HOUSE))
      .set('Content-Type', 'application/json')
      .send('{"items": [');
    expect(broken.status).toBe(400);
    expect(problemOf(broken).type).toBe('/problems/not-json');
  });

  it('refuses too many days, and a date that is none', async () => {
    const days = await house.http.get(paths.services(HOUSE, { from: TODAY, days: 900 }));
    expect(problemOf(days).errors).toMatchObject([{ path: 'days', code: 'number.max' }]);
    const date = await house.http.get(paths.services(HOUSE, { from: 'tomorrow', days: 1 }));
    expect(problemOf(date).errors).toMatchObject([{ path: 'from' }]);
  });
});

describe('what is not there', () => {
  it.each([
    paths.book('no-such-house'),
    paths.book("x' or 1=1 --"),
    paths.lot(HOUSE, '00000000-0000-4000-8000-000000000000'),
    '/api/v1/ovens',
    '/api/v1/houses/%E0%A4%A',
  ])('%s is a 404 problem', async (path) => {
    const res = await house.http.get(path);
    expect([400, 404]).toContain(res.status);
    expect(problemOf(res).status).toBe(res.status);
  });
});

describe('every answer', () => {
  it('carries a request id and a policy without inline code', async () => {
    const res = await house.http.get('/healthz');
    expect(res.headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/);
    const policy = String(res.headers['content-security-policy']);
    expect(policy).toContain("default-src 'self'");
    expect(policy).toMatch(/style-src 'self' 'nonce-[^']+'/);
    expect(policy).not.toContain('unsafe');
    expect(res.headers['x-powered-by']).toBeUndefined();
  });

  it('gives a problem the id that is in the header', async () => {
    const res = await house.http.get('/api/v1/ovens');
    expect(problemOf(res).requestId).toBe(res.headers['x-request-id']);
  });

  it('knows that it is alive and ready', async () => {
    expect((await house.http.get('/healthz')).status).toBe(200);
    expect((await house.http.get('/readyz')).status).toBe(200);
  });
});

describe('houses', () => {
  it('are listed by name', async () => {
    expect(await house.get(paths.houses())).toEqual([
      { slug: 'lantern-yard', name: 'Lantern Yard', asideOn: null },
      { slug: 'other-yard', name: 'Other Yard', asideOn: null },
    ]);
  });

  it('do not see each other', async () => {
    const [mine] = await house.lots();
    const [theirs] = await house.lots(TODAY, 3, 'other-yard');
    expect(mine?.id).not.toBe(theirs?.id);
    const crossed = await house.http.get(paths.lot('other-yard', mine?.id ?? ''));
    expect(crossed.status).toBe(404);
    const write = await house.http
      .put(paths.changeNote('other-yard', mine?.id ?? ''))
      .send({ note: 'crossed', version: 1 });
    expect(write.status).toBe(404);
    expect((await house.lots())[0]?.note).toBe(mine?.note);
  });

  it('cannot be crossed by ids in a body either', async () => {
    const otherBook = await house.book('other-yard');
    const start = roundStart(await house.book(), { mixerId: otherBook.mixers[0]?.id ?? '' });
    const res = await house.http.post(paths.startLot(HOUSE)).send(start);
    expect(problemOf(res).errors).toMatchObject([{ path: 'mixerId', code: 'id.unknown' }]);
  });
});
