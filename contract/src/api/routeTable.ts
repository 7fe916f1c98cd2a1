import type { KeptFor } from './defineRoute';
import type { HousePart } from './housePart';
import { collection, get, post, put, remove, type RouteDefinition } from './defineRoute';

/*
 * Every route of the API, in dough's order. Add one here and the server will not compile until something
 * answers it; the permission test fails until its matrix says who may.
 */

const until = (until: KeptFor['until'], ...on: readonly HousePart[]) => ({ kept: { on, until } });
/** A lot as it stands. */
const LOT_PARTS = ['lots', 'marks', 'losses', 'weights'] as const;
/** The board of a house's lots, those to come too, and what is known of them: what the cold is worked out from. */
export const COLD_HANGS_ON = [...LOT_PARTS, 'book', 'demand', 'counts', 'plan', 'trays'] as const;
const DAYS = { query: ['from', 'days'] } as const;
const LOG = ['from', 'to', 'formulaId', 'text', 'found', 'after'] as const;

const SERVER_ROUTES = {
  clock: get('/clock', 'public'),
  houses: get('/houses', 'public'),
  startFirstHouse: post('/houses', 'public', {
    isRateLimited: true,
  }),
} as const;

const ACCESS_ROUTES = {
  signInOptions: get('/houses/:house/sign-in-options', 'public'),
  session: get('/houses/:house/session', 'public'),
  signIn: post('/houses/:house/session', 'public', {
    media: 'none',
    status: 204,
    isRateLimited: true,
  }),
  signOut: remove('/houses/:house/session', 'public', { media: 'none', status: 204 }),
  changePreferences: put('/houses/:house/session/preferences', 'see'),
  sessions: get('/houses/:house/sessions', 'see'),
  endSession: remove('/houses/:house/sessions/:session', 'see'),
  endOtherSessions: remove('/houses/:house/sessions', 'see'),
  startOwner: post('/houses/:house/owner', 'public', {
    isRateLimited: true,
  }),
  crew: get('/houses/:house/crew', 'see', {
    ...until('written', 'crew'),
  }),
  ...collection('Person', 'people', 'crew'),
  rejoinCrew: put('/houses/:house/people/:id/back', 'crew'),
  changeSecret: put('/houses/:house/people/:id/secret', 'crew', {
    isRateLimited: true,
  }),
  ownContact: get('/houses/:house/contact', 'see'),
  changeContact: put('/houses/:house/contact', 'see'),
  testContact: post('/houses/:house/contact/tests', 'see'),
  registerPushDevice: post('/houses/:house/push-devices', 'see'),
  forgetPushDevice: remove('/houses/:house/push-devices/:id', 'see'),
  alarmCalls: get('/houses/:house/alarm-calls', 'crew'),
  issueWebhook: post('/houses/:house/webhooks', 'crew', {
    hasSecretAnswer: true,
  }),
  revokeWebhook: remove('/houses/:house/webhooks/:id', 'crew'),
  testWebhook: post('/houses/:house/webhooks/:id/tests', 'crew'),
  calendarLinks: get('/houses/:house/calendar-links', 'see'),
  issueCalendarLink: post('/houses/:house/calendar-links', 'see', {
    hasSecretAnswer: true,
  }),
  revokeCalendarLink: remove('/houses/:house/calendar-links/:id', 'see'),
  calendarFeed: get('/houses/:house/calendars/:secret', 'public', {
    media: 'calendar',
    isRateLimited: true,
  }),
  machines: get('/houses/:house/machines', 'crew'),
  issueMachine: post('/houses/:house/machines', 'crew', {
    hasSecretAnswer: true,
  }),
  revokeMachine: remove('/houses/:house/machines/:id', 'crew'),
  ...collection('ShiftPattern', 'shift-patterns', 'crew'),
  ...collection('ShiftException', 'shift-exceptions', 'crew'),
  shifts: get('/houses/:house/shifts', 'see', {
    ...DAYS,
    ...until('written', 'crew'),
  }),
  audit: get('/houses/:house/audit', 'crew', {
    query: ['before'],
  }),
  live: get('/houses/:house/live', 'see', {
    media: 'events',
  }),
} as const;

