import type { Random } from '@calm/core';

/** The same things in another order. */
export function shuffled<Item>(items: readonly Item[], { uniform }: Random): Item[] {
  const order = [...items];
  for (let i = order.length - 1; i > 0; i -= 1) {
    const j = Math.floor(uniform() * (i + 1));
    [order[i], order[j]] = [order[j] as Item, order[i] as Item];
  }
  return order;
}
