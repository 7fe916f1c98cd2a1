import {
  paths,
  STANDARD_DISPLAY,
  STARTER_SETS,
  type HouseBook,
  type HouseCalendar,
  type HouseStart,
  type HouseSummary,
  type PublishedPlan,
  type Service,
  type SignInOptions,
} from '@calm/contract';
import { comingWeek, planComingWeek } from '@calm/demo';
import { doseOfLot } from '@calm/domain';
import { afterAll, beforeAll, beforeEach, afterEach, describe, expect, it } from '@jest/globals';
import request from 'supertest';
import { HOUSE, NOW, problemOf, startEmptyServer, startHouse } from '../../test-support/testHouse';
import { issueSetupCodes } from '../access/setupCode';

const house: HouseStart = {
  name: 'Bell & Oar',
  timeZone: 'Europe/Rome',
  currency: 'EUR',
  display: STANDARD_DISPLAY,
  coldLimitC: 4,
  starter: null,
};
const owner = { name: 'Odile', initials: 'OD', password: 'long enough to keep' };

/** Somebody's agent, with the lines that the demo's programs take. */
const lineOf = (http: ReturnType<typeof request.agent>) => {
  const answered = async <T>(asked: request.Test): Promise<T> => {
    const res = await asked;
    if (res.status >= 300) throw new Error(`${res.status} ${res.text}`);
    return res.body as T;
  };
  return {
    get: <T>(path: string) => answered<T>(http.get(path)),
    post: <T>(path: string, body: unknown) => answered<T>(http.post(path).send(body as object)),
    put: <T>(path: string, body: unknown) => answered<T>(http.put(path).send(body as object)),
  };
};

describe('the first house of a server', () => {
  let server: Awaited<ReturnType<typeof startEmptyServer>>;
  beforeEach(async () => {
    server = await startEmptyServer();
  });
  afterEach(() => server.drop());

  const begin = (http: ReturnType<typeof request.agent>, code: string, change = {}) =>
    http.post(paths.startFirstHouse()).send({
      house: { ...house, ...change },
      owner: { ...owner, code },
    });

  it('begins once, with the code that the server printed, and lets its owner in', async () => {
    const [issued] = await issueSetupCodes(server.db);
    expect(issued).toMatchObject({ slug: null });
    const code = issued?.code ?? '';
    const http = request.agent(server.app);
    expect(problemOf(await begin(http, 'WRNG-WRNG-WRNG')).errors).toMatchObject([
      { path: 'owner/code', code: 'code.wrong' },
    ]);
    const weak = http.post(paths.startFirstHouse()).send({
      house,
      owner: { ...owner, password: 'aaaaaaaaaaaa', code },
    });
    expect(problemOf(await weak).errors).toMatchObject([{ path: 'owner/password' }]);
    expect((await http.get(paths.houses())).body).toEqual([]);

    const res = await begin(http, code.toLowerCase());
    expect([res.status, res.body]).toEqual([201, { slug: 'bell-oar', name: 'Bell & Oar' }]);
    const book = (await http.get(paths.book('bell-oar'))).body as HouseBook;
    expect(book.house).toMatchObject({ timeZone: 'Europe/Rome', settings: { currency: 'EUR' } });
    expect(book.house.settings.cold?.limitC).toBe(4);
    expect(book.people).toMatchObject([{ name: 'Odile', role: 'manager' }]);
    const options = (await request(server.app).get(paths.signInOptions('bell-oar')))
      .body as SignInOptions;
    expect(options).toMatchObject({ isUnowned: false, candidates: [{ by: 'password' }] });

    // Neither the same code nor a new start of the server begins a second one.
    expect(problemOf(await begin(request.agent(server.app), code)).errors).toMatchObject([
      { code: 'house.there' },
    ]);
    expect(await issueSetupCodes(server.db)).toEqual([]);
  });

  it('is one, however many begin it at once', async () => {
    const [issued] = await issueSetupCodes(server.db);
    const all = await Promise.all(
      Array.from({ length: 6 }, () => begin(request.agent(server.app), issued?.code ?? '')),
    );
    expect(all.filter(({ status }) => status === 201)).toHaveLength(1);
    expect((await request(server.app).get(paths.houses())).body).toHaveLength(1);
  });

  it('may be called anything in any script', async () => {
    const [issued] = await issueSetupCodes(server.db);
    const res = await begin(request.agent(server.app), issued?.code ?? '', { name: '窯と月' });
    expect((res.body as HouseSummary).slug).toBe('house');
  });

  it('has a zone, a currency and a limit that can be', async () => {
    const http = request.agent(server.app);
    const wrong = [
      [{ timeZone: 'Europe/Ostrel' }, 'house/timeZone'],
      [{ currency: 'crowns' }, 'house/currency'],
      [{ coldLimitC: 45 }, 'house/coldLimitC'],
      [{ starter: 'castle' }, 'house/starter'],
      [{ name: ' ' }, 'house/name'],
    ] as const;
    for (const [change, path] of wrong) {
      expect(problemOf(await begin(http, 'K7QM', change)).errors?.map((e) => e.path)).toContain(
        path,
      );
    }
  });

  it.each(STARTER_SETS)(
    'from the set %s opens, and its first weeks fit: people, mixer, room, doses',
    async (starter) => {
      const [issued] = await issueSetupCodes(server.db);
      const http = request.agent(server.app);
      const res = await begin(http, issued?.code ?? '', { starter });
      const { slug } = res.body as HouseSummary;
      const line = lineOf(http);
      await planComingWeek(line, slug, new Date(NOW), 4);
      const { content } = await line.get<PublishedPlan>(paths.plan(slug));
      expect(content.lots.length).toBeGreaterThan(2);
      const services = await line.get<Service[]>(
        paths.services(slug, { from: '2026-11-25', days: 12 }),
      );
      const planned = new Set(content.lots.flatMap((lot) => lot.serviceIds));
      // Whatever can still be made in time is: of the coming days each service from the fourth on.
      const late = services.filter(({ date }) => date >= '2026-11-29');
      expect(late.length).toBeGreaterThan(2);
      for (const { date, patternId, counts } of late) {
        expect(counts.some(({ count }) => count > 0)).toBe(true);
        expect([...planned].some((id) => id.includes(date) && id.includes(patternId))).toBe(true);
      }
      const steps = content.lots.flatMap((lot) => lot.steps);
      for (const step of steps) expect(step.personIds.length).toBeGreaterThan(0);
      const { document, book } = await comingWeek(line, slug, new Date(NOW));
      const written = book.formulas[0]?.formula.yeast.percent ?? 0;
      for (const lot of content.lots) {
        const dose = doseOfLot(document, lot);
        if (dose?.kind !== 'dosed') throw new Error(JSON.stringify(dose));
        // The formula as it is written is near what its route asks for.
        expect(dose.yeastPercent / written).toBeGreaterThan(0.5);
        expect(dose.yeastPercent / written).toBeLessThan(2);
        for (const { window, odds } of dose.windows) {
          expect(window).not.toBeNull();
          expect(odds).toBeGreaterThan(0.5);
        }
      }
    },
  );
});

