/** The house's one clock. Devices follow it, so a tablet with a wrong clock still plans right. */
export interface ClockReading {
  /** ISO 8601, UTC. */
  readonly now: string;
  /** How fast it goes: 1 in a house at work, more for practice, 0 when it stands still for pictures. */
  readonly speed: number;
}
