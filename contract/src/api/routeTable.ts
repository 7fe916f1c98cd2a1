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
  clock: get('/clock', 'public', 'What time it is in the house.'),
  houses: get('/houses', 'public', 'Every house, by name.'),
  startFirstHouse: post(
    '/houses',
    'public',
    'Begins the first house of a server, with its owner.',
    {
      isRateLimited: true,
    },
  ),
} as const;

const ACCESS_ROUTES = {
  signInOptions: get('/houses/:house/sign-in-options', 'public', 'Who can sign in, and how.'),
  session: get('/houses/:house/session', 'public', 'Who is signed in.'),
  signIn: post('/houses/:house/session', 'public', 'Signs in with a password or a PIN.', {
    media: 'none',
    status: 204,
    isRateLimited: true,
  }),
  signOut: remove('/houses/:house/session', 'public', 'Signs out.', { media: 'none', status: 204 }),
  changePreferences: put('/houses/:house/session/preferences', 'see', 'Sets how somebody reads.'),
  sessions: get('/houses/:house/sessions', 'see', 'Where one is signed in.'),
  endSession: remove('/houses/:house/sessions/:session', 'see', 'Signs out one of one’s devices.'),
  endOtherSessions: remove(
    '/houses/:house/sessions',
    'see',
    'Signs out all of one’s other devices.',
  ),
  startOwner: post('/houses/:house/owner', 'public', 'Creates the owner account of a new house.', {
    isRateLimited: true,
  }),
  crew: get('/houses/:house/crew', 'see', 'The crew, their weekly shifts and the exceptions.', {
    ...until('written', 'crew'),
  }),
  ...collection('Person', 'people', 'crew', 'crew member'),
  rejoinCrew: put('/houses/:house/people/:id/back', 'crew', 'Takes somebody back on the crew.'),
  changeSecret: put('/houses/:house/people/:id/secret', 'crew', 'Sets a password or a PIN.', {
    isRateLimited: true,
  }),
  ownContact: get('/houses/:house/contact', 'see', 'How one is told of alarms.'),
  changeContact: put('/houses/:house/contact', 'see', 'Sets where and when one is told.'),
  testContact: post(
    '/houses/:house/contact/tests',
    'see',
    'Tells one something, to see that it comes.',
  ),
  registerPushDevice: post('/houses/:house/push-devices', 'see', 'Has one’s browser told, too.'),
  forgetPushDevice: remove('/houses/:house/push-devices/:id', 'see', 'Has it told no more.'),
  alarmCalls: get(
    '/houses/:house/alarm-calls',
    'crew',
    'Whom the house tells of alarms, and where it posts them.',
  ),
  issueWebhook: post('/houses/:house/webhooks', 'crew', 'Has alarms posted to an address.', {
    hasSecretAnswer: true,
  }),
  revokeWebhook: remove('/houses/:house/webhooks/:id', 'crew', 'Has them posted there no more.'),
  testWebhook: post(
    '/houses/:house/webhooks/:id/tests',
    'crew',
    'Posts something there, to see that it comes.',
  ),
  calendarLinks: get('/houses/:house/calendar-links', 'see', 'One’s own calendar links.'),
  issueCalendarLink: post('/houses/:house/calendar-links', 'see', 'Makes a calendar link.', {
    hasSecretAnswer: true,
  }),
  revokeCalendarLink: remove(
    '/houses/:house/calendar-links/:id',
    'see',
    'Makes one’s calendar link good for nothing.',
  ),
  calendarFeed: get('/houses/:house/calendars/:secret', 'public', 'The plan, for a calendar.', {
    media: 'calendar',
    isRateLimited: true,
  }),
  machines: get('/houses/:house/machines', 'crew', 'Probes and tills that post by themselves.'),
  issueMachine: post('/houses/:house/machines', 'crew', 'Lets a probe or a till in: its token.', {
    hasSecretAnswer: true,
  }),
  revokeMachine: remove('/houses/:house/machines/:id', 'crew', 'Makes a token good for nothing.'),
  ...collection('ShiftPattern', 'shift-patterns', 'crew', 'weekly shift'),
  ...collection('ShiftException', 'shift-exceptions', 'crew', 'rota change'),
  shifts: get('/houses/:house/shifts', 'see', 'Shifts of some days.', {
    ...DAYS,
    ...until('written', 'crew'),
  }),
  audit: get('/houses/:house/audit', 'crew', 'Who changed what, newest first.', {
    query: ['before'],
  }),
  live: get('/houses/:house/live', 'see', 'What is written in the house, as it happens.', {
    media: 'events',
  }),
} as const;

