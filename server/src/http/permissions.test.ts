import { ROLES, ROUTE_NAMES, ROUTES, type Role, type RouteName } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { eq } from 'drizzle-orm';
import * as t from '../database/schema';
import { addressOfNothing } from '../test-support/routeAddress';
import { HOUSE, problemOf, signedIn, startHouse } from '../test-support/testHouse';

/**
 * Who may do what, route by route, as the house wants it: manager, hand, oven lead, viewer; everybody is also
 * whoever is not signed in. It is written down here once more on purpose: a new route fails until somebody
 * has thought of who may, and so does a change of the table that opens a route to others.
 */
const MATRIX: Readonly<Record<RouteName, 'MHOV' | 'MHO' | 'MH' | 'MO' | 'M' | 'everybody'>> = {
  clock: 'everybody',
  houses: 'everybody',
  startFirstHouse: 'everybody',
  startHouse: 'M',
  houseArchive: 'M',
  eraseHouse: 'M',
  keepHouse: 'M',
  putAside: 'M',
  consistency: 'MHOV',
  trials: 'MHOV',
  startTrial: 'MHO',
  addVerdict: 'MHO',
  endTrial: 'MHO',
  learned: 'MHOV',
  learnNow: 'M',
  decideLearned: 'M',
  planLearnedWork: 'M',
  takeUp: 'M',
  signInOptions: 'everybody',
  session: 'everybody',
  signIn: 'everybody',
  signOut: 'everybody',
  changePreferences: 'MHOV',
  sessions: 'MHOV',
  endSession: 'MHOV',
  endOtherSessions: 'MHOV',
  startOwner: 'everybody',
  crew: 'MHOV',
  addPerson: 'M',
  changePerson: 'M',
  removePerson: 'M',
  rejoinCrew: 'M',
  machines: 'M',
  issueMachine: 'M',
  revokeMachine: 'M',
  changeSecret: 'M',
  addShiftPattern: 'M',
  changeShiftPattern: 'M',
  removeShiftPattern: 'M',
  addShiftException: 'M',
  changeShiftException: 'M',
  removeShiftException: 'M',
  shifts: 'MHOV',
  audit: 'M',
  live: 'MHOV',
  changeSettings: 'M',
  book: 'MHOV',
  startFormula: 'M',
  saveFormula: 'M',
  formulaVersions: 'MHOV',
  importBook: 'M',
  addProduct: 'M',
  changeProduct: 'M',
  removeProduct: 'M',
  addRoute: 'M',
  changeRoute: 'M',
  removeRoute: 'M',
  addIngredient: 'M',
  changeIngredient: 'M',
  removeIngredient: 'M',
  addMixer: 'M',
  changeMixer: 'M',
  removeMixer: 'M',
  retire: 'M',
  bringBack: 'M',
  changeUsual: 'M',
  addPlace: 'M',
  changePlace: 'M',
  removePlace: 'M',
  frictions: 'MHOV',
  calendar: 'MHOV',
  holidays: 'M',
  addServicePattern: 'M',
  changeServicePattern: 'M',
  removeServicePattern: 'M',
  addServiceException: 'M',
  changeServiceException: 'M',
  removeServiceException: 'M',
  addEvent: 'M',
  changeEvent: 'M',
  removeEvent: 'M',
  addBooking: 'M',
  changeBooking: 'M',
  removeBooking: 'M',
  services: 'MHOV',
  changeCount: 'M',
  changeCounts: 'M',
  sales: 'MHOV',
  changeSale: 'MO',
  importSales: 'M',
  recordTillSales: 'M',
  forecast: 'MHOV',
  salesCsv: 'MHOV',
  plan: 'MHOV',
  publishPlan: 'M',
  planCsv: 'MHOV',
  planCalendar: 'MHOV',
  ownContact: 'MHOV',
  changeContact: 'MHOV',
  testContact: 'MHOV',
  registerPushDevice: 'MHOV',
  forgetPushDevice: 'MHOV',
  alarmCalls: 'M',
  issueWebhook: 'M',
  revokeWebhook: 'M',
  testWebhook: 'M',
  calendarLinks: 'MHOV',
  calendarFeed: 'everybody',
  issueCalendarLink: 'MHOV',
  revokeCalendarLink: 'MHOV',
  lots: 'MHOV',
  startLot: 'MH',
  lot: 'MHOV',
  changeNote: 'MH',
  changeLosses: 'MH',
  withdrawLot: 'MH',
  changeLoad: 'MH',
  changeMark: 'MHO',
  records: 'MHOV',
  lotRecords: 'MHOV',
  addLotRecord: 'MHO',
  addPhoto: 'MHO',
  photo: 'MHOV',
  practice: 'MHOV',
  addPractice: 'MHO',
  handovers: 'MHOV',
  addHandover: 'MHO',
  markHandoverRead: 'MHO',
  withdrawHandover: 'MHO',
  log: 'MHOV',
  logCsv: 'MHOV',
  lotLog: 'MHOV',
  cold: 'MHOV',
  coldDay: 'MHOV',
  coldRecord: 'MHOV',
  coldRecordCsv: 'MHOV',
  addProbe: 'M',
  changeProbe: 'M',
  removeProbe: 'M',
  addReadings: 'M',
  acknowledgeAlarm: 'MHO',
  addColdNote: 'MHO',
};

const LETTER: Readonly<Record<Role, string>> = { manager: 'M', hand: 'H', oven: 'O', viewer: 'V' };
const NAME: Readonly<Record<Role, string>> = {
  manager: 'Maro',
  hand: 'Tilde',
  oven: 'Wren',
  viewer: 'Ossian',
};

/** Told that something is missing or not right: whoever is told so was let in. */
const LET_IN = [200, 204, 400, 404];

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
  await house.db.update(t.people).set({ role: 'viewer' }).where(eq(t.people.name, NAME.viewer));
});
afterAll(() => house.drop());

/** Asks with addresses that name nothing and an empty body: nothing is written, whoever asks. */
async function ask(cookie: string | null, name: RouteName) {
  const { method } = ROUTES[name];
  const asked = house.as(cookie)[method](addressOfNothing(name));
  return method === 'get' || method === 'delete' ? asked : asked.send({});
}

/** The stream of news stays open for whoever may: `live.test` opens it. */
const ANSWERED = ROUTE_NAMES.filter((name) => name !== 'live');

describe('the matrix', () => {
  it('has a line for every route, and no other', () => {
    expect(Object.keys(MATRIX).sort()).toEqual([...ROUTE_NAMES].sort());
  });
});

describe.each(ROLES)('a %s', (role) => {
  it.each(ANSWERED)('and %s', async (name) => {
    const res = await ask(await signedIn(house.db, HOUSE, NAME[role]), name);
    const isLetIn = MATRIX[name] === 'everybody' || MATRIX[name].includes(LETTER[role]);
    if (isLetIn) expect(LET_IN).toContain(res.status);
    else expect([res.status, problemOf(res).type]).toEqual([403, '/problems/not-allowed']);
  });
});

describe('somebody who is not signed in', () => {
  it.each([...ROUTE_NAMES])('and %s', async (name) => {
    const res = await ask(null, name);
    if (MATRIX[name] !== 'everybody' || name === 'session') {
      expect([res.status, problemOf(res).type]).toEqual([401, '/problems/signed-out']);
    } else {
      expect(LET_IN).toContain(res.status);
    }
  });
});
