import type { HouseCalendar, Usage } from '@calm/contract';
import { QUARTER_MIN, usageCurve, type RanOut, type SaleMoment } from '@calm/core';
import { readProductIds } from '../../store/book/products';
import { readQuarters, readRanOut } from '../../store/demand/sales';
import type { Scope } from '../../database/scope';
import { addDays } from '@calm/domain';

/** How guests come changes with the season: what is older says nothing. */
const DAYS_BACK = 70;

/** How the balls of each product go through each kind of service, from what went by quarter hours. */
export async function usageOf(
  scope: Scope,
  calendar: HouseCalendar,
  today: string,
): Promise<Usage[]> {
  const from = addDays(today, -DAYS_BACK);
  const [quarters, evenings, productIds] = await Promise.all([
    readQuarters(scope, from, today),
    readRanOut(scope, from, today),
    readProductIds(scope),
  ]);
  const kinds = [...new Set(calendar.patterns.map(({ name }) => name))];
  return kinds.flatMap((service) => {
    const patterns = calendar.patterns.filter(({ name }) => name === service);
    const ids = new Set(patterns.map(({ id }) => id));
    const lengthMin = Math.max(...patterns.map(({ startMin, endMin }) => endMin - startMin));
    const startOf = (patternId: string) =>
      patterns.find(({ id }) => id === patternId)?.startMin ?? 0;
    const ranOutOf = (productId: string) =>
      evenings.flatMap((evening): RanOut[] =>
        evening.productId === productId && ids.has(evening.patternId) && evening.soldOutMin !== null
          ? [{ atMin: evening.soldOutMin - startOf(evening.patternId), balls: evening.sold }]
          : [],
      );
    return productIds.map((productId): Usage => {
      const moments = quarters
        .filter((each) => each.productId === productId && ids.has(each.patternId))
        .map(({ quarter, sold }): SaleMoment => ({ minute: quarter * QUARTER_MIN, balls: sold }));
      return {
        service,
        productId,
        curve: usageCurve(moments, lengthMin, ranOutOf(productId)),
        balls: moments.reduce((sum, { balls }) => sum + balls, 0),
      };
    });
  });
}