const BOOK_ROUTES = {
  startHouse: post('/houses/:house/houses', 'crew', 'Begins another house, with the same manager.'),
  houseArchive: get('/houses/:house/archive.zip', 'crew', 'Everything of the house, as one file.', {
    media: 'zip',
  }),
  eraseHouse: put('/houses/:house/erasure', 'crew', 'Says on which day the house is erased.'),
  keepHouse: remove('/houses/:house/erasure', 'crew', 'Keeps a house that was to be erased.', {
    status: 200,
    media: 'json',
  }),
  putAside: put('/houses/:house/aside', 'crew', 'Has the house read only, and watched no more.'),
  takeUp: remove('/houses/:house/aside', 'crew', 'Takes up a house that was put aside.', {
    status: 200,
    media: 'json',
  }),
  changeSettings: put('/houses/:house/settings', 'book', 'Changes settings of the house.', {
    bodyLimit: '200kb',
  }),
  book: get('/houses/:house/book', 'see', 'Everything that changes seldom: formulas, products, …', {
    ...until('written', 'book', 'crew', 'losses'),
  }),
  learned: get('/houses/:house/learned', 'see', 'What its lots say of the house’s own numbers.', {
    ...until('written', 'book'),
  }),
  consistency: get(
    '/houses/:house/consistency',
    'see',
    'How steady the house’s work is, over weeks.',
    {
      ...until('minute', 'lots', 'marks', 'records', 'weights', 'book', 'demand', 'readings'),
    },
  ),
  trials: get('/houses/:house/trials', 'see', 'Lots that are judged without being known.', {
    ...until('written', 'lots', 'shift'),
  }),
  startTrial: post('/houses/:house/trials', 'mark', 'Begins a trial of two lots.'),
  addVerdict: post('/houses/:house/trials/:id/verdicts', 'mark', 'Adds a verdict to a trial.'),
  endTrial: put(
    '/houses/:house/trials/:id/end',
    'mark',
    'Ends a trial, and tells which was which.',
  ),
  learnNow: post('/houses/:house/learned', 'book', 'Learns from the lots that there are by now.', {
    status: 200,
  }),
  decideLearned: put(
    '/houses/:house/learned/:id',
    'book',
    'Accepts what was learned, leaves it for later, or takes it back.',
  ),
  planLearnedWork: post(
    '/houses/:house/learned/work',
    'book',
    'Gives a kind of work, on every route, the minutes that it was learned to take.',
    { status: 200 },
  ),
  startFormula: post('/houses/:house/formulas', 'book', 'Adds a formula.'),
  saveFormula: put('/houses/:house/formulas/:formula', 'book', 'Saves a new version of a formula.'),
  formulaVersions: get(
    '/houses/:house/formulas/:formula/versions',
    'see',
    'A formula’s versions.',
    { ...until('written', 'book') },
  ),
  importBook: post('/houses/:house/imports', 'book', 'Adds and changes the recipes of a file.', {
    status: 200,
    bodyLimit: '8mb',
  }),
  ...collection('Product', 'products', 'book', 'product'),
  ...collection('Route', 'routes', 'book', 'route'),
  ...collection('Ingredient', 'pantry', 'book', 'pantry item'),
  ...collection('Place', 'places', 'book', 'place'),
  ...collection('Mixer', 'mixers', 'book', 'mixer'),
  retire: put('/houses/:house/retired/:retirable/:id', 'book', 'Offers something no more.', {
    media: 'none',
    status: 204,
  }),
  bringBack: remove('/houses/:house/retired/:retirable/:id', 'book', 'Offers it again.', {
    media: 'none',
    status: 204,
  }),
  frictions: get('/houses/:house/mixers/frictions', 'see', 'How much each mixer heats dough.', {
    ...until('written', 'book', 'lots', 'marks'),
  }),
} as const;

