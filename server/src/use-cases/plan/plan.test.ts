import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  dateOfService,
  simulateWeek,
  startedLots,
  problemOfWeek,
  weekOfHouse,
  datesFrom,
  instantOf,
} from '@calm/domain';
import {
  type CalendarContent,
  type CalendarLink,
  type CalendarLinkIssued,
  NO_PLAN,
  paths,
  type PlanContent,
  type PublishedPlan,
  type Shift,
  STANDARD_DISPLAY,
} from '@calm/contract';
import { checkWeek } from '@calm/core/test-support';
import { conflictsOf, optimizeWeek, weekFaults, weekWithout, type WeekPlan } from '@calm/core';
import { planComingWeek } from '@calm/demo';
import { HOUSE, NOW, problemOf, signedIn, startHouse, TODAY } from '../../test-support/testHouse';

type House = Awaited<ReturnType<typeof startHouse>>;
let house: House;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const DAYS = 8;
/** From today to the end of next week. */
const UNTIL_SUNDAY = 12;
const ZONE = 'Europe/Copenhagen';

/** Lantern Yard's coming week, as the page reads it. */
async function comingWeek(days = DAYS) {
  const [book, services, lots, shifts] = await Promise.all([
    house.book(),
    house.services(TODAY, days),
    house.lots(TODAY, days),
    house.get<Shift[]>(paths.shifts(HOUSE, { from: TODAY, days })),
  ]);
  const document = weekOfHouse({
    book,
    services,
    shifts,
    forecasts: [],
    usage: [],
    nowMin: Date.parse(NOW) / 60_000,
    midnights: datesFrom(TODAY, days).map((date) => instantOf(date, 0, ZONE).toISOString()),
    published: NO_PLAN,
  });
  const problem = problemOfWeek(document);
  const underWay = startedLots(problem, book, lots, NO_PLAN);
  return { book, document, problem, underWay };
}

describe('the demo house’s coming week', () => {
  it('can be planned: what is under way and what is to be made, without a conflict', async () => {
    const { book, document, problem, underWay } = await comingWeek();
    expect(weekFaults(problem)).toEqual([]);
    expect(underWay.length).toBeGreaterThan(3);
    expect(conflictsOf(problem, { lots: underWay }).filter(({ kind }) => kind !== 'open')).toEqual(
      [],
    );
    const rest = weekWithout(problem, underWay);
    const search = optimizeWeek(rest);
    let solved = search.next().value;
    for (let i = 0; i < 12 && solved.open > 0; i += 1) solved = search.next().value;
    expect(solved.plan.open).toEqual([]);
    expect(checkWeek(rest, solved.plan)).toEqual([]);
    const lots = [...underWay, ...solved.plan.lots];
    expect(conflictsOf(problem, { lots })).toEqual([]);
    for (const { serviceIds } of solved.plan.lots) {
      expect(new Set(serviceIds.map(dateOfService)).size).toBe(1);
    }

    const mixed = new Set(underWay.map(({ id }) => id));
    const simulated = simulateWeek(document, lots, { places: book.places, assumptions: [], mixed });
    expect(simulated.rounds).toBeLessThan(4);
    expect(simulated.climate.rooms.map(({ place }) => place).sort()).toEqual([
      'Under-counter',
      'Walk-in',
    ]);
    for (const { lotId, dose, ways } of simulated.lots) {
      expect(ways.length).toBeGreaterThan(0);
      expect(dose === null).toBe(mixed.has(lotId));
    }
    const dosed = simulated.lots.filter(({ dose }) => dose?.kind === 'dosed');
    expect(dosed.length).toBe(solved.plan.lots.length);
  });
});

/** A plan of one lot, as it might be published. */
async function onePlan(): Promise<PlanContent> {
  const { problem } = await comingWeek();
  const [lot] = optimizeWeek(problem).next().value.plan.lots as WeekPlan['lots'];
  if (!lot) throw new Error('the demo week has lots');
  return { lots: [lot], pins: [], assumptions: [] };
}

