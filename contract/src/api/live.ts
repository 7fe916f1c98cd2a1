/** One thing that was written in a house, told to every device that follows it. */
export interface LiveEvent {
  /** Grows; after a gap a device goes on from the last one it has seen. */
  readonly id: number;
  /** What was written: the address within the house, as in `/lots/…/note`. */
  readonly path: string;
}