const BOOK_ROUTES = {
  startHouse: post('/houses/:house/houses', 'crew'),
  houseArchive: get('/houses/:house/archive.zip', 'crew', {
    media: 'zip',
  }),
  eraseHouse: put('/houses/:house/erasure', 'crew'),
  keepHouse: remove('/houses/:house/erasure', 'crew', {
    status: 200,
    media: 'json',
  }),
  putAside: put('/houses/:house/aside', 'crew'),
  takeUp: remove('/houses/:house/aside', 'crew', {
    status: 200,
    media: 'json',
  }),
  changeSettings: put('/houses/:house/settings', 'book', {
    bodyLimit: '200kb',
  }),
  book: get('/houses/:house/book', 'see', {
    ...until('written', 'book', 'crew', 'losses'),
  }),
  learned: get('/houses/:house/learned', 'see', {
    ...until('written', 'book'),
  }),
  consistency: get('/houses/:house/consistency', 'see', {
    ...until('minute', 'lots', 'marks', 'records', 'weights', 'book', 'demand', 'readings'),
  }),
  trials: get('/houses/:house/trials', 'see', {
    ...until('written', 'lots', 'shift'),
  }),
  startTrial: post('/houses/:house/trials', 'mark'),
  addVerdict: post('/houses/:house/trials/:id/verdicts', 'mark'),
  endTrial: put('/houses/:house/trials/:id/end', 'mark'),
  learnNow: post('/houses/:house/learned', 'book', {
    status: 200,
  }),
  decideLearned: put('/houses/:house/learned/:id', 'book'),
  planLearnedWork: post('/houses/:house/learned/work', 'book', { status: 200 }),
  startFormula: post('/houses/:house/formulas', 'book'),
  saveFormula: put('/houses/:house/formulas/:formula', 'book'),
  formulaVersions: get('/houses/:house/formulas/:formula/versions', 'see', {
    ...until('written', 'book'),
  }),
  importBook: post('/houses/:house/imports', 'book', {
    status: 200,
    bodyLimit: '8mb',
  }),
  ...collection('Product', 'products', 'book'),
  ...collection('Route', 'routes', 'book'),
  ...collection('Ingredient', 'pantry', 'book'),
  ...collection('Place', 'places', 'book'),
  ...collection('Mixer', 'mixers', 'book'),
  retire: put('/houses/:house/retired/:retirable/:id', 'book', {
    media: 'none',
    status: 204,
  }),
  bringBack: remove('/houses/:house/retired/:retirable/:id', 'book', {
    media: 'none',
    status: 204,
  }),
  frictions: get('/houses/:house/mixers/frictions', 'see', {
    ...until('written', 'book', 'lots', 'marks'),
  }),
} as const;

const DEMAND_ROUTES = {
  calendar: get('/houses/:house/calendar', 'see', {
    ...until('written', 'demand'),
  }),
  ...collection('ServicePattern', 'service-patterns', 'plan'),
  changeUsual: put('/houses/:house/service-patterns/:id/usual', 'plan'),
  ...collection('ServiceException', 'service-exceptions', 'plan'),
  ...collection('Event', 'events', 'plan'),
  ...collection('Booking', 'bookings', 'plan'),
  holidays: get('/houses/:house/holidays', 'plan', {
    query: ['country', 'region', 'year', 'language'],
  }),
  services: get('/houses/:house/services', 'see', {
    ...DAYS,
    ...until('minute', 'book', 'demand', 'till', 'counts', 'lots', 'trays'),
  }),
  changeCount: put('/houses/:house/counts/:date/:patternId/:productId', 'plan'),
  changeCounts: post('/houses/:house/counts', 'plan', {
    status: 200,
    bodyLimit: '200kb',
  }),
  sales: get('/houses/:house/sales', 'see', {
    ...DAYS,
    ...until('written', 'demand', 'till'),
  }),
  changeSale: put('/houses/:house/sales/:date/:patternId/:productId', 'sell'),
  importSales: post('/houses/:house/imports/sales', 'plan', {
    status: 200,
    bodyLimit: '8mb',
  }),
  recordTillSales: post('/houses/:house/till', 'book', {
    machine: 'till',
    status: 200,
    bodyLimit: '200kb',
  }),
  forecast: get('/houses/:house/forecast', 'see', {
    ...DAYS,
    ...until('day', 'book', 'demand'),
  }),
  salesCsv: get('/houses/:house/sales.csv', 'see', { media: 'csv' }),
} as const;

