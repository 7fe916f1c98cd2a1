import {
  paths,
  STANDARD_DISPLAY,
  STANDARD_KITCHEN,
  type CalendarLinkIssued,
  type OwnContact,
  type WebhookIssued,
  type CollectionName,
  type ColdBoard,
  type Lot,
  type MachineIssued,
  type PublishedPlan,
  type RouteName,
  type SignedInDevice,
  type Trial,
} from '@calm/contract';
import { addDays } from '@calm/domain';
import { randomUUID } from 'node:crypto';
import type { Response } from 'supertest';
import * as t from '../database/schema';
import { aJpeg } from './photo';
import { contentsOf, LATER, required, worldOf } from './houseWorld';
import { HOUSE, NOW, roundStart, signedIn, stepOf, TODAY, type TestHouse } from './testHouse';

/** With which the house without an owner is begun. */
export const SETUP_CODE = 'K7QM2XHD9RTE';

/** A request that works: values for the parameters of the address after the house, query and body. */
export interface RouteExample {
  readonly params?: readonly (string | number)[];
  readonly query?: Readonly<Record<string, string | number>>;
  readonly body?: object;
  /** The house, where it is another than the demo house. */
  readonly house?: string;
}

const DAYS = { query: { from: TODAY, days: 2 } } as const;
const PROPOSAL = {
  name: 'yeast-activity',
  by: { factor: 1.08 },
  sdBefore: 0.2,
  sdAfter: 0.05,
  lots: ['YR-1120-A'],
  riseErrorPercent: { before: 12, after: 7 },
  laterMin: { opens: -21, ends: -40 },
  state: 'proposed',
  madeAt: new Date(NOW),
} as const;
const WEEK = { query: { from: '2026-11-23', days: 3 } } as const;

/**
 * One example of every route against the demo house: each is a request that works.
 *
 * @returns by route, how to make its example; some write what they need first
 */
