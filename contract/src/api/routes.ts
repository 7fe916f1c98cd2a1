import type { Permission } from '../access/permissions';

/** Where the API lives. */
export const API = '/api/v1';

/** How a route answers: a JSON document, nothing, a file, or events as they happen. */
export type RouteMedia = 'json' | 'none' | 'csv' | 'calendar' | 'jpeg' | 'events';

/** One route of the API, as data: the server mounts it, clients take their addresses from it. */
export interface RouteDefinition {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** Below `API`; parts that begin with a colon are parameters. */
  readonly path: string;
  /** What somebody must be allowed to do; 'public' needs nobody to be signed in. */
  readonly permission: Permission | 'public';
  /** What it does, in a sentence. */
  readonly summary: string;
  /** What can be asked after the question mark. */
  readonly query: readonly string[];
  readonly media: RouteMedia;
  /** When all went well. */
  readonly status: 200 | 201 | 204;
  /** The largest body, where the usual 100 kB are not enough. */
  readonly bodyLimit?: '1mb' | '8mb';
  /** Tries from one device are counted and limited. */
  readonly isRateLimited?: true;
}

type Options = Partial<
  Pick<RouteDefinition, 'media' | 'status' | 'bodyLimit' | 'isRateLimited'>
> & { readonly query?: readonly string[] };

const route =
  <Method extends RouteDefinition['method'], Status extends RouteDefinition['status']>(
    method: Method,
    usualStatus: Status,
  ) =>
  <Path extends string, const Given extends Options = object>(
    path: Path,
    permission: Permission | 'public',
    summary: string,
    options: Given = {} as Given,
  ) => ({
    method,
    path,
    permission,
    summary,
    query: (options.query ?? []) as Given extends { readonly query: infer Names }
      ? Names
      : readonly [],
    media: options.media ?? ('json' as const),
    status: options.status ?? usualStatus,
    ...(options.bodyLimit && { bodyLimit: options.bodyLimit }),
    ...(options.isRateLimited && { isRateLimited: options.isRateLimited }),
  });

const get = route('get', 200);
const post = route('post', 201);
const put = route('put', 200);
const remove = route('delete', 200);

/** The three writes of records that people add, change and delete. */
function collection<Name extends string, Path extends string>(
  name: Name,
  path: Path,
  permission: Permission,
  noun: string,
) {
  const all = `/houses/:house/${path}` as const;
  const one = `/houses/:house/${path}/:id` as const;
  return {
    [`add${name}`]: post(all, permission, `Adds a ${noun}.`),
    [`change${name}`]: put(one, permission, `Changes a ${noun}.`),
    [`remove${name}`]: remove(one, permission, `Deletes a ${noun} that nothing refers to.`),
  } as { readonly [Key in `add${Name}`]: ReturnType<typeof post<typeof all>> } & {
    readonly [Key in `change${Name}`]: ReturnType<typeof put<typeof one>>;
  } & { readonly [Key in `remove${Name}`]: ReturnType<typeof remove<typeof one>> };
}

const DAYS = { query: ['from', 'days'] } as const;
const LOG = ['from', 'to', 'formulaId', 'text', 'found', 'after'] as const;

/**
 * Every route of the API, by name, in dough's order. Add one here and the server will not compile until
 * something answers it; the permission test fails until its matrix says who may.
 */