const DEMAND_ROUTES = {
  calendar: get('/houses/:house/calendar', 'see', 'When the house sells.', {
    ...until('written', 'demand'),
  }),
  ...collection('ServicePattern', 'service-patterns', 'plan', 'weekly service'),
  changeUsual: put(
    '/houses/:house/service-patterns/:id/usual',
    'plan',
    'Sets how many balls usually go at a service of the week.',
  ),
  ...collection('ServiceException', 'service-exceptions', 'plan', 'closure or change of hours'),
  ...collection('Event', 'events', 'plan', 'event'),
  ...collection('Booking', 'bookings', 'plan', 'booking'),
  holidays: get('/houses/:house/holidays', 'plan', 'Public holidays of a country in a year.', {
    query: ['country', 'region', 'year', 'language'],
  }),
  services: get('/houses/:house/services', 'see', 'Services of some days, with ball counts.', {
    ...DAYS,
    ...until('minute', 'book', 'demand', 'till', 'counts', 'lots', 'trays'),
  }),
  changeCount: put(
    '/houses/:house/counts/:date/:patternId/:productId',
    'plan',
    'Sets how many balls of a product a service shall have.',
  ),
  changeCounts: post('/houses/:house/counts', 'plan', 'Sets several counts: all or none.', {
    status: 200,
    bodyLimit: '200kb',
  }),
  sales: get('/houses/:house/sales', 'see', 'What was sold on some days.', {
    ...DAYS,
    ...until('written', 'demand', 'till'),
  }),
  changeSale: put(
    '/houses/:house/sales/:date/:patternId/:productId',
    'sell',
    'Writes what a service sold of a product.',
  ),
  importSales: post('/houses/:house/imports/sales', 'plan', 'Adds sales of a file.', {
    status: 200,
    bodyLimit: '8mb',
  }),
  recordTillSales: post('/houses/:house/till', 'book', 'Takes sales of a till, once each.', {
    machine: 'till',
    status: 200,
    bodyLimit: '200kb',
  }),
  forecast: get('/houses/:house/forecast', 'see', 'What some days are expected to sell.', {
    ...DAYS,
    ...until('day', 'book', 'demand'),
  }),
  salesCsv: get('/houses/:house/sales.csv', 'see', 'All sales as a table.', { media: 'csv' }),
} as const;

const PLAN_ROUTES = {
  plan: get('/houses/:house/plan', 'see', 'The plan the crew works by.', {
    ...until('written', 'plan'),
  }),
  publishPlan: put('/houses/:house/plan', 'plan', 'Makes a plan the crew’s.', { bodyLimit: '8mb' }),
  planCsv: get('/houses/:house/plan.csv', 'see', 'The plan as a table.', { media: 'csv' }),
  planCalendar: get('/houses/:house/plan.ics', 'see', 'The plan as a calendar.', {
    media: 'calendar',
    query: ['person'],
  }),
} as const;

