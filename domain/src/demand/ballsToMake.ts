import type { ProductCount } from '@calm/contract';

/** Balls that somebody still has to make for a service. */
export const ballsToMake = ({ count, carried = [] }: Pick<ProductCount, 'count' | 'carried'>) =>
  carried.reduce((left, lot) => left - lot.count, count);
