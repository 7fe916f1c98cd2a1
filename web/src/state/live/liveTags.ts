import type { api } from '../api/api';

type Tag = Parameters<typeof api.util.invalidateTags>[0][number];

const BOOK: readonly Tag[] = ['Book', 'Versions', 'Frictions'];
const CALENDAR: readonly Tag[] = ['Calendar', 'Services', 'Forecasts'];
const SALES: readonly Tag[] = ['Sales', 'Forecasts', 'Services'];
const CREW: readonly Tag[] = ['Crew', 'Shifts', 'Book', 'FrontDoor'];

const TOLD: readonly Tag[] = ['Contact', 'AlarmCalls'];
const COLD: readonly Tag[] = ['Cold'];

/** What is read again when something was written, by the first part of its address. */
const TAGS: Readonly<Record<string, readonly Tag[]>> = {
  lots: ['Lots', 'Records', 'Log', 'Services', 'Frictions', 'Cold'],
  handovers: ['Handovers'],
  practice: ['Practice'],
  counts: ['Services', 'Forecasts'],
  sales: SALES,
  till: SALES,
  plan: ['Plan'],
  events: CALENDAR,
  bookings: CALENDAR,
  'service-patterns': CALENDAR,
  'service-exceptions': CALENDAR,
  people: CREW,
  'shift-patterns': CREW,
  'shift-exceptions': CREW,
  machines: ['Machines'],
  'calendar-links': ['CalendarLinks'],
  contact: TOLD,
  'push-devices': TOLD,
  webhooks: TOLD,
  notifications: TOLD,
  settings: BOOK,
  learned: [...BOOK, 'Learned'],
  trials: ['Trials'],
  formulas: BOOK,
  products: BOOK,
  routes: BOOK,
  pantry: BOOK,
  retired: [...BOOK, 'Cold', 'Services', 'Forecasts'],
  places: [...BOOK, 'Cold'],
  probes: COLD,
  readings: COLD,
  alarms: COLD,
  'cold-notes': COLD,
};

/** Of a lot, only what is written often touches less than all that hangs on lots. */
const OF_A_LOT: Readonly<Record<string, readonly Tag[]>> = {
  // What was weighed is part of a lot.
  records: ['Lots', 'Records', 'Log', 'Cold'],
  photos: ['Records', 'Log'],
  marks: ['Lots', 'Services'],
};

/** The stages of a whole lot, which stand under load 0, say where its dough is; the steps of a load do not. */
const OF_A_STAGE: readonly Tag[] = ['Lots', 'Services', 'Cold'];

/** What a write touches; what is not known touches the book and all that was sold. */
export function liveTags(path: string): readonly Tag[] {
  const [, first = '', second, third = '', fourth] = path.split('/');
  if (first === 'session') return second === 'preferences' ? ['Session'] : [];
  if (first === 'owner') return [];
  if (first === 'sessions') return ['Session'];
  if (first === 'imports' && second === 'sales') return SALES;
  if (first === 'lots' && third === 'marks' && fourth === '0') return OF_A_STAGE;
  if (first === 'lots' && OF_A_LOT[third]) return OF_A_LOT[third];
  return TAGS[first] ?? [...BOOK, ...SALES];
}