describe('another house', () => {
  let first: Awaited<ReturnType<typeof startHouse>>;
  beforeAll(async () => {
    first = await startHouse();
  });
  afterAll(() => first.drop());

  it('is begun by a manager, who comes in there by the same password', async () => {
    const res = await first.http
      .post(paths.startHouse(HOUSE))
      .send({ ...house, name: 'Lantern Yard' });
    expect(res.body).toEqual({ slug: 'lantern-yard-2', name: 'Lantern Yard' });
    const book = await first.get<HouseBook>(paths.book('lantern-yard-2'));
    expect(book.people.map(({ name }) => name)).toEqual(['Maro']);
    const options = await first.get<SignInOptions>(paths.signInOptions('lantern-yard-2'));
    const [maro] = options.candidates;
    const signedIn = await first
      .as(null)
      .post(paths.signIn('lantern-yard-2'))
      .send({ personId: maro?.id, secret: 'ostrel harbour' });
    expect(signedIn.status).toBe(204);
  });
});

describe('a mixer', () => {
  let yard: Awaited<ReturnType<typeof startHouse>>;
  beforeAll(async () => {
    yard = await startHouse();
  });
  afterAll(() => yard.drop());

  it('is entered, changed, and stays where a dough is written for it', async () => {
    const content = {
      name: 'Small fork',
      kind: 'fork',
      minDoughKg: 2,
      maxDoughKg: 15,
      frictionC: 9,
      outOfOrder: null,
    };
    const added = await yard.http.post(paths.addMixer(HOUSE)).send(content);
    expect(added.body).toMatchObject({ ...content, version: 1 });
    const at = paths.changeMixer(HOUSE, added.body.id);
    const wrong = { version: 1, content: { ...content, minDoughKg: 20 } };
    expect(problemOf(await yard.http.put(at).send(wrong)).errors).toMatchObject([
      { path: 'content/maxDoughKg' },
    ]);
    const outOfOrder = { from: '2026-11-26T00:00:00.000Z', until: '2026-11-28T00:00:00.000Z' };
    await yard.http
      .put(at)
      .send({ version: 1, content: { ...content, outOfOrder } })
      .expect(200);
    expect((await yard.book()).mixers.find(({ name }) => name === 'Small fork')).toMatchObject({
      outOfOrder,
      version: 2,
    });
    await yard.http.delete(at).expect(200);
    const [used] = (await yard.book()).formulas;
    await yard.http.delete(paths.removeMixer(HOUSE, used?.mixerId ?? '')).expect(409);
  });
});

describe('the usual counts of a service', () => {
  let yard: Awaited<ReturnType<typeof startHouse>>;
  beforeAll(async () => {
    yard = await startHouse();
  });
  afterAll(() => yard.drop());

  it('are set by hand, and had ready where nothing else says', async () => {
    const { patterns, usual } = await yard.get<HouseCalendar>(paths.calendar(HOUSE));
    const pattern = patterns.find(({ weekday, name }) => weekday === 4 && name === 'Lunch');
    const productId = (await yard.book()).products[0]?.id ?? '';
    expect(usual.some((each) => each.patternId === pattern?.id)).toBe(true);
    const put = (counts: object[]) =>
      yard.http.put(paths.changeUsual(HOUSE, pattern?.id ?? '')).send({ counts });
    await put([{ productId, count: 77 }]).expect(200);
    const services = await yard.services('2026-12-03', 1);
    const lunch = services.find(({ patternId }) => patternId === pattern?.id);
    expect(lunch?.counts.find((each) => each.productId === productId)).toMatchObject({ usual: 77 });
    expect(lunch?.counts.filter((each) => each.usual > 0)).toHaveLength(1);
    expect(problemOf(await put([{ productId: HOUSE_OF_NOBODY, count: 1 }])).errors).toMatchObject([
      { path: 'counts/0/productId', code: 'id.unknown' },
    ]);
  });
});

const HOUSE_OF_NOBODY = '00000000-0000-4000-8000-000000000000';
