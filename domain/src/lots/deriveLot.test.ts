import { MINUTE_MS, doughForLoadsG, preferredLot } from '@calm/core';
import { NO_PLAN, type HouseBook, type Service } from '@calm/contract';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { weekOfHouse } from '../week/houseWeek';
import { simulateLot } from '../week/weekDoses';
import { problemOfWeek } from '../week/weekProblem';
import { deriveLot } from './deriveLot';
import { boardLots } from './lotBoard';
import { lotItem, scaleRecipe } from './recipe';

const DATE = '2026-11-26';

const product = (book: HouseBook, slug: string) => {
  const found = book.products.find((each) => each.slug === slug);
  if (!found) throw new Error(slug);
  return found;
};

const serviceOf = (
  book: HouseBook,
  name: string,
  from: string,
  to: string,
  slug: string,
  count: number,
  carried = 0,
): Service => ({
  patternId: name,
  name,
  date: DATE,
  startsAt: `${DATE}T${from}:00.000Z`,
  endsAt: `${DATE}T${to}:00.000Z`,
  counts: [
    {
      productId: product(book, slug).id,
      count,
      usual: count,
      origin: 'usual',
      version: 0,
      ...(carried > 0 && { carried: [{ lotCode: 'YR-1125-A', count: carried }] }),
    },
  ],
});

const withResidue = (book: HouseBook, percent: number, perLoadG: number): HouseBook => ({
  ...book,
  losses: { residue: { percent, perLoadG, lots: 8 }, trims: [] } as HouseBook['losses'],
});

/** The coming day of a house as its plan sees it, with its one lot at the hours its route prefers. */
function plannedWeek(book: HouseBook, services: readonly Service[]) {
  const day = Date.parse(`${DATE}T00:00:00Z`);
  const document = weekOfHouse({
    book,
    services,
    shifts: book.people.flatMap(({ id }) =>
      [-3, -2, -1, 0].map((before) => ({
        personId: id,
        startsAt: new Date(day + before * 1440 * MINUTE_MS + 5 * 60 * MINUTE_MS).toISOString(),
        endsAt: new Date(day + before * 1440 * MINUTE_MS + 23 * 60 * MINUTE_MS).toISOString(),
      })),
    ),
    forecasts: [],
    usage: [],
    nowMin: day / MINUTE_MS - 4 * 1440,
    midnights: [],
    published: NO_PLAN,
  });
  const [dough] = document.doughs.filter(({ id }) =>
    services.some(({ counts }) =>
      counts.some(
        ({ productId }) => document.products.find((each) => each.id === productId)?.doughId === id,
      ),
    ),
  );
  const serviceIds = document.services.map(({ id }) => id);
  const lot = preferredLot(problemOfWeek(document), dough?.id ?? '', serviceIds);
  return { document, lot };
}

describe('what a lot is', () => {
  it('is the same on the board and when it starts, though lunch is carried over whole', () => {
    const book = exampleBook();
    const round = product(book, 'yard-round');
    const lunch = serviceOf(book, 'Lunch', '11:00', '14:00', 'yard-round', 56, 56);
    const dinner = serviceOf(book, 'Dinner', '16:30', '21:30', 'yard-round', 108);
    const services = [lunch, dinner];
    const [onBoard] = boardLots(book, services, []);
    const items = [lotItem(round, 108)];
    const started = deriveLot(book, { product: round, items, services, plan: NO_PLAN });
    expect(onBoard?.doorsMs).toBe(Date.parse(dinner.startsAt));
    expect(started?.doorsMs).toBe(onBoard?.doorsMs);
    expect(started?.stages).toEqual(onBoard?.stages);
  });

  it('is for all services of its date when nobody wants it any more', () => {
    const book = exampleBook();
    const round = product(book, 'yard-round');
    const lunch = serviceOf(book, 'Lunch', '11:00', '14:00', 'yard-round', 20, 20);
    const items = [lotItem(round, 10)];
    const made = deriveLot(book, { product: round, items, services: [lunch], plan: NO_PLAN });
    expect(made?.doorsMs).toBe(Date.parse(lunch.startsAt));
    expect(deriveLot(book, { product: round, items, services: [], plan: NO_PLAN })).toBeNull();
  });
});

describe('the mass of a dough', () => {
  it.each([
    [3, 0],
    [1.5, 150],
    [0, 400],
  ])('is what the scale says, in the plan too: %s %% and %s g a load left', (percent, perLoadG) => {
    const book = withResidue(exampleBook(), percent, perLoadG);
    const round = product(book, 'yard-round');
    const { lot } = plannedWeek(book, [
      serviceOf(book, 'Dinner', '16:30', '21:30', 'yard-round', 120),
    ]);
    const [board] = boardLots(
      book,
      [serviceOf(book, 'Dinner', '16:30', '21:30', 'yard-round', 120)],
      [],
    );
    const scaled = board && scaleRecipe(board.recipe, board.items);
    if (!scaled?.ok || !lot) throw new Error('the round can be made');
    const neededG = (120 * round.ballWeightG) / (1 - round.trimPercent / 100);
    const loads = scaled.value.loads.length;
    const asScaledG = doughForLoadsG(neededG, loads, {
      residuePercent: percent,
      residuePerLoadG: perLoadG,
    });
    expect(lot.loads).toBe(loads);
    expect(lot.doughKg * 1000).toBeCloseTo(asScaledG, 3);
    // Weighed loads differ from what they should be by the scales' steps only.
    expect(scaled.value.balance.doughG).toBeCloseTo(asScaledG, -2);
  });
});

describe('the document of a dough', () => {
  it('has the house’s own pre-ferment temperature, in the plan too', () => {
    const base = exampleBook();
    const at = (preferment: number): HouseBook => ({
      ...base,
      house: {
        ...base.house,
        settings: {
          ...base.house.settings,
          usualTempsC: { ...base.house.settings.usualTempsC, preferment },
        },
      },
    });
    const routeAt = (preferment: number) => {
      const book = at(preferment);
      const { document, lot } = plannedWeek(book, [
        serviceOf(book, 'Dinner', '16:30', '21:30', 'slab', 10),
      ]);
      if (!lot) throw new Error('slab can be made');
      return simulateLot(document, lot, { isMixed: true }).ways[0]?.route;
    };
    // A warmer pre-ferment brings more yeast into the dough: the plan must know.
    expect(routeAt(26)).not.toEqual(routeAt(18));
  });
});
