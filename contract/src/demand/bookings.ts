/** Balls of one product that a party takes. */
export interface BookedBalls {
  readonly productId: string;
  readonly count: number;
}

/** A party that comes on top of an ordinary service. */
export interface BookingContent {
  readonly date: string;
  readonly patternId: string;
  readonly name: string;
  readonly guests: number;
  /** What it takes beyond what an ordinary service sells. */
  readonly balls: readonly BookedBalls[];
  readonly note: string;
}

/** A kept booking. */
export interface Booking extends BookingContent {
  readonly id: string;
  readonly version: number;
}
