/** Work that needs a person with a skill. */
export type Skill = (typeof SKILLS)[number];

/** Every skill, in dough's order. */
export const SKILLS = ['mix', 'ball', 'sheet', 'cold', 'oven'] as const;

/** What a person does to a lot. */
export type WorkKey = (typeof WORK_KEYS)[number];
export const WORK_KEYS = [
  'preferment-mix',
  'weigh',
  'mix',
  'divide-ball',
  'sheet',
  'pan',
  'chill',
  'pull',
] as const;

/** What a lot does by itself. */
export type RestKey = (typeof REST_KEYS)[number];
export const REST_KEYS = ['preferment', 'rest', 'bulk', 'cold', 'temper'] as const;

/** What the dough stands in; decides how fast it takes the room's temperature. */
export type Container = (typeof CONTAINERS)[number];
export const CONTAINERS = [
  'tub',
  'single-tub',
  'lidded-tray',
  'stacked-tray',
  'open-tray',
] as const;

/** What lies over dough while it stands. */
export type Cover = (typeof COVERS)[number];
export const COVERS = ['lid', 'film', 'damp-cloth', 'none'] as const;

/** What is spread under balls before they are set down. */
export type Under = (typeof UNDERS)[number];
export const UNDERS = ['flour', 'semolina', 'oil', 'none'] as const;

/** Time a piece of work takes, minutes; the house's own rates. */
export interface WorkRate {
  readonly fixedMin: number;
  readonly perLoadMin?: number;
  readonly perHundredBallsMin?: number;
}

/** A stage with hands on it. */
export interface WorkStage {
  readonly kind: 'work';
  readonly key: WorkKey;
  readonly skill: Skill;
  readonly people: 1 | 2;
  readonly rate: WorkRate;
}

/** A stage that only takes time, in a place. */
export interface RestStage {
  readonly kind: 'rest';
  readonly key: RestKey;
  readonly place: string;
  readonly airTempC: number;
  readonly container: Container;
  readonly hours: { readonly least: number; readonly preferred: number; readonly most: number };
  /** What is done to the dough as it begins; balling happens by itself at the first ball. */
  readonly shaping?: 'ball' | 'knock-back' | 'gentle';
  /** Over it, and under it; what nobody has said is not told. */
  readonly cover?: Cover;
  readonly under?: Under;
  /** Ends it early, when the rise since the last shaping gets here. */
  readonly untilRise?: number;
}

/** One stage of a route. */
export type Stage = WorkStage | RestStage;

/** The ordered stages from flour to the opening of the doors. */
export type Route = readonly Stage[];

/** What a lot's size asks of its work. */
export interface LotSize {
  readonly loads: number;
  readonly balls: number;
}

/**
 * Minutes one stage of work takes.
 *
 * @returns minutes, never less than 1
 */
export function workMinutes(rate: WorkRate, size: LotSize): number {
  const minutes =
    rate.fixedMin +
    (rate.perLoadMin ?? 0) * size.loads +
    ((rate.perHundredBallsMin ?? 0) * size.balls) / 100;
  return Math.max(1, Math.round(minutes));
}

/**
 * A route whose mixing takes so many minutes for each load; what goes before and after is as the route says.
 *
 * @param perLoadMin minutes, for one load
 */
export const routeMixedIn = (route: Route, perLoadMin: number): Route =>
  route.map((stage) =>
    stage.kind === 'work' && stage.key === 'mix'
      ? { ...stage, rate: { ...stage.rate, perLoadMin } }
      : stage,
  );
