import type {
  Baking,
  ChartPoint,
  ConsistencyChart,
  HouseBook,
  Leftover,
  LotRecord,
  Opening,
  WeekReview,
} from '@calm/contract';
import { LEFTOVERS } from '@calm/contract';
import { costOf, MINUTE_MS, stageKey, workOf } from '@calm/core';
import { currentRecords } from '../lots/currentRecords';
import { loggedLot } from '../lots/loggedLot';
import type { BoardLot } from '../lots/lotBoard';
import { doughOutOf } from '../lots/lotHistory';
import type { LotToLearnFrom } from './learnedNumbers';

/** Fewer pieces say nothing of a hand. */
const FEWEST_PIECES = 5;
/** Done so near to its plan, a step was done in time, min. */
const ON_TIME_MIN = 15;

type Book = Pick<HouseBook, 'products' | 'retired'>;
interface KnownLot {
  readonly board: BoardLot;
  readonly records: readonly LotRecord[];
}

/** Lots of which the house still knows the product, oldest first. */
function knownLots(lots: readonly LotToLearnFrom[], book: Book): KnownLot[] {
  return lots
    .flatMap(({ lot, planned, records }) => {
      const board = loggedLot(lot, planned, book);
      return board ? [{ board, records }] : [];
    })
    .sort((a, b) => a.board.doorsMs - b.board.doorsMs);
}

/**
 * What a house's lots show of how steady its work is, as charts.
 *
 * @param lots with everything on record of them
 */
export function consistencyCharts(lots: readonly LotToLearnFrom[], book: Book): ConsistencyChart[] {
  const known = knownLots(lots, book);
  const chart = (
    kind: ConsistencyChart['kind'],
    valueOf: (lot: KnownLot) => number | null,
    of: Partial<ConsistencyChart> = {},
  ): ConsistencyChart => ({
    kind,
    personId: null,
    productId: null,
    placeId: null,
    probeId: null,
    ...of,
    points: known
      .flatMap((lot): ChartPoint[] => {
        const value = valueOf(lot);
        return value === null ? [] : [{ at: startOf(lot), lot: lot.board.code, value }];
      })
      .sort((a, b) => (a.at < b.at ? -1 : 1)),
  });
  return [
    ...handsOf(known).map(({ personId, productId }) =>
      chart('ball-weight', (lot) => ballsOff(lot, personId, productId), { personId, productId }),
    ),
    chart('dough-out', ({ board }) => {
      const outC = doughOutOf(board);
      return outC === null ? null : outC - board.recipe.doughTempC;
    }),
    chart('time-off-plan', mixOffMin),
    chart('yeast-weighed', yeastOffPercent),
  ].filter(({ points }) => points.length > 0);
}

const startOf = ({ board }: KnownLot): string =>
  board.lot?.startedAt ?? new Date(board.doorsMs).toISOString();

const keyOf = (personId: string, productId: string) => `${personId}/${productId}`;

/** Whose hands made which product. */
function handsOf(known: readonly KnownLot[]) {
  const hands = new Map<string, { readonly personId: string; readonly productId: string }>();
  for (const { records } of known) {
    for (const { personId, content } of currentRecords(records, 'piece')) {
      const { productId } = content;
      if (personId) hands.set(keyOf(personId, productId), { personId, productId });
    }
  }
  return [...hands.values()];
}

/** How heavy somebody's pieces of a product were in a lot, percent off. */
function ballsOff({ board, records }: KnownLot, personId: string, productId: string) {
  const item = board.items.find((each) => each.productId === productId);
  const grams = currentRecords(records, 'piece')
    .filter((each) => each.personId === personId && each.content.productId === productId)
    .flatMap(({ content }) => (content.grams > 1 ? [content.grams] : []));
  if (!item || grams.length < FEWEST_PIECES) return null;
  const mean = grams.reduce((sum, g) => sum + g, 0) / grams.length;
  return 100 * (mean / item.ballWeightG - 1);
}