export const ROUTES = {
  clock: get('/clock', 'public', 'What time it is in the house.'),
  houses: get('/houses', 'public', 'Every house, by name.'),

  signInOptions: get('/houses/:house/sign-in-options', 'public', 'Who can sign in, and how.'),
  session: get('/houses/:house/session', 'public', 'Who is signed in.'),
  signIn: post('/houses/:house/session', 'public', 'Signs in with a password or a PIN.', {
    media: 'none',
    status: 204,
    isRateLimited: true,
  }),
  signOut: remove('/houses/:house/session', 'public', 'Signs out.', { media: 'none', status: 204 }),
  startOwner: post('/houses/:house/owner', 'public', 'Creates the owner account of a new house.', {
    isRateLimited: true,
  }),
  crew: get('/houses/:house/crew', 'see', 'The crew, their weekly shifts and the exceptions.'),
  ...collection('Person', 'people', 'crew', 'crew member'),
  changeSecret: put('/houses/:house/people/:id/secret', 'crew', 'Sets a password or a PIN.'),
  ...collection('ShiftPattern', 'shift-patterns', 'crew', 'weekly shift'),
  ...collection('ShiftException', 'shift-exceptions', 'crew', 'rota change'),
  shifts: get('/houses/:house/shifts', 'see', 'Shifts of some days.', DAYS),
  audit: get('/houses/:house/audit', 'crew', 'Who changed what, newest first.', {
    query: ['before'],
  }),
  live: get('/houses/:house/live', 'see', 'What is written in the house, as it happens.', {
    media: 'events',
  }),

  changeSettings: put('/houses/:house/settings', 'book', 'Changes settings of the house.'),
  book: get('/houses/:house/book', 'see', 'Everything that changes seldom: formulas, products, …'),
  startFormula: post('/houses/:house/formulas', 'book', 'Adds a formula.'),
  saveFormula: put('/houses/:house/formulas/:formula', 'book', 'Saves a new version of a formula.'),
  formulaVersions: get('/houses/:house/formulas/:formula/versions', 'see', 'A formula’s versions.'),
  importBook: post('/houses/:house/imports', 'book', 'Adds and changes the recipes of a file.', {
    status: 200,
    bodyLimit: '8mb',
  }),
  ...collection('Product', 'products', 'book', 'product'),
  ...collection('Route', 'routes', 'book', 'route'),
  ...collection('Ingredient', 'pantry', 'book', 'pantry item'),
  ...collection('Place', 'places', 'book', 'place'),
  frictions: get('/houses/:house/mixers/frictions', 'see', 'How much each mixer heats dough.'),

  calendar: get('/houses/:house/calendar', 'see', 'When the house sells.'),
  ...collection('ServicePattern', 'service-patterns', 'plan', 'weekly service'),
  ...collection('ServiceException', 'service-exceptions', 'plan', 'closure or change of hours'),
  ...collection('Event', 'events', 'plan', 'event'),
  ...collection('Booking', 'bookings', 'plan', 'booking'),
  services: get('/houses/:house/services', 'see', 'Services of some days, with ball counts.', DAYS),
  changeCount: put(
    '/houses/:house/counts/:date/:patternId/:productId',
    'plan',
    'Sets how many balls of a product a service shall have.',
  ),
  changeCounts: post('/houses/:house/counts', 'plan', 'Sets several counts: all or none.', {
    status: 200,
  }),
  sales: get('/houses/:house/sales', 'see', 'What was sold on some days.', DAYS),
  changeSale: put(
    '/houses/:house/sales/:date/:patternId/:productId',
    'sell',
    'Writes what a service sold of a product.',
  ),
  importSales: post('/houses/:house/imports/sales', 'plan', 'Adds sales of a file.', {
    status: 200,
    bodyLimit: '8mb',
  }),
  recordTillSales: post('/houses/:house/till', 'sell', 'Takes sales of a till, once each.', {
    status: 200,
  }),
  forecast: get('/houses/:house/forecast', 'see', 'What some days are expected to sell.', DAYS),
  salesCsv: get('/houses/:house/sales.csv', 'see', 'All sales as a table.', { media: 'csv' }),

  plan: get('/houses/:house/plan', 'see', 'The plan the crew works by.'),
  publishPlan: put('/houses/:house/plan', 'plan', 'Makes a plan the crew’s.', { bodyLimit: '8mb' }),
  planCsv: get('/houses/:house/plan.csv', 'see', 'The plan as a table.', { media: 'csv' }),
  planCalendar: get('/houses/:house/plan.ics', 'see', 'The plan as a calendar.', {
    media: 'calendar',
    query: ['person'],
  }),

  lots: get('/houses/:house/lots', 'see', 'Lots of some days.', DAYS),
  startLot: post('/houses/:house/lots', 'make', 'Starts a lot; its recipe is fixed from then on.'),
  lot: get('/houses/:house/lots/:lot', 'see', 'One lot.'),
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
  records: get('/houses/:house/records', 'see', 'What was seen and measured on some days.', DAYS),
  lotRecords: get('/houses/:house/lots/:lot/records', 'see', 'What was seen of a lot.'),
  addLotRecord: post('/houses/:house/lots/:lot/records', 'mark', 'Adds a record to a lot.'),
  addPhoto: post('/houses/:house/lots/:lot/photos', 'mark', 'Adds a photo to a lot.', {
    bodyLimit: '1mb',
  }),
  photo: get('/houses/:house/photos/:id', 'see', 'A photo.', { media: 'jpeg' }),
  handovers: get('/houses/:house/handovers', 'see', 'The last handovers.'),
  addHandover: post('/houses/:house/handovers', 'mark', 'Hands over to the next shift.'),
  markHandoverRead: put('/houses/:house/handovers/:id/read', 'mark', 'Marks a handover as read.'),
  log: get('/houses/:house/log', 'see', 'Past lots, newest first.', { query: LOG }),
  logCsv: get('/houses/:house/log.csv', 'see', 'Past lots as a table.', {
    media: 'csv',
    query: LOG,
  }),
  lotLog: get('/houses/:house/log/:lot', 'see', 'Everything on record of a lot.'),

  cold: get('/houses/:house/cold', 'see', 'The cold now: readings, alarms, lots in it.'),
  coldDay: get('/houses/:house/cold/day', 'see', 'A day of the cold.', { query: ['date'] }),
  coldRecord: get('/houses/:house/cold/record', 'see', 'The temperature log of some days.', DAYS),
  coldRecordCsv: get('/houses/:house/cold/record.csv', 'see', 'The temperature log as a table.', {
    media: 'csv',
    query: ['from', 'days'],
  }),
  ...collection('Probe', 'probes', 'book', 'probe'),
  addReadings: post('/houses/:house/readings', 'mark', 'Takes readings of probes, once each.', {
    status: 200,
    bodyLimit: '1mb',
  }),
  acknowledgeAlarm: put('/houses/:house/alarms/:id/acknowledged', 'mark', 'Acknowledges an alarm.'),
  addColdNote: post('/houses/:house/cold-notes', 'mark', 'Notes a round or an action in the cold.'),
} as const satisfies Readonly<Record<string, RouteDefinition>>;

