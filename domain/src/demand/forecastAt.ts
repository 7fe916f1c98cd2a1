import type { Forecast, Service } from '@calm/contract';

/** What is expected of a product at a service; undefined where no forecast says. */
export const forecastAt = (
  forecasts: readonly Forecast[],
  { date, patternId }: Pick<Service, 'date' | 'patternId'>,
  productId: string,
): Forecast | undefined =>
  forecasts.find(
    (each) => each.date === date && each.patternId === patternId && each.productId === productId,
  );

/** How all that is expected scatters, share of its mean: what is booked comes for certain. */
export const spreadOf = ({ mean, booked, cv }: Forecast): number =>
  mean > 0 ? (cv * Math.max(0, mean - booked)) / mean : 0;
