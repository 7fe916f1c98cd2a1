import type { WeekProblem } from './problem';

/** What one dough makes for one service. */
export interface Demand {
  readonly doughId: string;
  readonly serviceId: string;
}

/** Everything a week wants, dough by dough. */
export function demandsOf({ wanted, products, services }: WeekProblem): Demand[] {
  const seen = new Map<string, Demand>();
  for (const { serviceId, productId, count } of wanted) {
    const product = products.find(({ id }) => id === productId);
    if (!product || count <= 0 || !services.some(({ id }) => id === serviceId)) continue;
    seen.set(`${product.doughId}/${serviceId}`, { doughId: product.doughId, serviceId });
  }
  return [...seen.values()];
}
