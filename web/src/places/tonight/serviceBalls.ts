import {
  batchesAt,
  HOUR_MS,
  MINUTE_MS,
  nextPulls,
  QUARTER_MIN,
  servingQuarters,
  stageKey,
  serviceStateAt,
  usageCurve,
  workOf,
  type PlannedWork,
  type Pulled,
  type PullWave,
  type Serving,
  type ServingQuarter,
  type ServiceState,
} from '@calm/core';
import {
  AT_ANY_MINUTE,
  ballsToMake,
  currentRecords,
  discardedOf,
  forecastAt,
  lentOf,
  serviceIdOf,
  spreadOf,
  type BoardLot,
} from '@calm/domain';
import type { Forecast, LotRecord, Product, Service, Usage } from '@calm/contract';
import type { DecidedPull } from './decidedPull';
import type { LotWindow } from '../../state/board/lotWindow';
import type { ServiceChances } from '../../workers/engine/engineAnswers';

/** One product at one service: how its balls stand, what is asked for, what to pull next. */
export interface ServiceBalls {
  readonly product: Product;
  readonly serviceId: string;
  readonly need: number;
  /** Balls that are planned and that nobody has mixed: they stand nowhere yet. */
  readonly unmade: number;
  readonly standing: ServiceState;
  /** Each quarter hour of the service, with the pulls that are still to come. */
  readonly quarters: readonly ServingQuarter[];
  /** Waves that are not pulled yet, the next one first. */
  readonly waves: readonly PullWave[];
  /** When doors open, epoch ms: waves count from there. */
  readonly doorsMs: number;
  /** From a pull until its balls open well. */
  readonly temperMin: number;
  /** Null for dough that is never put in the cold. */
  readonly pull: PlannedWork | null;
  /** What the odds are drawn from that balls are enough until close; null where nothing is expected. */
  readonly chances: ServiceChances | null;
}

/** What is known of a service's balls of one product. */
export interface KnownBalls {
  readonly usage: readonly Usage[];
  readonly forecasts: readonly Forecast[];
  /** Of the lot, and of those that lend it balls. */
  readonly records: readonly LotRecord[];
  /** When its balls open well; null while that is not known. */
  readonly window: LotWindow | null;
  /** When what is still in the cold is pulled and opens well, as was decided; calculated when absent or null. */
  readonly decidedPull?: DecidedPull | null;
}

/** Dough whose window nobody knows is taken to keep so long, minutes. */
const KEEPS_MIN = 120;

/** How the balls of a product stand for a service. */
export function serviceBalls(
  lot: BoardLot,
  product: Product,
  service: Service,
  { usage, forecasts, records, window, decidedPull = null }: KnownBalls,
  atMs: number,
): ServiceBalls {
  const serviceId = serviceIdOf(service);
  const doorsMs = Date.parse(service.startsAt);
  const lengthMin = (Date.parse(service.endsAt) - doorsMs) / MINUTE_MS;
  const count = service.counts.find(({ productId }) => productId === product.id);
  const need = count?.count ?? 0;
  const pull = workOf(lot.stages).find(({ key }) => key === 'pull') ?? null;
  const minute = (ms: number) => (ms - doorsMs) / MINUTE_MS;
  const fromMin = window ? minute(window.fromMs) : -30;
  const untilMin = window ? minute(window.untilMs) : fromMin + KEEPS_MIN;
  const temper = lot.stages.find(({ kind, key }) => kind === 'rest' && key === 'temper');
  const planned = temper ? (temper.endMs - temper.startMs) / MINUTE_MS : 0;
  // Balls open well some time before doors, or the plan's whole warming has to do.
  const temperMin = pull
    ? Math.max(0, Math.min(planned, fromMin - minute(pull.endMs)) || planned)
    : 0;
  const keepMin = Math.max(QUARTER_MIN, untilMin - fromMin);
  const borrowed = borrowedFor(lot, product, serviceId, records, minute);
  const own = madeFor(lot, product, need, count ? ballsToMake(count) : 0, records);
  const made = borrowed.reduce((sum, { balls }) => sum + balls, own);
  const known = usage.find(
    (each) => each.service === service.name && each.productId === product.id,
  );
  const curve = evened(known?.curve ?? [], lengthMin);
  const pulled = [
    ...pulledOf(lot, product, serviceId, pull, records, own, { fromMin, temperMin, minute }),
    ...borrowed,
  ];
  const told = forecastAt(forecasts, service, product.id);
  const forecast = told && told.mean > 0 ? told : null;
  const expected = forecast ? expectedBy(forecast, need) : need;
  const serving: Serving = {
    curve,
    need: expected,
    ...(forecast && { spread: { cv: spreadOf(forecast), cover: AT_ANY_MINUTE } }),
    made,
    pulled,
    temperMin,
    keepMin,
    ripeFromMin: fromMin,
    coldUntilMin: coldUntil(lot, minute) ?? untilMin,
  };
  const atMin = minute(atMs);
  const standing = serviceStateAt(serving, atMin);
  const inCold = standing.cold + standing.notYet;
  const waves = !pull
    ? []
    : decidedPull && inCold > 0
      ? [decidedWave(decidedPull, inCold, product.ballsPerTray, minute)]
      : nextPulls(serving, product.ballsPerTray, atMin);
  const all = [
    ...pulled,
    ...waves.map(({ readyMin, balls }) => ({ atMin: readyMin - temperMin, balls })),
  ];
  return {
    product,
    serviceId,
    need,
    unmade: lot.lot ? 0 : count ? ballsToMake(count) : 0,
    standing,
    quarters: servingQuarters({ ...serving, pulled: all }),
    waves,
    doorsMs,
    temperMin,
    pull,
    chances: serving.spread
      ? chancesOf({ ...serving, pulled: all }, atMin, serving.spread.cv)
      : null,
  };
}