export type RouteName = keyof typeof ROUTES;

/** Every route's name, in the table's order. */
export const ROUTE_NAMES = Object.keys(ROUTES) as readonly RouteName[];

/** The parameters of a path, by name. */
export type PathParams<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | PathParams<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never;

type PathValues<Path extends string> = Path extends `${string}:${string}/${infer Rest}`
  ? [value: string | number, ...PathValues<`/${Rest}`>]
  : Path extends `${string}:${string}`
    ? [value: string | number]
    : [];

type QueryNames<Name extends RouteName> = (typeof ROUTES)[Name]['query'][number];

/** What is asked after the question mark; what is absent or empty is not asked. */
export type RouteQuery<Name extends RouteName> = {
  readonly [Key in QueryNames<Name>]?: string | number | undefined;
};

/** What the address of a route is made of: its parameters in order, then what is asked. */
export type AddressParts<Name extends RouteName> = [
  ...PathValues<(typeof ROUTES)[Name]['path']>,
  query?: RouteQuery<Name>,
];

/** The names of a path's parameters, in order. */
export const paramNames = (path: string): string[] =>
  [...path.matchAll(/:([A-Za-z]+)/g)].map(([, name]) => name ?? '');

type QueryValues = Readonly<Record<string, string | number | undefined>>;

function fill(name: RouteName, parts: readonly unknown[]): string {
  const { path } = ROUTES[name];
  const values = [...parts];
  const filled = path.replace(/:[A-Za-z]+/g, () => encodeURIComponent(String(values.shift())));
  const asked = Object.entries((values.shift() ?? {}) as QueryValues)
    .filter(([, value]) => value !== undefined && value !== '')
    .map(([key, value]): [string, string] => [key, String(value)]);
  const search = asked.length === 0 ? '' : `?${new URLSearchParams(asked).toString()}`;
  return `${API}${filled}${search}`;
}

/** A write as a client sends it: method and address from the table. */
export interface RouteRequest {
  readonly url: string;
  readonly method: string;
  readonly body?: unknown;
}

/** The request of a route, without a body where it has none. */
export function routeRequest<Name extends RouteName>(
  name: Name,
  parts: AddressParts<Name>,
  body?: unknown,
): RouteRequest {
  return {
    url: fill(name, parts),
    method: ROUTES[name].method.toUpperCase(),
    ...(body !== undefined && { body }),
  };
}

/** Records that people add, change and delete, by the name in their routes. */
export type CollectionName = {
  [Name in RouteName]: Name extends `remove${infer Collection}` ? Collection : never;
}[RouteName];

/** The three writes of a collection, as requests. */
export interface CollectionRequests {
  add(house: string, content: unknown): RouteRequest;
  change(house: string, id: string, change: unknown): RouteRequest;
  remove(house: string, id: string): RouteRequest;
}

/** The requests of a collection's writes. */
export const collectionRequests = (name: CollectionName): CollectionRequests => ({
  add: (house, content) => routeRequest(`add${name}`, [house], content),
  change: (house, id, change) => routeRequest(`change${name}`, [house, id], change),
  remove: (house, id) => routeRequest(`remove${name}`, [house, id]),
});

type Paths = { readonly [Name in RouteName]: (...parts: AddressParts<Name>) => string };

/**
 * The address of every route, by its name: `paths.lot('lantern-yard', id)`,
 * `paths.services('lantern-yard', { from: '2026-11-25', days: 2 })`.
 */
export const paths = Object.fromEntries(
  ROUTE_NAMES.map((name) => [name, (...parts: readonly unknown[]) => fill(name, parts)]),
) as unknown as Paths;
