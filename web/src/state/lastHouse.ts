import type { HouseSummary } from '@calm/contract';
import { deviceStorage } from './storage';

/** The house that was opened last on this device; empty before any was. */
const storage = deviceStorage('calm-tray.last-house', '', (stored) =>
  typeof stored === 'string' ? stored : null,
);

/** Somebody is at work in a house. */
export const rememberHouse = (house: string): void => storage.write(house);

/** The house that whoever comes without an address means: the one that was opened last, or the first. */
export function likelyHouse<H extends HouseSummary>(houses: readonly H[]): H | undefined {
  const last = storage.read();
  return houses.find(({ slug }) => slug === last) ?? houses[0];
}
