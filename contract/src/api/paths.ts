import type { LogQuery } from '../lots/log';

/** Where the API lives. */
export const API = '/api/v1';

const house = (slug: string) => `${API}/houses/${encodeURIComponent(slug)}`;
const lot = (slug: string, id: string) => `${house(slug)}/lots/${encodeURIComponent(id)}`;

const record = (slug: string, collection: string, id?: string) =>
  `${house(slug)}/${collection}${id === undefined ? '' : `/${encodeURIComponent(id)}`}`;

/** What of a query is asked for, as the end of an address. */
function search(query: LogQuery): string {
  const asked = Object.entries(query).filter(([, value]) => value !== undefined && value !== '');
  return asked.length === 0 ? '' : `?${new URLSearchParams(asked).toString()}`;
}

/** Every address of the API, built in one place. Dates are `YYYY-MM-DD`. */
export const paths = {
  clock: () => `${API}/clock`,
  houses: () => `${API}/houses`,
  book: (slug: string) => `${house(slug)}/book`,
  services: (slug: string, from: string, days: number) =>
    `${house(slug)}/services?from=${from}&days=${days}`,
  shifts: (slug: string, from: string, days: number) =>
    `${house(slug)}/shifts?from=${from}&days=${days}`,
  count: (slug: string, date: string, patternId: string, productId: string) =>
    `${house(slug)}/counts/${date}/${patternId}/${productId}`,
  counts: (slug: string) => `${house(slug)}/counts`,
  lots: (slug: string, from?: string, days?: number) =>
    `${house(slug)}/lots${from === undefined ? '' : `?from=${from}&days=${days}`}`,
  lot,
  note: (slug: string, id: string) => `${lot(slug, id)}/note`,
  losses: (slug: string, id: string) => `${lot(slug, id)}/losses`,
  withdrawn: (slug: string, id: string) => `${lot(slug, id)}/withdrawn`,
  load: (slug: string, id: string, number: number) => `${lot(slug, id)}/loads/${number}`,
  mark: (slug: string, id: string, loadNumber: number, stepKey: string) =>
    `${lot(slug, id)}/marks/${loadNumber}/${encodeURIComponent(stepKey)}`,
  formulas: (slug: string) => `${house(slug)}/formulas`,
  formula: (slug: string, formula: string) =>
    `${house(slug)}/formulas/${encodeURIComponent(formula)}`,
  formulaVersions: (slug: string, formula: string) =>
    `${house(slug)}/formulas/${encodeURIComponent(formula)}/versions`,
  imports: (slug: string) => `${house(slug)}/imports`,
  products: (slug: string, id?: string) => record(slug, 'products', id),
  routes: (slug: string, id?: string) => record(slug, 'routes', id),
  pantry: (slug: string, id?: string) => record(slug, 'pantry', id),
  events: (slug: string, id?: string) => record(slug, 'events', id),
  bookings: (slug: string, id?: string) => record(slug, 'bookings', id),
  servicePatterns: (slug: string, id?: string) => record(slug, 'service-patterns', id),
  serviceExceptions: (slug: string, id?: string) => record(slug, 'service-exceptions', id),
  calendar: (slug: string) => `${house(slug)}/calendar`,
  settings: (slug: string) => `${house(slug)}/settings`,
  sales: (slug: string, from: string, days: number) =>
    `${house(slug)}/sales?from=${from}&days=${days}`,
  sale: (slug: string, date: string, patternId: string, productId: string) =>
    `${house(slug)}/sales/${date}/${patternId}/${productId}`,
  salesImports: (slug: string) => `${house(slug)}/imports/sales`,
  till: (slug: string) => `${house(slug)}/till`,
  forecast: (slug: string, from: string, days: number) =>
    `${house(slug)}/forecast?from=${from}&days=${days}`,
  salesCsv: (slug: string) => `${house(slug)}/sales.csv`,
  places: (slug: string, id?: string) => record(slug, 'places', id),
  plan: (slug: string) => `${house(slug)}/plan`,
  planCsv: (slug: string) => `${house(slug)}/plan.csv`,
  /** @param personId everybody's when absent */
  planCalendar: (slug: string, personId?: string) =>
    `${house(slug)}/plan.ics${personId === undefined ? '' : `?person=${encodeURIComponent(personId)}`}`,
  signInOptions: (slug: string) => `${house(slug)}/sign-in-options`,
  session: (slug: string) => `${house(slug)}/session`,
  owner: (slug: string) => `${house(slug)}/owner`,
  crew: (slug: string) => `${house(slug)}/crew`,
  people: (slug: string, id?: string) => record(slug, 'people', id),
  secret: (slug: string, id: string) => `${record(slug, 'people', id)}/secret`,
  shiftPatterns: (slug: string, id?: string) => record(slug, 'shift-patterns', id),
  shiftExceptions: (slug: string, id?: string) => record(slug, 'shift-exceptions', id),
  /** @param before reads on from this line */
  audit: (slug: string, before?: number) =>
    `${house(slug)}/audit${before === undefined ? '' : `?before=${before}`}`,
  live: (slug: string) => `${house(slug)}/live`,
  /** What was seen and measured of the lots for some dates. */
  records: (slug: string, from: string, days: number) =>
    `${house(slug)}/records?from=${from}&days=${days}`,
  lotRecords: (slug: string, id: string) => `${lot(slug, id)}/records`,
  lotPhotos: (slug: string, id: string) => `${lot(slug, id)}/photos`,
  photo: (slug: string, id: string) => record(slug, 'photos', id),
  handovers: (slug: string) => `${house(slug)}/handovers`,
  handoverRead: (slug: string, id: string) => `${record(slug, 'handovers', id)}/read`,
  log: (slug: string, query: LogQuery = {}) => `${house(slug)}/log${search(query)}`,
  logCsv: (slug: string, query: LogQuery = {}) => `${house(slug)}/log.csv${search(query)}`,
  lotLog: (slug: string, id: string) => `${house(slug)}/log/${encodeURIComponent(id)}`,
  /** Everything about the cold now. */
  cold: (slug: string) => `${house(slug)}/cold`,
  coldDay: (slug: string, date: string) => `${house(slug)}/cold/day?date=${date}`,
  coldRecord: (slug: string, from: string, days: number) =>
    `${house(slug)}/cold/record?from=${from}&days=${days}`,
  coldRecordCsv: (slug: string, from: string, days: number) =>
    `${house(slug)}/cold/record.csv?from=${from}&days=${days}`,
  readings: (slug: string) => `${house(slug)}/readings`,
  probes: (slug: string, id?: string) => record(slug, 'probes', id),
  alarm: (slug: string, id: string) => `${record(slug, 'alarms', id)}/acknowledged`,
  coldNotes: (slug: string) => `${house(slug)}/cold-notes`,
  frictions: (slug: string) => `${house(slug)}/mixers/frictions`,
} as const;
