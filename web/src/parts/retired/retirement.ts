import type { Retirable } from '@calm/contract';

/** How records of one kind are offered no more, and again. Both throw what the house answered. */
export interface Retirement {
  readonly kind: Retirable;
  readonly retire: (id: string) => Promise<unknown>;
  readonly bringBack: (id: string) => Promise<unknown>;
}
