/** Input of `calm wave`: minutes on one clock, of any kind. */
export interface WaveDocument {
  readonly service: { readonly startMin: number; readonly endMin: number };
  /** Balls expected in each quarter of an hour. */
  readonly perQuarter: readonly number[];
  /** How evenings scatter as a whole, share. */
  readonly spread: number;
  /** What is out of the cold already. */
  readonly batches: readonly {
    readonly balls: number;
    readonly readyMin: number;
    readonly lastMin: number;
  }[];
  readonly trayBalls: number;
  /** Trays in the cold. */
  readonly trays: number;
  readonly temperMin: number;
  readonly keepMin: number;
  /** How often there shall be enough at every minute, 0–1. */
  readonly cover: number;
}

/** What `calm wave` answers. */
export interface WavesDocument {
  readonly waves: readonly {
    readonly pullMin: number;
    readonly trays: number;
    readonly balls: number;
  }[];
  /** That there is enough at every minute, 0–1. */
  readonly odds: number;
  /** The first minute that runs short at what is expected; null where none does. */
  readonly shortFromMin: number | null;
}

/** Input of `calm ready`. */
export interface ReadyDocument {
  readonly sales: readonly {
    readonly date: string;
    readonly sold: number;
    readonly soldOutMin: number | null;
  }[];
  /** Share of an evening's balls in each quarter of an hour. */
  readonly usage: readonly number[];
  readonly openMin: number;
  readonly closeMin: number;
  /** Share of services that shall have enough … */
  readonly cover?: number;
  /** … or what a missing and a left ball cost. */
  readonly costs?: { readonly short: number; readonly left: number };
}

/** What `calm ready` answers: balls. */
export interface ReadyAnswerDocument {
  readonly expected: number;
  readonly sd: number;
  readonly ready: number;
}