/** How much later than planned a lot was mixed, min. */
function mixOffMin({ board }: KnownLot): number | null {
  const mix = workOf(board.stages).find(({ key }) => key === 'mix');
  const doneMs = mix ? doneMsOf(board, stageKey(mix)) : null;
  return mix && doneMs !== null ? (doneMs - mix.endMs) / MINUTE_MS : null;
}

function doneMsOf({ lot }: BoardLot, key: string): number | null {
  const doneAt = lot?.marks.find(
    ({ loadNumber, stepKey }) => loadNumber === 0 && stepKey === key,
  )?.doneAt;
  return doneAt ? Date.parse(doneAt) : null;
}

function yeastOffPercent({ board }: KnownLot): number | null {
  const own = (board.lot?.weighed ?? []).filter(({ content }) => content.key === 'yeast');
  const wanted = own.reduce((sum, { content }) => sum + content.wantedG, 0);
  const grams = own.reduce((sum, { content }) => sum + content.grams, 0);
  return wanted > 0 ? 100 * (grams / wanted - 1) : null;
}

/** What became of the lots of a week. */
export function lotsOfWeek(
  lots: readonly LotToLearnFrom[],
  book: Book & Pick<HouseBook, 'pantry'>,
  { from, to }: Pick<WeekReview, 'from' | 'to'>,
): Omit<WeekReview, 'short' | 'forecastErrorPercent'> {
  const known = knownLots(lots, book).filter(({ board: { date } }) => date >= from && date <= to);
  const used = known.flatMap(({ records }) => currentRecords(records, 'used'));
  const left = Object.fromEntries(LEFTOVERS.map((to) => [to, 0])) as Record<Leftover, number>;
  for (const { content } of used) left[content.leftTo] += content.left;
  const found = known.map(({ board, records }) => ({
    code: board.code,
    opened: currentRecords(records, 'opened').at(-1)?.content.found ?? null,
    baked: currentRecords(records, 'baked').at(-1)?.content.found ?? null,
  }));
  const faults = new Map<Opening | Baking, string[]>();
  for (const { code, opened, baked } of found) {
    for (const fault of [opened, baked]) {
      if (fault && fault !== 'well') faults.set(fault, [...(faults.get(fault) ?? []), code]);
    }
  }
  const steps = known.flatMap(({ board }) =>
    workOf(board.stages).flatMap((work) => {
      const doneMs = doneMsOf(board, stageKey(work));
      return doneMs === null ? [] : [Math.abs(doneMs - work.endMs) / MINUTE_MS];
    }),
  );
  return {
    from,
    to,
    lots: known.length,
    balls: known.reduce(
      (sum, { board }) => sum + board.items.reduce((all, { count }) => all + count, 0),
      0,
    ),
    left: used.length > 0 ? left : null,
    thrownCost: thrownCost(known, book),
    faults: [...faults].map(([fault, codes]) => ({ found: fault, lots: codes })),
    opened: {
      well: found.filter(({ opened }) => opened === 'well').length,
      of: found.filter(({ opened }) => opened !== null).length,
    },
    onTime: {
      steps: steps.filter((offMin) => offMin <= ON_TIME_MIN).length,
      of: steps.length,
    },
  };
}

/** What went into the bin cost; null where nothing has a price. */
function thrownCost(
  known: readonly KnownLot[],
  { pantry }: Pick<HouseBook, 'pantry'>,
): number | null {
  let [sum, isPriced] = [0, false];
  for (const { board, records } of known) {
    const binned = currentRecords(records, 'used').reduce(
      (all, { content }) => all + (content.leftTo === 'bin' ? content.left : 0),
      0,
    );
    const balls = board.items.reduce((all, { count }) => all + count, 0);
    if (!board.scaled.ok || balls === 0) continue;
    const { totals, preferment } = board.scaled.value;
    const lines = [...totals.ingredients, ...(preferment?.ingredients ?? [])];
    const { total } = costOf(lines, pantry);
    if (total > 0) isPriced = true;
    sum += (total * binned) / balls;
  }
  return isPriced ? sum : null;
}
