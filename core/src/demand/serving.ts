import { demandQuantile, type DemandSpread } from './distribution';
import type { ReadyBatch } from './serviceOdds';
import { goneBy, QUARTER_MIN, type UsageCurve } from './usage';

/** One pull: whole trays out of the cold together. Minutes from the opening of doors; before is below 0. */
export interface PullWave {
  readonly pullMin: number;
  readonly readyMin: number;
  /** Until when its balls must be used. */
  readonly goodUntilMin: number;
  readonly trays: number;
  readonly balls: number;
}

/** Balls that came out of the cold together. Minutes from the opening of doors. */
export interface Pulled {
  readonly atMin: number;
  readonly balls: number;
  /** How long they keep once they open well, where that is known of them; else as the service's. */
  readonly keepMin?: number;
}

/** A service's balls of one product, those pulled and those still in the cold. */
export interface Serving {
  readonly curve: UsageCurve;
  /** Balls that the service is expected to take. */
  readonly need: number;
  /** Balls that were made for it. */
  readonly made: number;
  readonly pulled: readonly Pulled[];
  /** From the pull until a ball opens well, minutes. */
  readonly temperMin: number;
  /** From then until it is past it, minutes. */
  readonly keepMin: number;
  /** From when on a pull gives balls that open well: before, they are too young. */
  readonly ripeFromMin: number;
  /** From when on what is still cold is past it too. */
  readonly coldUntilMin: number;
  /** How evenings scatter around what is expected of them; waves are then out in time for most of them. */
  readonly spread?: DemandSpread & {
    /** How often there shall be enough at any one minute, 0–1. */
    readonly cover: number;
  };
}

/** How the balls of a service stand at a moment; all are made balls, none twice. */
export interface ServiceState {
  /** Open well now. */
  readonly ready: number;
  /** Out of the cold, and not warm enough yet. */
  readonly warming: number;
  /** Ripe, and still in the cold: can be pulled now. */
  readonly cold: number;
  /** In the cold and too young to pull. */
  readonly notYet: number;
  /** Open badly now: past their window. */
  readonly past: number;
  /** Taken by guests. */
  readonly used: number;
  /** Asked for and not there, since doors. */
  readonly short: number;
}

/** A stretch of a service: what is asked for in it, and what stands ready for it. */
export interface ServingQuarter {
  readonly startMin: number;
  readonly need: number;
  /** Ready as it begins, with all pulls so far. */
  readonly ready: number;
  readonly short: number;
}

interface Batch {
  readonly readyMin: number;
  readonly goodUntilMin: number;
  left: number;
}

/** Step of the calculation, minutes: a wave is timed to the minute that runs short, not to a quarter. */
const STEP_MIN = 1;

/**
 * Follows the balls of a service from doors on, oldest wave first: guests take what is ready, and what
 * nobody took in time is past it.
 *
 * @param atMin the moment that is asked about, minutes from doors
 */
export function serviceStateAt(serving: Serving, atMin: number): ServiceState {
  const pulled = serving.pulled.filter((pull) => pull.atMin <= atMin);
  const evening = new ServiceSimulation({ ...serving, pulled });
  evening.goOn(atMin);
  const { batches, used, short } = evening;
  const { made, ripeFromMin, coldUntilMin, temperMin } = serving;
  const sum = (those: (batch: Batch) => boolean) =>
    batches.filter(those).reduce((balls, { left }) => balls + left, 0);
  const past = sum(({ goodUntilMin }) => goodUntilMin <= atMin);
  const warming = sum(({ readyMin }) => readyMin > atMin);
  const out = pulled.reduce((balls, pull) => balls + pull.balls, 0);
  const inside = Math.max(0, made - out);
  const isRipe = atMin + temperMin >= ripeFromMin;
  const isPast = atMin >= coldUntilMin;
  return {
    ready: evening.readyAt(atMin),
    warming,
    cold: isRipe && !isPast ? inside : 0,
    notYet: isRipe || isPast ? 0 : inside,
    past: past + (isPast ? inside : 0),
    used,
    short,
  };
}

/**
 * What is left at a moment of the balls that were pulled, or will be: what the odds of a service are drawn from.
 *
 * @param atMin the moment, minutes from doors
 */
export function batchesAt(serving: Serving, atMin: number): ReadyBatch[] {
  const evening = new ServiceSimulation(serving);
  evening.goOn(atMin);
  return evening.batches.map(({ left, readyMin, goodUntilMin }) => ({
    balls: left,
    readyMin,
    lastMin: goodUntilMin,
  }));
}

/** Every quarter hour of a service: what is asked for in it and what is ready for it. */
export function servingQuarters(serving: Serving): ServingQuarter[] {
  const evening = new ServiceSimulation(serving);
  return serving.curve.map((share, i) => {
    const startMin = i * QUARTER_MIN;
    const ready = evening.readyAt(startMin);
    const before = evening.short;
    evening.goOn(startMin + QUARTER_MIN);
    return { startMin, need: share * serving.need, ready, short: evening.short - before };
  });
}

/** Less than this is rounding. */
const NOTHING = 1e-6;
/** Waves of whole balls together are off by no more. */
const ROUNDED_BALLS = 3;

/**
 * What is to be pulled when, beyond what is out already: each wave is ready in the minute that what is there might run
 * out (at what is expected to have gone by then and, with a spread, so much more as covers most evenings), and holds
 * what goes while it is good, as whole trays. Nothing is pulled before it is ripe, or after what is cold is over too.
 * Waves that should have come out before `atMin` come out then.
 *
 * @returns in time's order; `pullMin` is when it is due, which may be past
 * @throws RangeError when trays hold nothing, or balls keep less than a quarter of an hour
 */
