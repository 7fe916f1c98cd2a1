import type { ListedHouse } from '@calm/contract';
import { deviceStorage } from './storage';

/** The house that was opened last on this device; empty before any was. */
const storage = deviceStorage('calm-tray.last-house', '', (stored) =>
  typeof stored === 'string' ? stored : null,
);

/** Somebody is at work in a house. */
export const rememberHouse = (house: string): void => storage.write(house);

/**
 * The house that whoever comes without an address means: the one that was opened last, or the first; one that is put
 * aside only where no other is.
 */
export function likelyHouse(houses: readonly ListedHouse[]): ListedHouse | undefined {
  const last = storage.read();
  const open = houses.filter(({ asideOn }) => asideOn === null);
  return open.find(({ slug }) => slug === last) ?? open[0] ?? houses[0];
}