export async function routeExamples(
  house: TestHouse,
): Promise<Readonly<Record<RouteName, () => RouteExample | Promise<RouteExample>>>> {
  const world = await worldOf(house);
  const { book, services, cold, options } = world;
  const contents = contentsOf(world);
  const post = async <T>(path: string, body: object) =>
    answered<T>(await house.http.post(path).send(body));
  let made = 0;
  /** A record that the house does not have yet: names are there once, and so are days of exceptions. */
  const another = (name: CollectionName): object => {
    made += 1;
    const content = contents[name];
    return {
      ...content,
      ...('name' in content && { name: `${String(content.name)} ${made}` }),
      ...(name.endsWith('Exception') && { date: addDays(LATER, made) }),
    };
  };
  const added = (name: CollectionName) =>
    post<{ id: string; version: number }>(paths[`add${name}`](HOUSE), another(name));
  const collection = <Name extends CollectionName>(name: Name) =>
    ({
      [`add${name}`]: () => ({ body: another(name) }),
      [`change${name}`]: async () => {
        const { id, version } = await added(name);
        return { params: [id], body: { version, content: another(name) } };
      },
      [`remove${name}`]: async () => ({ params: [(await added(name)).id] }),
    }) as Record<
      `add${Name}` | `change${Name}` | `remove${Name}`,
      () => RouteExample | Promise<RouteExample>
    >;
  const service = required(services.find(({ counts }) => counts.length > 0));
  const count = required(service.counts[0]);
  const sold = required(world.calendar.patterns.find(({ weekday }) => weekday === 2));
  const formula = required(book.formulas[0]);
  const { name, formula: dough, doughTempC, method, mixerId } = formula;
  const content = { name, formula: dough, doughTempC, method, mixerId };
  const zone = required(cold.probes[0]);
  const aLot = async () => ({ params: [(await world.lot()).id] });
  const aDevice = {
    name: 'Phone',
    endpoint: 'https://push.example.org/1',
    p256dh: 'BA',
    auth: 'aa',
  };
  const anAddress = { name: 'Board in the office', url: 'https://board.example.org/alarms' };
  const aWebhook = async () =>
    (await post<WebhookIssued>(paths.issueWebhook(HOUSE), anAddress)).webhook.id;
  const aCalendar = () =>
    post<CalendarLinkIssued>(paths.issueCalendarLink(HOUSE), { content: 'own' });
  /** Two lots of one dough. */
  const twoLots = async () => {
    const lots = await house.get<Lot[]>(paths.lots(HOUSE, { from: '2026-11-17', days: 9 }));
    const [control, changed] = lots.filter(({ code }) => code.startsWith('YR'));
    return {
      change: 'Two percent less water',
      judge: 'taste',
      controlLotId: control?.id,
      changedLotId: changed?.id,
    };
  };
  const aTrial = async () => (await post<Trial>(paths.startTrial(HOUSE), await twoLots())).id;
  const aProposal = async () => {
    const proposal = { ...PROPOSAL, id: randomUUID(), houseId: book.house.id };
    await house.db.insert(t.learnedProposals).values(proposal);
    return proposal.id;
  };
  const aHandover = async () => ({
    params: [(await post<{ id: string }>(paths.addHandover(HOUSE), handover)).id],
  });
  const changed = async (change: object) => {
    const { id, version } = await world.lot();
    return { params: [id], body: { version, ...change } };
  };
  const handover = { lines: [{ part: 'watch', text: 'Door seal' }], note: '' };
  const newHouse = {
    name: 'Second Yard',
    timeZone: 'Europe/Rome',
    currency: 'EUR',
    display: STANDARD_DISPLAY,
    coldLimitC: 5,
    starter: 'corner-shop',
  };
  const retirable = async () => ({ params: ['mixers', (await added('Mixer')).id] });
  const candidate = required(options.candidates.find(({ by }) => by === 'pin'));
  return {
    clock: () => ({}),
    houses: () => ({}),
    // Works only where there is no house yet.
    startFirstHouse: () => ({
      body: {
        house: newHouse,
        owner: { name: 'Odile', initials: 'OD', password: 'long enough to keep', code: SETUP_CODE },
      },
    }),
    startHouse: () => ({ body: newHouse }),
    retire: retirable,
    bringBack: retirable,
    houseArchive: () => ({}),
    eraseHouse: () => ({ body: { name: 'Lantern Yard' } }),
    keepHouse: () => ({}),
    putAside: () => ({}),
    consistency: () => ({}),
    trials: () => ({}),
    startTrial: async () => ({ body: await twoLots() }),
    addVerdict: async () => ({
      params: [await aTrial()],
      body: { id: randomUUID(), choice: 'x' },
    }),
    endTrial: async () => ({ params: [await aTrial()], body: { version: 1 } }),
    learned: () => ({}),
    learnNow: () => ({}),
    decideLearned: async () => ({
      params: [await aProposal()],
      body: { version: 1, state: 'later' },
    }),
    planLearnedWork: async () => {
      await post(paths.learnNow(HOUSE), {});
      const work = [{ kind: 'weigh', personId: null, factor: 1.2, samples: 9 }];
      const fit = { constants: [], riseErrorPercent: { before: 9, after: 9 }, lots: 9, work };
      await house.db.update(t.houseFits).set({ fit });
      return { body: { kind: 'weigh' } };
    },
    takeUp: () => ({}),
    signInOptions: () => ({}),
    session: () => ({}),
    signIn: () => ({
      body: { personId: candidate.id, secret: options.demo?.[candidate.id] ?? '' },
    }),
    signOut: () => ({ house: 'other-yard' }),
    changePreferences: () => ({
      body: { language: 'it', mass: 'metric', temp: 'celsius', clock: '24h', decimal: 'comma' },
    }),
    sessions: () => ({}),
    endSession: async () => {
      await signedIn(house.db, HOUSE);
      const all = await house.get<SignedInDevice[]>(paths.sessions(HOUSE));
      return { params: [required(all.find(({ isThis }) => !isThis)).id] };
    },
    endOtherSessions: () => ({}),
    startOwner: () => ({
      house: 'new-yard',
      body: { name: 'Odile', initials: 'OD', password: 'long enough to keep', code: SETUP_CODE },
    }),
    crew: () => ({}),
    ...collection('Person'),
    ownContact: () => ({}),
    changeContact: async () => ({
      body: {
        ...(await house.get<OwnContact>(paths.ownContact(HOUSE))).contact,
        email: 'maro@example.org',
        quiet: { fromMin: 1380, untilMin: 300 },
      },
    }),
    testContact: async () => {
      await post(paths.registerPushDevice(HOUSE), aDevice);
      return {};
    },
    registerPushDevice: () => ({ body: aDevice }),
    forgetPushDevice: async () => {
      const { devices } = await post<OwnContact>(paths.registerPushDevice(HOUSE), aDevice);
      return { params: [required(devices[0]).id] };
    },
    alarmCalls: () => ({}),
    issueWebhook: () => ({ body: anAddress }),
    revokeWebhook: async () => ({ params: [await aWebhook()] }),
    testWebhook: async () => ({ params: [await aWebhook()] }),
    calendarLinks: () => ({}),
    issueCalendarLink: () => ({ body: { content: 'own' } }),
    revokeCalendarLink: async () => ({ params: [(await aCalendar()).link.id] }),
    calendarFeed: async () => ({ params: [(await aCalendar()).secret] }),
    machines: () => ({}),
    issueMachine: () => ({ body: { kind: 'till', name: 'Counter', probeId: null } }),
    revokeMachine: async () => {
      const start = { kind: 'till', name: 'Bar', probeId: null };
      const issued = await house.http.post(paths.issueMachine(HOUSE)).send(start).expect(201);
      return { params: [(issued.body as MachineIssued).machine.id] };
    },
    rejoinCrew: async () => {
      const left = required(book.people.findLast(({ role }) => role === 'hand')).id;
      await house.http.delete(paths.removePerson(HOUSE, left)).expect(200);
      return { params: [left] };
    },
    changeSecret: async () => ({
      params: [required(book.people.find(({ role }) => role === 'hand')).id],
      body: { secret: '73519', ownSecret: 'ostrel harbour' },
    }),
    ...collection('ShiftPattern'),
    ...collection('ShiftException'),
    shifts: () => DAYS,
    audit: () => ({}),
    live: () => ({}),
    changeSettings: async () => ({
      body: { version: (await house.book()).house.version, kitchen: STANDARD_KITCHEN },
    }),
    book: () => ({}),
    startFormula: () => ({ body: { code: 'ZZ', note: '', content: { ...content, name: 'New' } } }),
    saveFormula: async () => ({
      params: [formula.slug],
      body: { version: required((await house.book()).formulas[0]).version, note: '', content },
    }),
    formulaVersions: () => ({ params: [formula.slug] }),
    importBook: () => ({
      body: {
        note: 'From a file',
        formulas: [{ code: 'ZY', content: { ...content, name: 'Imported' } }],
        routes: [{ content: { name: 'Imported', stages: required(book.routes[0]).stages } }],
      },
    }),
    ...collection('Product'),
    ...collection('Route'),
    ...collection('Ingredient'),
    ...collection('Place'),
    ...collection('Mixer'),
    frictions: () => ({}),
    calendar: () => ({}),
    holidays: () => ({ query: { country: 'IT', year: 2027, language: 'it' } }),
    ...collection('ServicePattern'),
    changeUsual: () => ({
      params: [sold.id],
      body: { counts: [{ productId: count.productId, count: 12 }] },
    }),
    ...collection('ServiceException'),
    ...collection('Event'),
    ...collection('Booking'),
    services: () => DAYS,
    changeCount: () => ({
      params: [service.date, service.patternId, count.productId],
      body: { count: 50, version: count.version },
    }),
    changeCounts: async () => {
      const now = required((await house.services(service.date, 1))[0]);
      const { productId, version } = required(now.counts[0]);
      const { date, patternId } = now;
      return { body: { counts: [{ date, patternId, productId, count: 51, version }] } };
    },
    sales: () => WEEK,
    changeSale: () => ({
      params: ['2026-11-24', sold.id, count.productId],
      body: { sale: { sold: 10, soldOutMin: null, leftBalls: 2 }, version: 1 },
    }),
    importSales: () => ({
      body: {
        sales: [{ date: '2026-11-24', patternId: sold.id, productId: count.productId, sold: 12 }],
        over: 'keep',
        isTrial: true,
      },
    }),
    recordTillSales: () => ({
      body: { sales: [{ number: '1', at: NOW, productId: count.productId, balls: 1 }] },
    }),
    forecast: () => DAYS,
    salesCsv: () => ({}),
    plan: () => ({}),
    publishPlan: async () => ({
      body: {
        version: (await house.get<PublishedPlan>(paths.plan(HOUSE))).version,
        content: { lots: [], pins: [], assumptions: [] },
      },
    }),
    planCsv: () => ({}),
    planCalendar: () => ({}),
    lots: () => DAYS,
    startLot: () => ({ body: roundStart(book) }),
    lot: aLot,
    changeNote: () => changed({ note: 'A little slack' }),
    changeLosses: () => changed({ leftG: 120, trimG: null }),
    withdrawLot: async () => {
      const start = roundStart(book, { serviceDate: '2026-12-01' });
      const { id, version } = await post<Lot>(paths.startLot(HOUSE), start);
      return { params: [id], body: { version, isWithdrawn: true } };
    },
    changeLoad: async () => {
      const { id, loads } = await world.lot();
      const { number, version } = required(loads[0]);
      const temps = { roomTempC: 22, flourTempC: 21, tapTempC: 14, prefermentTempC: null };
      return { params: [id, number], body: { version, ...temps, doughOutC: 24 } };
    },
    changeMark: async () => {
      const lot = await world.lot();
      const last = lot.marks.find(({ stepKey }) => stepKey === stepOf(lot, -1));
      const params = [lot.id, 0, stepOf(lot, -1)];
      return { params, body: { version: last?.version ?? 0, isStarted: true } };
    },
    records: () => DAYS,
    lotRecords: aLot,
    addLotRecord: async () => ({
      ...(await aLot()),
      body: { id: randomUUID(), content: { kind: 'said', note: 'Smooth' } },
    }),
    addPhoto: async () => ({
      ...(await aLot()),
      body: { id: randomUUID(), note: '', jpeg: (await aJpeg()).toString('base64') },
    }),
    photo: async () => {
      const id = randomUUID();
      const { id: lotId } = await world.lot();
      await post(paths.addPhoto(HOUSE, lotId), {
        id,
        note: '',
        jpeg: (await aJpeg()).toString('base64'),
      });
      return { params: [id] };
    },
    handovers: () => ({}),
    practice: () => ({}),
    addPractice: () => ({
      body: {
        id: randomUUID(),
        content: { kind: 'reading', readings: [{ found: 'late', warmth: 'warm', score: 0.8 }] },
      },
    }),
    addHandover: () => ({ body: handover }),
    markHandoverRead: aHandover,
    withdrawHandover: aHandover,
    log: () => ({}),
    logCsv: () => ({}),
    lotLog: aLot,
    cold: () => ({}),
    coldDay: () => ({ query: { date: TODAY } }),
    coldRecord: () => WEEK,
    coldRecordCsv: () => WEEK,
    ...collection('Probe'),
    addReadings: () => ({
      body: { probes: [{ probe: zone.id, atS: [Date.parse(NOW) / 1000 - 30], airC: [3.4] }] },
    }),
    acknowledgeAlarm: async () => {
      const { id, version } = required((await house.get<ColdBoard>(paths.cold(HOUSE))).alarms[0]);
      return { params: [id], body: { version, cause: 'door', note: '' } };
    },
    addColdNote: () => ({
      body: {
        id: randomUUID(),
        content: { kind: 'round', placeId: zone.placeId, zone: zone.zone, airC: 3 },
      },
    }),
  };
}

function answered<T>(res: Response): T {
  if (res.status >= 300) throw new Error(`${res.status} ${res.text}`);
  return res.body as T;
}
