/**
 * The parts of a house that answers are worked out from. A write is of one part; an answer that hangs on some parts is
 * good while none of them was written.
 */
export const HOUSE_PARTS = [
  'book',
  'crew',
  'demand',
  'till',
  'counts',
  'plan',
  'lots',
  'marks',
  'losses',
  'records',
  'weights',
  'trays',
  'shift',
  'cold',
  'readings',
  'sessions',
] as const;
export type HousePart = (typeof HOUSE_PARTS)[number];

/** By the first part of a write's address. */
const PARTS: Readonly<Record<string, HousePart>> = {
  readings: 'readings',
  till: 'till',
  counts: 'counts',
  sales: 'demand',
  events: 'demand',
  bookings: 'demand',
  'service-patterns': 'demand',
  'service-exceptions': 'demand',
  people: 'crew',
  'shift-patterns': 'crew',
  'shift-exceptions': 'crew',
  owner: 'crew',
  // Of the server's command line.
  'new-secret': 'crew',
  unlock: 'sessions',
  plan: 'plan',
  handovers: 'shift',
  trials: 'shift',
  alarms: 'cold',
  'cold-notes': 'cold',
  probes: 'cold',
  machines: 'sessions',
  'calendar-links': 'sessions',
  contact: 'sessions',
  'push-devices': 'sessions',
  webhooks: 'sessions',
  notifications: 'sessions',
  practice: 'sessions',
  session: 'sessions',
  sessions: 'sessions',
  houses: 'sessions',
};
/** Of a lot, by the part of its address after its id. */
const PARTS_OF_LOT: Readonly<Record<string, HousePart>> = {
  marks: 'marks',
  loads: 'marks',
  losses: 'losses',
  records: 'records',
  photos: 'records',
};

/**
 * The part that a write is of, by its address within the house; what is not known is of the book, on which most hangs.
 *
 * @example
 * housePartOf('/lots/5b1f/records'); // 'records'
 */
export function housePartOf(path: string): HousePart {
  const [, first = '', second, third = ''] = path.split('/');
  if (first === 'lots') return PARTS_OF_LOT[third] ?? 'lots';
  if (first === 'imports' && second === 'sales') return 'demand';
  return PARTS[first] ?? 'book';
}