const LOT_ROUTES = {
  lots: get('/houses/:house/lots', 'see', 'Lots of some days.', {
    ...DAYS,
    ...until('written', ...LOT_PARTS),
  }),
  startLot: post('/houses/:house/lots', 'make', 'Starts a lot; its recipe is fixed from then on.'),
  lot: get('/houses/:house/lots/:lot', 'see', 'One lot.', {
    ...until('written', ...LOT_PARTS),
  }),
  changeNote: put('/houses/:house/lots/:lot/note', 'make', 'Writes a lot’s note.'),
  changeLosses: put('/houses/:house/lots/:lot/losses', 'make', 'Writes what a lot left behind.'),
  withdrawLot: put(
    '/houses/:house/lots/:lot/withdrawn',
    'make',
    'Cancels a lot, or un-cancels it.',
  ),
  changeLoad: put(
    '/houses/:house/lots/:lot/loads/:number',
    'make',
    'Writes a load’s temperatures.',
  ),
  changeMark: put(
    '/houses/:house/lots/:lot/marks/:loadNumber/:stepKey',
    'mark',
    'Starts, ends, skips or hands on a step.',
  ),
  records: get('/houses/:house/records', 'see', 'What was seen and measured on some days.', {
    ...DAYS,
    ...until('written', 'lots', 'records'),
  }),
  lotRecords: get('/houses/:house/lots/:lot/records', 'see', 'What was seen of a lot.', {
    ...until('written', 'lots', 'records'),
  }),
  addLotRecord: post('/houses/:house/lots/:lot/records', 'mark', 'Adds a record to a lot.'),
  addPhoto: post('/houses/:house/lots/:lot/photos', 'mark', 'Adds a photo to a lot.', {
    bodyLimit: '1mb',
  }),
  photo: get('/houses/:house/photos/:id', 'see', 'A photo.', { media: 'jpeg' }),
  handovers: get('/houses/:house/handovers', 'see', 'The last handovers.', {
    ...until('written', 'shift'),
  }),
  addHandover: post('/houses/:house/handovers', 'mark', 'Hands over to the next shift.', {
    bodyLimit: '200kb',
  }),
  markHandoverRead: put('/houses/:house/handovers/:id/read', 'mark', 'Marks a handover as read.'),
  withdrawHandover: remove(
    '/houses/:house/handovers/:id',
    'mark',
    'Deletes one’s own handover that nobody has read yet.',
  ),
  log: get('/houses/:house/log', 'see', 'Past lots, newest first.', { query: LOG }),
  logCsv: get('/houses/:house/log.csv', 'see', 'Past lots as a table.', {
    media: 'csv',
    query: LOG,
  }),
  lotLog: get(
    '/houses/:house/log/:lotOrCode',
    'see',
    'Everything on record of a lot, or of the newest one of a code.',
  ),
} as const;

const PRACTICE_ROUTES = {
  practice: get(
    '/houses/:house/practice',
    'see',
    'What one practised; of everybody, for who leads the crew.',
  ),
  addPractice: post(
    '/houses/:house/practice',
    'mark',
    'Keeps what one practised, and how it went.',
  ),
} as const;

const COLD_ROUTES = {
  cold: get('/houses/:house/cold', 'see', 'The cold now: readings, alarms, lots in it.', {
    ...until('minute', ...COLD_HANGS_ON, 'cold', 'readings'),
  }),
  coldDay: get('/houses/:house/cold/day', 'see', 'A day of the cold.', {
    query: ['date'],
    ...until('minute', 'book', 'cold', 'readings'),
  }),
  coldRecord: get('/houses/:house/cold/record', 'see', 'The temperature log of some days.', {
    ...DAYS,
    ...until('minute', 'book', 'crew', 'cold', 'readings'),
  }),
  coldRecordCsv: get('/houses/:house/cold/record.csv', 'see', 'The temperature log as a table.', {
    media: 'csv',
    query: ['from', 'days'],
  }),
  ...collection('Probe', 'probes', 'book', 'probe'),
  addReadings: post('/houses/:house/readings', 'book', 'Takes readings of probes, once each.', {
    machine: 'probe',
    status: 200,
    bodyLimit: '1mb',
  }),
  acknowledgeAlarm: put('/houses/:house/alarms/:id/acknowledged', 'mark', 'Acknowledges an alarm.'),
  addColdNote: post('/houses/:house/cold-notes', 'mark', 'Notes a round or an action in the cold.'),
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