/** All that is in the cold, pulled as was decided. */
function decidedWave(
  { pullMs, opensMs, endsMs }: DecidedPull,
  cold: number,
  ballsPerTray: number,
  minute: (ms: number) => number,
): PullWave {
  const balls = Math.round(cold);
  return {
    pullMin: minute(pullMs),
    readyMin: minute(opensMs),
    goodUntilMin: minute(endsMs),
    trays: Math.ceil(balls / ballsPerTray),
    balls,
  };
}

/** Why there is no wave to pull: enough is out, it would come too late for the service, or what is cold does not keep. */
export type NoWave = 'covered' | 'tooLate' | 'pastIt';

/** Why no wave is left, at a moment. @param atMs epoch ms */
export function whyNoWave({ quarters, doorsMs, temperMin }: ServiceBalls, atMs: number): NoWave {
  const atMin = (atMs - doorsMs) / MINUTE_MS;
  const toCome = quarters.filter(({ startMin }) => startMin + QUARTER_MIN > atMin);
  const missing = toCome.reduce((sum, { short }) => sum + short, 0);
  if (missing < 1) return 'covered';
  return atMin + temperMin >= quarters.length * QUARTER_MIN ? 'tooLate' : 'pastIt';
}

/** What the odds are drawn from that balls are enough from a moment on, with all pulls that are to come. */
const chancesOf = (serving: Serving, atMin: number, cv: number): ServiceChances => ({
  perQuarter: serving.curve.map((share) => share * serving.need),
  cv,
  batches: batchesAt(serving, atMin),
  fromMin: Math.max(0, atMin),
});

/** Balls that are expected to go: a house that has more ready than the forecast asks for expects more. */
const expectedBy = ({ mean, ready }: Forecast, count: number): number =>
  mean * (ready > 0 ? Math.max(1, count / ready) : 1);

/** A curve of as many quarters as the service has, summing to one. */
function evened(curve: readonly number[], lengthMin: number): readonly number[] {
  const even = usageCurve([], lengthMin);
  const cut = even.map((_, i) => curve[i] ?? 0);
  const sum = cut.reduce((a, b) => a + b, 0);
  return sum > 0 ? cut.map((share) => share / sum) : even;
}

/** Balls of the lot that are for the service: what it asks for, as far as what was not thrown away goes. */
function madeFor(
  { items, lot }: BoardLot,
  product: Product,
  need: number,
  toMake: number,
  records: readonly LotRecord[],
): number {
  const carried = need - toMake;
  // What nobody has mixed yet is not there.
  if (!lot) return carried;
  const made = items.find(({ productId }) => productId === product.id)?.count ?? 0;
  const gone = discardedOf(records, lot.id, product.id) + lentOf(records, lot, product.id);
  return Math.min(Math.max(0, made - gone), toMake) + carried;
}

/** Balls of other lots, made for other days, that were pulled for this service. */
function borrowedFor(
  { lot }: BoardLot,
  product: Product,
  serviceId: string,
  records: readonly LotRecord[],
  minute: (ms: number) => number,
): Pulled[] {
  return currentRecords(records, 'pulled')
    .filter(
      ({ lotId, content }) =>
        lotId !== lot?.id &&
        content.productId === product.id &&
        content.serviceId === serviceId &&
        content.balls > 0,
    )
    .map(({ at, content: { balls } }) => ({ atMin: minute(Date.parse(at)), balls }));
}

function pulledOf(
  { lot, doorsMs: lotDoorsMs }: BoardLot,
  product: Product,
  serviceId: string,
  pull: PlannedWork | null,
  records: readonly LotRecord[],
  made: number,
  at: {
    readonly fromMin: number;
    readonly temperMin: number;
    readonly minute: (ms: number) => number;
  },
): Pulled[] {
  if (!lot) return [];
  // Never in the cold: ready by itself when its window opens.
  if (!pull) return [{ atMin: at.fromMin - at.temperMin, balls: made }];
  const taken = currentRecords(records, 'pulled')
    .filter((each) => each.lotId === lot.id && each.content.productId === product.id)
    .map((each) => ({ ...each.content, atMin: at.minute(Date.parse(each.at)) }));
  const mine = taken.filter((each) => each.serviceId === serviceId && each.balls > 0);
  if (taken.length > 0) return mine.map(({ atMin, balls }) => ({ atMin, balls }));
  // Ticked off without waves: what is for the lot's first service came out then.
  if (at.minute(lotDoorsMs) !== 0) return [];
  const mark = lot.marks.find(
    ({ loadNumber, stepKey }) => loadNumber === 0 && stepKey === stageKey(pull),
  );
  return mark?.doneAt ? [{ atMin: at.minute(Date.parse(mark.doneAt)), balls: made }] : [];
}

/** When what is still in the cold has been there as long as its route allows, minutes from doors. */
function coldUntil(lot: BoardLot, minute: (ms: number) => number): number | null {
  const cold = lot.stages.findLast(({ kind, key }) => kind === 'rest' && key === 'cold');
  if (cold?.kind !== 'rest') return null;
  return minute(cold.startMs + cold.hours.most * HOUR_MS);
}
