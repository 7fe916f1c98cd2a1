import type { Forecast } from '@calm/contract';

/** How all that is expected scatters, share of its mean: what is booked comes for certain. */
export const spreadOf = ({ mean, booked, cv }: Forecast): number =>
  mean > 0 ? (cv * Math.max(0, mean - booked)) / mean : 0;
