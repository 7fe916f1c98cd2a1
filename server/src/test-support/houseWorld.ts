import {
  paths,
  type CollectionName,
  type ColdBoard,
  type HouseBook,
  type HouseCalendar,
  type Lot,
  type Service,
  type SignInOptions,
} from '@calm/contract';
import { HOUSE, type TestHouse } from './testHouse';

/** A Wednesday to come, on which the demo has nothing of its own. */
export const LATER = '2027-01-06';

/** What the demo house has, as examples refer to it. */
export interface HouseWorld {
  readonly book: HouseBook;
  readonly services: readonly Service[];
  readonly lot: () => Promise<Lot>;
  readonly calendar: HouseCalendar;
  readonly cold: ColdBoard;
  readonly options: SignInOptions;
}

export async function worldOf(house: TestHouse): Promise<HouseWorld> {
  return {
    book: await house.book(),
    services: await house.services('2026-11-26', 3),
    lot: async () => required((await house.lots())[0]),
    calendar: await house.get<HouseCalendar>(paths.calendar(HOUSE)),
    cold: await house.get<ColdBoard>(paths.cold(HOUSE)),
    options: await house.get<SignInOptions>(paths.signInOptions(HOUSE)),
  };
}

/** A new record of each collection. */
export function contentsOf({
  book,
  calendar,
}: HouseWorld): Readonly<Record<CollectionName, object>> {
  const { id: _product, slug: _slug, version: _version, ...product } = required(book.products[0]);
  const person = required(book.people.find(({ role }) => role === 'hand'));
  const pattern = required(calendar.patterns[0]);
  const cold = required(book.places.find(({ room }) => room !== null));
  return {
    Product: { ...product, name: 'A new round' },
    Route: { name: 'A new route', stages: required(book.routes[0]).stages },
    Ingredient: { name: 'Grey salt', allergens: [] },
    Place: { name: 'A shelf', zones: [], traysAPosition: 2, tubs: 1, room: null, airByHour: [] },
    Mixer: {
      name: 'A bowl',
      kind: 'hand',
      minDoughKg: 0,
      maxDoughKg: 3,
      frictionC: 0,
      outOfOrder: null,
    },
    Person: { name: 'Ilka', initials: 'IL', role: 'hand', skills: ['ball'] },
    ShiftPattern: { personId: person.id, weekday: 1, startMin: 600, endMin: 900 },
    ShiftException: {
      personId: person.id,
      date: LATER,
      isAway: true,
      hours: null,
      note: '',
    },
    ServicePattern: {
      name: 'late',
      weekday: 1,
      startMin: 1380,
      endMin: 1440,
      firstDate: null,
      lastDate: null,
    },
    ServiceException: {
      date: LATER,
      lastDate: null,
      isYearly: false,
      patternId: pattern.id,
      joinsId: null,
      hours: null,
      note: '',
    },
    Event: { date: LATER, patternId: null, name: 'Fair', expectedPercent: 120, note: '' },
    Booking: {
      date: '2026-11-27',
      patternId: required(calendar.patterns.find(({ weekday }) => weekday === 5)).id,
      name: 'Long table',
      guests: 8,
      balls: [{ productId: required(book.products[0]).id, count: 8 }],
      note: '',
    },
    Probe: {
      name: 'A spare probe',
      placeId: cold.id,
      zone: required(cold.zones[0]).name,
      calibrations: [],
    },
  };
}

/** @throws Error where the demo house has it not */
export function required<T>(value: T | undefined): T {
  if (value === undefined) throw new Error('the demo house has one');
  return value;
}
