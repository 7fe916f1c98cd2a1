import { goneBy, QUARTER_MIN, type UsageCurve } from './usage';

/** Balls that came out of the cold together. Minutes from the opening of doors. */
export interface Pulled {
  readonly atMin: number;
  readonly balls: number;
}

/** A service's balls of one product, those pulled and those still in the cold. */
export interface Serving {
  readonly curve: UsageCurve;
  /** Balls that the service is going to take. */
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
}

/** How the balls of a service stand at a moment; all are made balls, none twice. */
export interface Standing {
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

/** Step of the reckoning, minutes: finer than anybody pulls or sells. */
const STEP_MIN = 5;

/**
 * Follows the balls of a service from doors on, oldest wave first: guests take what is ready, and what
 * nobody took in time is past it.
 *
 * @param atMin the moment that is asked about, minutes from doors
 */
export function standingAt(serving: Serving, atMin: number): Standing {
  const { batches, used, short } = followed(serving, atMin);
  const { made, ripeFromMin, coldUntilMin, temperMin } = serving;
  const sum = (those: (batch: Batch) => boolean) =>
    batches.filter(those).reduce((balls, { left }) => balls + left, 0);
  const past = sum(({ goodUntilMin }) => goodUntilMin <= atMin);
  const warming = sum(({ readyMin }) => readyMin > atMin);
  const out = serving.pulled.reduce(
    (balls, pull) => balls + (pull.atMin <= atMin ? pull.balls : 0),
    0,
  );
  const inside = Math.max(0, made - out);
  const isRipe = atMin + temperMin >= ripeFromMin;
  const isPast = atMin >= coldUntilMin;
  return {
    ready: sum(({ readyMin, goodUntilMin }) => readyMin <= atMin && goodUntilMin > atMin),
    warming,
    cold: isRipe && !isPast ? inside : 0,
    notYet: isRipe || isPast ? 0 : inside,
    past: past + (isPast ? inside : 0),
    used,
    short,
  };
}

/** Every quarter hour of a service: what is asked for in it and what is ready for it. */
export function servingQuarters(serving: Serving): ServingQuarter[] {
  const { curve, need } = serving;
  return curve.map((share, i) => {
    const startMin = i * QUARTER_MIN;
    const before = followed(serving, startMin);
    const after = followed(serving, startMin + QUARTER_MIN);
    return {
      startMin,
      need: share * need,
      ready: standingAt(serving, startMin).ready,
      short: after.short - before.short,
    };
  });
}

function followed({ curve, need, pulled, temperMin, keepMin }: Serving, atMin: number) {
  const batches: Batch[] = pulled
    .filter((pull) => pull.atMin <= atMin)
    .map((pull) => ({
      readyMin: pull.atMin + temperMin,
      goodUntilMin: pull.atMin + temperMin + keepMin,
      left: pull.balls,
    }))
    .sort((a, b) => a.readyMin - b.readyMin);
  let [used, short] = [0, 0];
  for (let from = 0; from < atMin; from += STEP_MIN) {
    const until = Math.min(atMin, from + STEP_MIN);
    let asked = need * (goneBy(curve, until) - goneBy(curve, from));
    for (const batch of batches) {
      if (batch.readyMin > from || batch.goodUntilMin <= from) continue;
      const taken = Math.min(asked, batch.left);
      batch.left -= taken;
      asked -= taken;
      used += taken;
    }
    short += asked;
  }
  return { batches, used, short };
}
