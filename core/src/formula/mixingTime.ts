/** How dough is worked. */
export type MixingKind = 'spiral' | 'fork' | 'planetary' | 'hand';

/** Hands by how used they are to dough, the newest first. */
export const EXPERIENCES = ['new', 'used', 'practised'] as const;

/** How used hands are to dough. */
export type Experience = (typeof EXPERIENCES)[number];

/** Dough on its way through a mixer, or under hands. */
export interface Bowl {
  readonly kind: MixingKind;
  readonly doughKg: number;
  /** What the mixer may take of this dough, or one pair of hands in one piece. */
  readonly maxDoughKg: number;
  readonly hydrationPercent: number;
  /** Of the hands; `practised` when absent. A machine does not ask. */
  readonly experience?: Experience;
}

/** Minutes of work until dough holds together: at least, usually, at most. */
export interface MixingTime {
  readonly leastMin: number;
  readonly usualMin: number;
  readonly mostMin: number;
}

/** Minutes for dough of usual wetness: in a bowl half full, or 1.5 kg under practised hands. Starting values (craft). */
const MINUTES: Readonly<Record<MixingKind, number>> = {
  spiral: 10,
  planetary: 11,
  fork: 13,
  hand: 14,
};
const HAND_KG = 1.5;
/** More dough takes longer: of the time at its starting load, what does not hang on the load. */
const HAND_FIXED = 0.7;
const BOWL_FIXED = 0.85;
/** New hands do less in a minute. */
const SLOWER: Readonly<Record<Experience, number>> = { new: 1.4, used: 1.15, practised: 1 };
/** Between these, percent water, dough takes no longer; each point beyond adds its share. */
const USUAL_WATER = { from: 58, to: 64 } as const;
const PER_POINT = { wet: 0.015, stiff: 0.01, stiffByHand: 0.03 } as const;
/** Least and most are so many times the usual. */
const RANGE = { least: 0.8, most: 1.3 } as const;

/**
 * How long a load is worked: by mixer, load and hydration; by hand by batch, hydration and experience. Starting
 * values that a house's own method goes before.
 *
 * @returns whole minutes of work, without rests
 * @example
 * mixingTime({ kind: 'hand', doughKg: 1.5, maxDoughKg: 6, hydrationPercent: 62 }).usualMin; // 14
 */
export function mixingTime(bowl: Bowl): MixingTime {
  const minutes = MINUTES[bowl.kind] * loadFactor(bowl) * waterFactor(bowl) * handsFactor(bowl);
  return {
    leastMin: Math.round(minutes * RANGE.least),
    usualMin: Math.round(minutes),
    mostMin: Math.round(minutes * RANGE.most),
  };
}

function loadFactor({ kind, doughKg, maxDoughKg }: Bowl): number {
  if (kind === 'hand') return HAND_FIXED + ((1 - HAND_FIXED) * doughKg) / HAND_KG;
  const fill = Math.min(1, Math.max(0, doughKg / maxDoughKg));
  return BOWL_FIXED + (1 - BOWL_FIXED) * 2 * fill;
}

function waterFactor({ kind, hydrationPercent }: Bowl): number {
  const wet = Math.max(0, hydrationPercent - USUAL_WATER.to);
  const stiff = Math.max(0, USUAL_WATER.from - hydrationPercent);
  return 1 + PER_POINT.wet * wet + PER_POINT[kind === 'hand' ? 'stiffByHand' : 'stiff'] * stiff;
}

const handsFactor = ({ kind, experience = 'practised' }: Bowl): number =>
  kind === 'hand' ? SLOWER[experience] : 1;

/** A step of a mixing method, as far as the clock goes. */
export interface TimedMethodStep {
  readonly minutes?: number;
  /** Of the mixer, or by hand; dough stands at a step without one. */
  readonly speed?: 'slow' | 'fast' | 'hand';
}

/** What a method asks of a load: minutes of work, and minutes at which it stands in the bowl. */
export interface MethodTime {
  readonly workedMin: number;
  readonly standsMin: number;
}

/** A method's minutes; null where no step has any. */
export function methodTime(steps: readonly TimedMethodStep[]): MethodTime | null {
  const timed = steps.filter(({ minutes = 0 }) => minutes > 0);
  if (timed.length === 0) return null;
  const sumOf = (isWorked: boolean) =>
    timed.reduce(
      (sum, { minutes = 0, speed }) => ((speed !== undefined) === isWorked ? sum + minutes : sum),
      0,
    );
  return { workedMin: sumOf(true), standsMin: sumOf(false) };
}

/**
 * A method's minutes for one load in another bowl than it is told for: work takes as much longer as it usually does
 * there, dough stands as long.
 *
 * @param time as told
 * @param toldFor the bowl that the method is told for
 */
export function minutesInBowl(time: MethodTime, toldFor: Bowl, bowl: Bowl): number {
  const factor = mixingTime(bowl).usualMin / mixingTime(toldFor).usualMin;
  return Math.ceil(time.workedMin * factor + time.standsMin);
}
