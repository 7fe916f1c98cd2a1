import type { HouseCalendar, Usage } from '@calm/contract';
import { QUARTER_MIN, usageCurve, type SaleMoment } from '@calm/core';
import { readProductIds } from '../../store/book/products';
import { readQuarters } from '../../store/demand/sales';
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
  const [quarters, productIds] = await Promise.all([
    readQuarters(scope, addDays(today, -DAYS_BACK), today),
    readProductIds(scope),
  ]);
  const kinds = [...new Set(calendar.patterns.map(({ name }) => name))];
  return kinds.flatMap((service) => {
    const patterns = calendar.patterns.filter(({ name }) => name === service);
    const ids = new Set(patterns.map(({ id }) => id));
    const lengthMin = Math.max(...patterns.map(({ startMin, endMin }) => endMin - startMin));
    return productIds.map((productId): Usage => {
      const moments = quarters
        .filter((each) => each.productId === productId && ids.has(each.patternId))
        .map(({ quarter, sold }): SaleMoment => ({ minute: quarter * QUARTER_MIN, balls: sold }));
      return {
        service,
        productId,
        curve: usageCurve(moments, lengthMin),
        balls: moments.reduce((sum, { balls }) => sum + balls, 0),
      };
    });
  });
}
