/** Where a count comes from: the weekday's usual, or somebody's choice. */
export type CountOrigin = 'usual' | 'chosen';

/** Balls of one product wanted at one service. */
export interface ProductCount {
  readonly productId: string;
  readonly count: number;
  readonly origin: CountOrigin;
  /** The weekday's usual, to go back to. */
  readonly usual: number;
  /** 0 until somebody chooses; a write carries the version it read. */
  readonly version: number;
  /** Of these, balls that are made already and still good, oldest first; the rest is to be made. */
  readonly carried?: readonly CarriedBalls[];
}

/** Balls of an earlier lot that a service can use. */
export interface CarriedBalls {
  readonly lotCode: string;
  readonly count: number;
}

/** One period of selling. */
export interface Service {
  /** The service's place in the week pattern. */
  readonly patternId: string;
  /** `lunch`, `dinner`, or the house's own name. */
  readonly name: string;
  /** Local date it belongs to, `YYYY-MM-DD`, also when it ends past midnight. */
  readonly date: string;
  /** ISO 8601, UTC. */
  readonly startsAt: string;
  readonly endsAt: string;
  readonly counts: readonly ProductCount[];
}

/** A new count. Null goes back to the usual. */
export interface CountChange {
  readonly count: number | null;
  readonly version: number;
}

/** One of several counts that are changed together. */
export interface CountOfMany extends CountChange {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
}

/** Several counts at once: all of them, or none. */
export interface CountsChange {
  readonly counts: readonly CountOfMany[];
}