export function nextPulls(serving: Serving, ballsPerTray: number, atMin: number): PullWave[] {
  const { made, temperMin, keepMin, curve, ripeFromMin, coldUntilMin } = serving;
  if (!(ballsPerTray >= 1)) throw new RangeError('a tray holds at least a ball');
  if (!(keepMin >= QUARTER_MIN)) throw new RangeError('balls keep at least a quarter of an hour');
  let inside = made - serving.pulled.reduce((sum, { balls }) => sum + balls, 0);
  let pulled = serving.pulled;
  const waves: PullWave[] = [];
  // What is pulled now can serve nobody sooner.
  const soonest = Math.max(atMin + temperMin, ripeFromMin);
  // Each wave covers at least a quarter more.
  for (let i = 0; i < 2 * curve.length && inside >= 1; i += 1) {
    const shorts = shortByMinute({ ...serving, pulled }, serving.spread);
    const first = shorts.findIndex((short, minute) => short > NOTHING && minute + 1 > soonest);
    if (first < 0) break;
    const dueFor = waves.length === 0 ? shorts.findIndex((short) => short > NOTHING) : first;
    const readyMin = Math.max(first, soonest);
    if (readyMin - temperMin >= coldUntilMin) break;
    const until = Math.min(shorts.length, readyMin + keepMin);
    let [missing, later] = [0, 0];
    for (let minute = first; minute < shorts.length; minute += 1) {
      if (minute < until) missing += shorts[minute] ?? 0;
      else later += shorts[minute] ?? 0;
    }
    const balls = waveOf(missing, later, Math.floor(inside + NOTHING), ballsPerTray);
    waves.push({
      pullMin: Math.min(dueFor, readyMin) - temperMin,
      readyMin,
      goodUntilMin: readyMin + keepMin,
      trays: Math.ceil(balls / ballsPerTray),
      balls,
    });
    inside -= balls;
    pulled = [...pulled, { atMin: readyMin - temperMin, balls }];
  }
  return waves;
}

/**
 * Balls of a wave: whole trays, as long as enough stays cold for what comes later; where it does not, what is wanted
 * and no more of the last tray; and of what is too little for a busy evening, its share, so that whoever comes last is
 * not the one who goes without.
 */
function waveOf(missing: number, later: number, inside: number, ballsPerTray: number): number {
  const whole = Math.max(1, Math.ceil((missing - NOTHING) / ballsPerTray)) * ballsPerTray;
  if (inside - whole >= later - NOTHING) return Math.min(inside, whole);
  const wanted = Math.ceil(missing - NOTHING);
  // Whole balls are out by one a wave: that is no scarcity.
  const isScarce = inside < missing + later - ROUNDED_BALLS;
  const share = Math.ceil((inside * missing) / (missing + later) - NOTHING);
  return Math.min(inside, Math.max(1, isScarce ? Math.min(wanted, share) : wanted));
}

/** The first minute in which guests go without; null where none do. */
export function shortFromMin(serving: Serving): number | null {
  const first = shortByMinute(serving).findIndex((short) => short > NOTHING);
  return first < 0 ? null : first;
}

/** What guests go without, minute by minute of the service; on an evening as busy as the spread covers. */
function shortByMinute(serving: Serving, spread?: Serving['spread']): Float64Array {
  const evening = new ServiceSimulation(serving, spread);
  return Float64Array.from({ length: serving.curve.length * QUARTER_MIN }, (_, minute) => {
    const before = evening.short;
    evening.goOn(minute + 1);
    return evening.short - before;
  });
}

/** A service's balls as guests take them, from doors on. */
class ServiceSimulation {
  readonly batches: readonly Batch[];
  used = 0;
  short = 0;
  private atMin = 0;

  constructor(
    private readonly serving: Serving,
    private readonly spread?: Serving['spread'],
  ) {
    const { pulled, temperMin, keepMin } = serving;
    this.batches = pulled
      .map((pull) => ({
        readyMin: pull.atMin + temperMin,
        goodUntilMin: pull.atMin + temperMin + (pull.keepMin ?? keepMin),
        left: pull.balls,
      }))
      .sort((a, b) => a.goodUntilMin - b.goodUntilMin);
  }

  /** Lets guests take what is ready until a moment, oldest wave first. */
  goOn(untilMin: number): void {
    while (this.atMin < untilMin) {
      const from = this.atMin;
      // Steps end with quarters, so that each lies within one.
      const to = Math.min(untilMin, (Math.floor(from / STEP_MIN) + 1) * STEP_MIN);
      let asked = this.askedBy(to) - this.askedBy(from);
      for (const batch of this.batches) {
        if (asked === 0) break;
        if (batch.readyMin > from || batch.goodUntilMin <= from) continue;
        const taken = Math.min(asked, batch.left);
        batch.left -= taken;
        asked -= taken;
        this.used += taken;
      }
      this.short += asked;
      this.atMin = to;
    }
  }

  /** Balls that guests have asked for by a minute. */
  private askedBy(minute: number): number {
    const { curve, need } = this.serving;
    const expected = need * goneBy(curve, minute);
    if (!this.spread) return expected;
    return Math.max(expected, demandQuantile(expected, this.spread, this.spread.cover));
  }

  /** Balls that open well at a moment. */
  readyAt(atMin: number): number {
    let ready = 0;
    for (const { readyMin, goodUntilMin, left } of this.batches) {
      if (readyMin <= atMin && goodUntilMin > atMin) ready += left;
    }
    return ready;
  }
}
