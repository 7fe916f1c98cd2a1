import type { HouseBook, LearnDocument, LotRecord } from '@calm/contract';
import { DAY_MS, narrowLot, simulate, STANDARD_TARGET, USUAL_SPREAD } from '@calm/core';
import { learnFrom, lotToLearn, routeOfDocument, withConstant } from '@calm/domain';
import { TRUE_ROOMS } from '../cold/trueRooms';
import { makeHistory } from './history';
import { ABOVE_SET_C, makeMeasures } from './measures';

type Lot = LearnDocument['lots'][number];

/** How far windows of the last two weeks were foretold from what the records saw, minutes, median. */
export interface Foretold {
  readonly lots: number;
  readonly unlearnedMin: number;
  readonly learnedMin: number;
}

/** What is learned from. */
const MOST_LOTS = 30;
const LAST_DAYS = 14;
/** By the records alone: nearly everything might be otherwise. */
const OPEN_SPREAD = { ...USUAL_SPREAD, dose: 0.3, yeastActivity: 0.3, placeC: 2.5 };

/** Learns from what the demo house measured until two weeks ago, and foretells what came after. */
export function foretold(book: HouseBook, now: Date): Foretold {
  const cutMs = now.getTime() - LAST_DAYS * DAY_MS;
  const lots = makeHistory(book, now).filter(({ closeAt }) => new Date(closeAt) < now);
  const measures = makeMeasures(lots, book, now);
  const seen = lots.flatMap((lot) => {
    const records = measures
      .filter((each) => each.lot === lot.id)
      .map(({ key, lot: lotId, at, content }): LotRecord => ({
        id: key,
        lotId,
        at: at.toISOString(),
        receivedAt: null,
        personId: null,
        correctsId: null,
        content,
      }));
    const learn = lotToLearn({ lot, planned: null, records }, book, [], airOf);
    return learn ? [{ learn, isLate: Date.parse(lot.closeAt) >= cutMs }] : [];
  });
  const early = seen.filter(({ isLate }) => !isLate).map(({ learn }) => learn);
  const late = seen.filter(({ isLate }) => isLate).map(({ learn }) => learn);
  const { constants } = learnFrom(early.slice(-MOST_LOTS).reverse());
  const inForce = constants.filter(({ isMoved }) => isMoved).reduce(withConstant, []);
  const off = late.flatMap((lot) => {
    const saw = seenHour(lot);
    const [plain, learned] = [
      firstHour(lot.dough),
      firstHour({ ...lot.dough, constants: inForce }),
    ];
    return saw === null || plain === null || learned === null
      ? []
      : [{ unlearned: 60 * Math.abs(plain - saw), learned: 60 * Math.abs(learned - saw) }];
  });
  return {
    lots: off.length,
    unlearnedMin: median(off.map(({ unlearned }) => unlearned)),
    learnedMin: median(off.map(({ learned }) => learned)),
  };
}

const airOf = (place: string): number | null => {
  const room = TRUE_ROOMS[place];
  return room ? room.setC + ABOVE_SET_C : null;
};

function firstHour(dough: Lot['dough']): number | null {
  const route = routeOfDocument(dough);
  const way =
    route.ok && simulate(route.value, { target: { ...STANDARD_TARGET, ...dough.target } });
  return way && way.ok && way.value.window.kind === 'ready' ? way.value.window.earliestHour : null;
}

/** When a lot began to open well, by its records alone. */
function seenHour({ dough, looks = [], marks = [], readings = [] }: Lot): number | null {
  const route = routeOfDocument(dough);
  if (!route.ok) return null;
  const target = { ...STANDARD_TARGET, ...dough.target };
  const lot = { id: '', day: '', route: route.value, target, looks, marks, readings };
  return narrowLot(lot, OPEN_SPREAD).after?.first.p50 ?? null;
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
