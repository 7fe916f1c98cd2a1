import { optimizeWeek, weekFaults } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { type Service, NO_PLAN, type Lot } from '@calm/contract';
import { datesOf, weekOfHouse, type HouseWeek } from './houseWeek';
import { check, weekSchema } from '@calm/contract/schemas';
import { doughOfLot } from './startedLots';
import { dateOfService, doughIdOf, serviceIdOf } from './weekIds';
import { problemOfWeek } from './weekProblem';

const book = exampleBook();
const productId = (slug: string) => book.products.find((each) => each.slug === slug)?.id ?? '';
const DATE = '2026-11-27';
const NOW = Date.parse('2026-11-25T14:40:00Z') / 60_000;
const service = (name: string, date: string, from: string, to: string): Service => ({
  patternId: name,
  name,
  date,
  startsAt: `${date}T${from}:00.000Z`,
  endsAt: `${date}T${to}:00.000Z`,
  counts: [
    {
      productId: productId('yard-round'),
      count: 100,
      usual: 100,
      origin: 'usual',
      version: 0,
      carried: [{ lotCode: 'YR-1124-A', count: 12 }],
    },
    { productId: productId('sprout'), count: 8, usual: 8, origin: 'usual', version: 0 },
    { productId: productId('slab'), count: 0, usual: 0, origin: 'usual', version: 0 },
  ],
});
const house: HouseWeek = {
  book,
  services: [
    service('lunch', '2026-11-25', '11:00', '14:00'),
    service('lunch', DATE, '11:00', '14:00'),
    service('dinner', DATE, '16:30', '21:30'),
  ],
  shifts: book.people.map(({ id }) => ({
    personId: id,
    startsAt: `${DATE}T08:00:00.000Z`,
    endsAt: `${DATE}T16:00:00.000Z`,
  })),
  forecasts: [],
  usage: [{ service: 'dinner', productId: productId('yard-round'), curve: [0.5, 0.5], balls: 40 }],
  nowMin: NOW,
  midnights: ['2026-11-24T23:00:00.000Z'],
  published: NO_PLAN,
};
const document = weekOfHouse(house);

