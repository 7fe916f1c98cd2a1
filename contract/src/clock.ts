/** The house's one clock. Devices follow it, so a tablet with a wrong clock still plans right. */
export interface ClockReading {
  /** ISO 8601, UTC. */
  readonly now: string;
  /** True when the clock stands still, for tests and pictures. */
  readonly isFixed: boolean;
}
