import type { WaitingLot } from '@calm/domain';

/** Balls of one service: wanted, and how many of them open well. */
export interface ServiceShare {
  readonly startMs: number;
  readonly wanted: number;
  readonly well: number;
}

/**
 * Balls of each service, whose hours are asked about one by one.
 *
 * @param hours that follow one another without a gap where they are of one service
 * @param well balls that open well of each hour
 */
export function ballsPerService(
  hours: WaitingLot['services'],
  well: readonly number[],
): readonly ServiceShare[] {
  return hours.reduce<readonly ServiceShare[]>((services, { startMs, balls }, i) => {
    const last = services.at(-1);
    const opened = well[i] ?? 0;
    return last && hours[i - 1]?.endMs === startMs
      ? [
          ...services.slice(0, -1),
          { ...last, wanted: last.wanted + balls, well: last.well + opened },
        ]
      : [...services, { startMs, wanted: balls, well: opened }];
  }, []);
}