describe('a house’s week', () => {
  it('is a document that `calm plan` reads, and makes sense', () => {
    expect(check(weekSchema, document)).toMatchObject({ ok: true });
    expect(weekFaults(problemOfWeek(document))).toEqual([]);
  });

  it('wants what is still to be made for what has not begun, by day', () => {
    expect(document.services.map(({ id, day }) => [id, day])).toEqual([
      [`${DATE}/lunch`, DATE],
      [`${DATE}/dinner`, DATE],
    ]);
    expect(document.wanted).toEqual(
      ['lunch', 'dinner'].flatMap((name) => [
        { serviceId: `${DATE}/${name}`, productId: productId('yard-round'), count: 88 },
        { serviceId: `${DATE}/${name}`, productId: productId('sprout'), count: 8 },
      ]),
    );
  });

  it('has each dough once, with its formula’s mixer as far as the dough lets it', () => {
    const doughs = new Set(book.products.map(doughIdOf));
    expect(document.doughs.map(({ id }) => id).sort()).toEqual([...doughs].sort());
    const crackle = book.products.find(({ slug }) => slug === 'crackle');
    const stiff = document.doughs.find(({ id }) => crackle && id === doughIdOf(crackle));
    // A stiff dough may not fill the mixer.
    expect(stiff?.mixers[0]?.maxDoughKg).toBeLessThan(12);
    expect(stiff?.target).toEqual(crackle?.target);
  });

  it('makes a lot that is too small for its mixer in another one', () => {
    const mixerOf = (count: number, change: Partial<HouseWeek> = {}) => {
      const few = house.services.map((each) => ({
        ...each,
        counts: [{ productId: productId('yard-round'), count, usual: 0, origin, version: 0 }],
      }));
      const shifts = [DATE, '2026-11-26', '2026-11-25'].flatMap((date) =>
        book.people.map(({ id }) => ({
          personId: id,
          startsAt: `${date}T06:00:00.000Z`,
          endsAt: `${date}T22:00:00.000Z`,
        })),
      );
      const week = weekOfHouse({ ...house, services: few.slice(1, 2), shifts, ...change });
      const { value } = optimizeWeek(problemOfWeek(week)).next();
      const [lot] = value?.plan.lots ?? [];
      return book.mixers.find(({ id }) => id === lot?.mixerId)?.kind;
    };
    const origin = 'usual' as const;
    expect(mixerOf(100)).toBe('spiral');
    expect(mixerOf(14)).toBe('planetary');
    // While the spiral is away the small one makes it, in several loads.
    const outOfOrder = { from: '2026-11-20T00:00:00.000Z', until: '2026-12-20T00:00:00.000Z' };
    const mixers = book.mixers.map((mixer) =>
      mixer.kind === 'spiral' ? { ...mixer, outOfOrder } : mixer,
    );
    expect(mixerOf(60, { book: { ...book, mixers } })).toBe('planetary');
  });

  it('has the house’s people, places and unsocial hours', () => {
    expect(document.people.map(({ shifts }) => shifts.length)).toEqual(book.people.map(() => 1));
    // As cold as its thermostat is set, whatever the hour.
    const airByHour = [{ fromMin: 0, airC: 3.5 }];
    expect(document.places).toContainEqual({ name: 'Walk-in', trays: 96, tubs: 6, airByHour });
    // By the wall clock at Ostrel, an hour ahead of UTC.
    const bench = document.places.find(({ name }) => name === 'Bench');
    expect(bench?.airByHour?.map(({ fromMin }) => fromMin)).toEqual([7 * 60, 22 * 60]);
    expect(document.unsocial).toEqual([
      { startsAt: '2026-11-25T21:00:00.000Z', endsAt: '2026-11-26T05:00:00.000Z' },
    ]);
    expect(document.usage.map(({ serviceId }) => serviceId)).toEqual([`${DATE}/dinner`]);
    const [person, ...others] = book.people;
    const untaught = {
      ...book,
      people: [...others, ...(person ? [{ ...person, skills: [] }] : [])],
    };
    const faults = weekFaults(problemOfWeek(weekOfHouse({ ...house, book: untaught })));
    expect(faults).toContainEqual({ kind: 'no-skills', personId: person?.id });
  });

  it('knows again what was published, step by step', () => {
    const [first] = document.doughs;
    const lot = {
      id: 'a',
      doughId: first?.id ?? '',
      serviceIds: [`${DATE}/lunch`, `${DATE}/dinner`],
      mixerId: 'spiral',
      loads: 1,
      doughKg: 20,
      cost: { quality: 0, unsocial: 0, mix: 0, change: 0 },
      rests: [],
      steps: [
        {
          stage: 6,
          key: 'pull',
          skill: 'cold',
          startMin: NOW + 20,
          endMin: NOW + 30,
          personIds: ['wren'],
          mixerId: null,
          serviceId: `${DATE}/dinner`,
        },
      ],
    } as const;
    const { published } = weekOfHouse({ ...house, published: { ...NO_PLAN, lots: [lot] } });
    expect(published).toEqual([
      {
        step: `${first?.id}/${DATE}/lunch/6/${DATE}/dinner`,
        startsAt: '2026-11-25T15:00:00.000Z',
        personIds: ['wren'],
      },
    ]);
    expect(datesOf(lot)).toEqual([DATE]);
  });

  it('names services and doughs so that they are known again', () => {
    const id = serviceIdOf({ date: DATE, patternId: 'lunch' });
    expect(dateOfService(id)).toBe(DATE);
    const [round] = book.products;
    const lot = {
      recipe: { formulaId: round?.formulaId },
      items: [{ productId: round?.id }],
    } as unknown as Lot;
    expect(doughOfLot(book, lot)).toBe(round && doughIdOf(round));
    expect(doughOfLot({ ...book, products: [] }, lot)).toBeNull();
  });
});
