import {
  HOUSE_PARTS,
  ROUTE_NAMES,
  ROUTES,
  paths,
  type RouteDefinition,
  type RouteName,
} from '@calm/contract';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import * as t from '../database/schema';
import { addressOfExample } from '../test-support/routeAddress';
import { routeExamples, type RouteExample } from '../test-support/routeExamples';
import { HOUSE, NOW, startHouse, TODAY } from '../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const DAYS = { from: TODAY, days: 2 };

describe('an answer that is kept', () => {
  it('is the same until something it hangs on is written, and then another', async () => {
    const address = paths.plan(HOUSE);
    const first = await house.http.get(address);
    const etag = first.get('etag') ?? '';
    expect((await house.http.get(address).set('If-None-Match', etag)).status).toBe(304);
    const services = paths.services(HOUSE, DAYS);
    const before = await house.http.get(services);
    const [service] = before.body as { date: string; patternId: string; counts: Count[] }[];
    const [count] = service?.counts ?? [];
    const key = [service?.date ?? '', service?.patternId ?? '', count?.productId ?? ''] as const;
    const change = { count: 77, version: count?.version };
    await house.http
      .put(paths.changeCount(HOUSE, ...key))
      .send(change)
      .expect(200);
    const after = await house.http.get(services).set('If-None-Match', before.get('etag') ?? '');
    expect(after.status).toBe(200);
    expect((after.body as [{ counts: Count[] }])[0].counts[0]?.count).toBe(77);
    // A count moves no plan.
    expect((await house.http.get(address).set('If-None-Match', etag)).status).toBe(304);
  });

  it('goes to nobody who may not have it', async () => {
    const address = paths.book(HOUSE);
    const { headers } = await house.http.get(address).expect(200);
    const stranger = house
      .as(null)
      .get(address)
      .set('If-None-Match', headers['etag'] as string);
    expect((await stranger).status).toBe(401);
    expect(headers['cache-control']).toBe('private, no-cache');
  });

  it('is of its own house', async () => {
    const [one, other] = [await house.book(), await house.book('other-yard')];
    expect(one.house.slug).toBe(HOUSE);
    expect(other.house.slug).toBe('other-yard');
  });

  it('is worked out again when the minute is over, where it hangs on the time', async () => {
    const later = await house.later(new Date(Date.parse(NOW) + 9 * 3_600_000).toISOString());
    const [now, then] = [
      (await house.http.get(paths.cold(HOUSE))).body as { at: string },
      (await later.get(paths.cold(HOUSE))).body as { at: string },
    ];
    expect(then.at > now.at).toBe(true);
  });

  it('that could not be is refused to everybody, and is there once it can be', async () => {
    const lot = '00000000-0000-4000-8000-000000000000';
    const asked = await Promise.all(
      Array.from({ length: 4 }, () => house.http.get(paths.lot(HOUSE, lot))),
    );
    expect(asked.map(({ status }) => status)).toEqual([404, 404, 404, 404]);
  });
});

interface Count {
  readonly productId: string;
  readonly count: number;
  readonly version: number;
}

/** Every kept route within a house, with an address that answers. */
const KEPT = ROUTE_NAMES.filter((name) => 'kept' in ROUTES[name]);

describe('what kept answers hang on', () => {
  it('is a part of a house that there is', () => {
    for (const name of KEPT) {
      const { kept } = ROUTES[name] as RouteDefinition;
      for (const part of kept?.on ?? []) expect(HOUSE_PARTS).toContain(part);
    }
    expect(KEPT.length).toBeGreaterThan(12);
  });

  /** What is asked again after each write: an answer that changed must not be told from before. */
  const ASKED = [
    paths.book(HOUSE),
    paths.crew(HOUSE),
    paths.shifts(HOUSE, DAYS),
    paths.calendar(HOUSE),
    paths.services(HOUSE, DAYS),
    paths.sales(HOUSE, { from: '2026-11-20', days: 7 }),
    paths.forecast(HOUSE, { from: TODAY, days: 4 }),
    paths.plan(HOUSE),
    paths.lots(HOUSE, { from: TODAY, days: 4 }),
    paths.records(HOUSE, { from: TODAY, days: 4 }),
    paths.handovers(HOUSE),
    paths.frictions(HOUSE),
    paths.cold(HOUSE),
  ];
  const answers = async () => {
    const all = new Map<string, string>();
    for (const address of ASKED) all.set(address, (await house.http.get(address)).text);
    return all;
  };
  /** The same from a server that has kept nothing. */
  const fresh = async () => {
    const other = await house.later(NOW);
    const all = new Map<string, string>();
    for (const address of ASKED) all.set(address, (await other.get(address)).text);
    return all;
  };

  /** Writes of every part of a house, by the examples of their routes. */
  const WRITES: readonly RouteName[] = [
    'changeMark',
    'changeLoad',
    'addLotRecord',
    'addPhoto',
    'changeNote',
    'changeLosses',
    'withdrawLot',
    'startLot',
    'addHandover',
    'addColdNote',
    'acknowledgeAlarm',
    'changeProbe',
    'addReadings',
    'removePerson',
    'addShiftException',
    'addEvent',
    'changeSale',
    'changeCount',
    'recordTillSales',
    'publishPlan',
    'addIngredient',
    'changeProduct',
    'changeMixer',
    'changeUsual',
    'changeSettings',
    'changePreferences',
  ];

  it('is all that it is worked out from: after writes of every part a server that kept answers says what a new one does', async () => {
    const examples = await routeExamples(house);
    await answers();
    const [lot] = await house.lots();
    const productId = lot?.items[0]?.productId ?? '';
    const record = (content: object) => () =>
      Promise.resolve({ params: [lot?.id ?? ''], body: { id: randomUUID(), content } });
    const weighed = { kind: 'weighed', loadNumber: 1, key: 'salt', grams: 900, wantedG: 250 };
    const discarded = { kind: 'discarded', productId, from: null, trays: 2, balls: 24, note: '' };
    const writes: readonly (readonly [RouteName, () => RouteExample | Promise<RouteExample>])[] = [
      ...WRITES.map((name) => [name, examples[name]] as const),
      ['addLotRecord', record(weighed)],
      ['addLotRecord', record(discarded)],
    ];
    for (const [name, exampleOf] of writes) {
      const example = await exampleOf();
      const { method, status } = ROUTES[name];
      await house.http[method](addressOfExample(name, example)).send(example.body).expect(status);
      const [now, then] = [await answers(), await fresh()];
      for (const asked of ASKED)
        expect([name, asked, now.get(asked)]).toEqual([name, asked, then.get(asked)]);
    }
  });

  it('are counted by the writes of every part', async () => {
    const rows = await house.db.select({ part: t.houseVersions.part }).from(t.houseVersions);
    const written = new Set(rows.map(({ part }) => part));
    expect(HOUSE_PARTS.filter((part) => !written.has(part))).toEqual([]);
  });
});
