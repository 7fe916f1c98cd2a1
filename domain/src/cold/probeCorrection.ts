import { offsetAt } from '@calm/core';
import type { ProbeContent } from '@calm/contract';

/** What a probe is corrected by at a moment, °C. @param atS s since the epoch */
export const correctionC = ({ calibrations }: ProbeContent, atS: number): number =>
  offsetAt(
    calibrations.map(({ from, offsetC }) => ({ fromS: Date.parse(from) / 1000, offsetC })),
    atS,
  );
