/** One thing that was written in a house, told to every device that follows it. */
export interface LiveEvent {
  /** Grows; after a gap a device goes on from the last one it has seen. */
  readonly id: number;
  /** What was written: the address within the house, as in `/lots/…/note`. */
  readonly path: string;
}

/** The server says on a quiet line that it is still there: name of the event, and how often, ms. */
export const LIVE_HEARTBEAT = { event: 'alive', everyMs: 2000 } as const;