const PLAN_ROUTES = {
  plan: get('/houses/:house/plan', 'see', {
    ...until('written', 'plan'),
  }),
  publishPlan: put('/houses/:house/plan', 'plan', { bodyLimit: '8mb' }),
  planCsv: get('/houses/:house/plan.csv', 'see', { media: 'csv' }),
  planCalendar: get('/houses/:house/plan.ics', 'see', {
    media: 'calendar',
    query: ['person'],
  }),
} as const;

const LOT_ROUTES = {
  lots: get('/houses/:house/lots', 'see', {
    ...DAYS,
    ...until('written', ...LOT_PARTS),
  }),
  startLot: post('/houses/:house/lots', 'make'),
  lot: get('/houses/:house/lots/:lot', 'see', {
    ...until('written', ...LOT_PARTS),
  }),
  changeNote: put('/houses/:house/lots/:lot/note', 'make'),
  changeLosses: put('/houses/:house/lots/:lot/losses', 'make'),
  withdrawLot: put('/houses/:house/lots/:lot/withdrawn', 'make'),
  changeLoad: put('/houses/:house/lots/:lot/loads/:number', 'make'),
  changeMark: put('/houses/:house/lots/:lot/marks/:loadNumber/:stepKey', 'mark'),
  records: get('/houses/:house/records', 'see', {
    ...DAYS,
    ...until('written', 'lots', 'records'),
  }),
  lotRecords: get('/houses/:house/lots/:lot/records', 'see', {
    ...until('written', 'lots', 'records'),
  }),
  addLotRecord: post('/houses/:house/lots/:lot/records', 'mark'),
  addPhoto: post('/houses/:house/lots/:lot/photos', 'mark', {
    bodyLimit: '1mb',
  }),
  photo: get('/houses/:house/photos/:id', 'see', { media: 'jpeg' }),
  handovers: get('/houses/:house/handovers', 'see', {
    ...until('written', 'shift'),
  }),
  addHandover: post('/houses/:house/handovers', 'mark', {
    bodyLimit: '200kb',
  }),
  markHandoverRead: put('/houses/:house/handovers/:id/read', 'mark'),
  withdrawHandover: remove('/houses/:house/handovers/:id', 'mark'),
  log: get('/houses/:house/log', 'see', { query: LOG }),
  logCsv: get('/houses/:house/log.csv', 'see', {
    media: 'csv',
    query: LOG,
  }),
  lotLog: get('/houses/:house/log/:lotOrCode', 'see'),
} as const;

const PRACTICE_ROUTES = {
  practice: get('/houses/:house/practice', 'see'),
  addPractice: post('/houses/:house/practice', 'mark'),
} as const;

const COLD_ROUTES = {
  cold: get('/houses/:house/cold', 'see', {
    ...until('minute', ...COLD_HANGS_ON, 'cold', 'readings'),
  }),
  coldDay: get('/houses/:house/cold/day', 'see', {
    query: ['date'],
    ...until('minute', 'book', 'cold', 'readings'),
  }),
  coldRecord: get('/houses/:house/cold/record', 'see', {
    ...DAYS,
    ...until('minute', 'book', 'crew', 'cold', 'readings'),
  }),
  coldRecordCsv: get('/houses/:house/cold/record.csv', 'see', {
    media: 'csv',
    query: ['from', 'days'],
  }),
  ...collection('Probe', 'probes', 'book'),
  addReadings: post('/houses/:house/readings', 'book', {
    machine: 'probe',
    status: 200,
    bodyLimit: '1mb',
  }),
  acknowledgeAlarm: put('/houses/:house/alarms/:id/acknowledged', 'mark'),
  addColdNote: post('/houses/:house/cold-notes', 'mark'),
} as const;

/** The routes by area, as people look for them. */
export const ROUTE_AREAS = {
  'The server': SERVER_ROUTES,
  'Signing in, crew, activity': ACCESS_ROUTES,
  'House and recipes': BOOK_ROUTES,
  'Demand and sales': DEMAND_ROUTES,
  Plan: PLAN_ROUTES,
  'Lots, records, log': LOT_ROUTES,
  Cold: COLD_ROUTES,
  Practice: PRACTICE_ROUTES,
} as const;

/** Every route, by name. */
export const ROUTES = {
  ...SERVER_ROUTES,
  ...ACCESS_ROUTES,
  ...BOOK_ROUTES,
  ...DEMAND_ROUTES,
  ...PLAN_ROUTES,
  ...LOT_ROUTES,
  ...PRACTICE_ROUTES,
  ...COLD_ROUTES,
} as const satisfies Readonly<Record<string, RouteDefinition>>;
