/** Everything about an event that a person edits. */
export interface EventContent {
  /** Local date. */
  readonly date: string;
  /** One service of the day; null is all of them. */
  readonly patternId: string | null;
  /** The same name is the same kind of event. */
  readonly name: string;
  /** What the house expects of it, percent of an ordinary day. */
  readonly expectedPercent: number;
  readonly note: string;
}

/** Something that moves demand on a day. */
export interface HouseEvent extends EventContent {
  readonly id: string;
  readonly version: number;
}