describe('a plan', () => {
  it('is published over the one it was made from, and goes out as calendar and table', async () => {
    const at = paths.plan(HOUSE);
    expect(await house.get<PublishedPlan>(at)).toEqual({
      version: 0,
      publishedAt: null,
      content: NO_PLAN,
    });
    const content = await onePlan();
    const res = await house.http.put(at).send({ version: 0, content });
    expect(res.body).toEqual({ version: 1, publishedAt: NOW, content });
    expect(await house.get<PublishedPlan>(at)).toEqual(res.body);
    expect((await house.get<PublishedPlan>(paths.plan('other-yard'))).version).toBe(0);

    const late = problemOf<PublishedPlan>(await house.http.put(at).send({ version: 0, content }));
    expect(late).toMatchObject({ type: '/problems/stale', current: { version: 1 } });

    const [step] = content.lots[0]?.steps ?? [];
    const [personId = ''] = step?.personIds ?? [];
    const everybody = await house.http.get(paths.planCalendar(HOUSE));
    expect(everybody.headers['content-type']).toContain('text/calendar');
    const eventsIn = (text: string) => text.match(/BEGIN:VEVENT/g)?.length ?? 0;
    expect(eventsIn(everybody.text)).toBe(content.lots[0]?.steps.length);
    const own = await house.http.get(paths.planCalendar(HOUSE, { person: personId }));
    const mine = content.lots[0]?.steps.filter(({ personIds }) => personIds.includes(personId));
    expect(eventsIn(own.text)).toBe(mine?.length);
    expect(own.text).toMatch(/SUMMARY:[A-Z][a-z -]+: \w+ dough/);
    expect(own.text).toMatch(/DESCRIPTION:For \w/);

    const table = (await house.http.get(paths.planCsv(HOUSE))).text.split('\r\n');
    expect(table[0]).toBe('start,end,work,dough,for,people,mixer,dough (kg),loads');
    expect(table.length).toBe(1 + (content.lots[0]?.steps.length ?? 0));
  });

  it('is refused whole when it is none', async () => {
    const send = (content: object) =>
      house.http.put(paths.publishPlan(HOUSE)).send({ version: 1, content });
    const { lots } = await onePlan();
    const wrong = [
      { lots, pins: [] },
      { lots: [...lots, ...lots], pins: [], assumptions: [] },
      { lots: [{ ...lots[0], steps: [] }], pins: [], assumptions: [] },
      { lots, pins: [], assumptions: [{ kind: 'rain' }] },
    ];
    for (const content of wrong) {
      expect(problemOf(await send(content))).toMatchObject({ type: '/problems/bad-input' });
    }
  });

  it('is made by the demo’s manager for all of the coming days, and everything fits', async () => {
    const sent = async <T>(method: 'put' | 'post', path: string, body: unknown) =>
      (
        await house.http[method](path)
          .send(body as object)
          .expect(200)
      ).body as T;
    await planComingWeek(
      {
        get: house.get,
        post: (path, body) => sent('post', path, body),
        put: (path, body) => sent('put', path, body),
      },
      HOUSE,
      new Date(NOW),
    );
    const { content } = await house.get<PublishedPlan>(paths.plan(HOUSE));
    const { problem } = await comingWeek(UNTIL_SUNDAY);
    expect(conflictsOf(problem, { lots: content.lots })).toEqual([]);
    const dates = new Set(content.lots.flatMap(({ serviceIds }) => serviceIds.map(dateOfService)));
    expect(dates.size).toBeGreaterThan(8);
  });
});

describe('a published plan', () => {
  it('is followed by somebody’s calendar, until the link is removed or they leave', async () => {
    const { content } = await house.get<PublishedPlan>(paths.plan(HOUSE));
    const steps = content.lots.flatMap((lot) => lot.steps);
    const [personId = ''] = steps.flatMap(({ personIds }) => personIds);
    const { people } = await house.book();
    const who = people.find(({ id }) => id === personId)?.name ?? '';
    const person = house.as(await signedIn(house.db, HOUSE, who));
    const make = async (kind: CalendarContent) =>
      (await person.post(paths.issueCalendarLink(HOUSE)).send({ content: kind }).expect(201))
        .body as CalendarLinkIssued;
    const feed = (secret: string, slug = HOUSE) =>
      house.as(null).get(paths.calendarFeed(slug, secret));
    const eventsIn = (text: string) => text.match(/BEGIN:VEVENT/g)?.length ?? 0;

    const [own, all] = [await make('own'), await make('house')];
    const mine = await feed(own.secret);
    expect(mine.headers['content-type']).toContain('text/calendar');
    expect(eventsIn(mine.text)).toBe(
      steps.filter(({ personIds }) => personIds.includes(personId)).length,
    );
    expect(eventsIn((await feed(all.secret)).text)).toBe(steps.length);
    // In the language of whoever follows it.
    await person
      .put(paths.changePreferences(HOUSE))
      .send({ ...STANDARD_DISPLAY, language: 'it' })
      .expect(200);
    expect((await feed(own.secret)).text).toMatch(/DESCRIPTION:Per /);
    expect((await feed(own.secret)).text).not.toMatch(/DESCRIPTION:For /);
    const links = (await person.get(paths.calendarLinks(HOUSE))).body as CalendarLink[];
    expect(links.map(({ lastSeenAt }) => lastSeenAt)).toEqual([NOW, NOW]);
    expect(JSON.stringify(links)).not.toContain(own.secret);

    // It opens nothing else, no other house, and is nobody else's.
    expect((await feed(own.secret, 'other-yard')).status).toBe(404);
    expect((await feed(own.secret.replace(/./, 'x'))).status).toBe(404);
    const bearer = { Authorization: `Bearer ${own.secret}` };
    expect((await house.as(null).get(paths.book(HOUSE)).set(bearer)).status).toBe(401);
    const others = house.as(await signedIn(house.db, HOUSE, 'Wren'));
    expect((await others.get(paths.calendarLinks(HOUSE))).body).toEqual([]);
    const taken = await others.delete(paths.revokeCalendarLink(HOUSE, own.link.id));
    expect(taken.status).toBe(404);

    await person.delete(paths.revokeCalendarLink(HOUSE, own.link.id)).expect(200);
    expect((await feed(own.secret)).status).toBe(404);
    await house.http.delete(paths.removePerson(HOUSE, personId)).expect(200);
    expect((await feed(all.secret)).status).toBe(404);
    // Who comes back makes a link anew, as they come in anew.
    await house.http.put(paths.rejoinCrew(HOUSE, personId)).expect(200);
    expect((await feed(all.secret)).status).toBe(404);
  });

  it('gives one person no more links than they have calendars', async () => {
    const wren = house.as(await signedIn(house.db, HOUSE, 'Wren'));
    const make = () => wren.post(paths.issueCalendarLink(HOUSE)).send({ content: 'house' });
    for (let i = 0; i < 10; i += 1) await make().expect(201);
    expect(problemOf(await make()).errors).toMatchObject([{ code: 'calendar.many' }]);
  });
});
