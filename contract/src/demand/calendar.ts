/** A service that comes every week. */
export interface ServicePatternContent {
  /** Services of one name are one kind: they are forecast together. */
  readonly name: string;
  /** 1 = Monday … 7 = Sunday. */
  readonly weekday: number;
  /** Minutes from local midnight; past 1440 is the next day. */
  readonly startMin: number;
  readonly endMin: number;
  /** Local dates between which it comes, both included; null is for ever. */
  readonly firstDate: string | null;
  readonly lastDate: string | null;
}

/** A kept service pattern. */
export interface ServicePattern extends ServicePatternContent {
  readonly id: string;
  readonly version: number;
}

/** Days on which a service is closed, keeps other hours, or is one with another. */
export interface ServiceExceptionContent {
  /** Local date. */
  readonly date: string;
  /** The last of several days, included; null is that day alone. */
  readonly lastDate: string | null;
  /** Whether these days are such every year from then on. */
  readonly isYearly: boolean;
  /** Null is every service of the day. */
  readonly patternId: string | null;
  /** The service that it is one with: that is open for both, and has the balls of both. Null is none. */
  readonly joinsId: string | null;
  /** Other hours, as in the pattern; null is closed, or one with another. */
  readonly hours: { readonly startMin: number; readonly endMin: number } | null;
  readonly note: string;
}

/** A kept exception. */
export interface ServiceException extends ServiceExceptionContent {
  readonly id: string;
  readonly version: number;
}

/** Balls of a product that usually go at a service of the week: what is had ready until a forecast knows better. */
export interface UsualCount {
  readonly productId: string;
  readonly count: number;
}

/** The usual counts of a service of the week, all of them. */
export interface UsualChange {
  readonly counts: readonly UsualCount[];
}

/** When a house sells: its week, and the days that differ. */
export interface HouseCalendar {
  readonly patterns: readonly ServicePattern[];
  readonly usual: readonly (UsualCount & { readonly patternId: string })[];
  readonly exceptions: readonly ServiceException[];
}
