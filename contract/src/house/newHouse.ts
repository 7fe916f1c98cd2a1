import type { DisplayPreferences } from '../access/preferences';
import type { OwnerStart } from '../access/signIn';

/** Houses to begin from: made up, and whole enough to be planned at once. */
export const STARTER_SETS = ['corner-shop', 'restaurant', 'pan-and-slice', 'mobile-oven'] as const;
export type StarterSetName = (typeof STARTER_SETS)[number];

/** What a house begins with. */
export interface HouseStart {
  readonly name: string;
  /** IANA zone. */
  readonly timeZone: string;
  /** ISO 4217. */
  readonly currency: string;
  readonly display: DisplayPreferences;
  /** Above this the cold is too warm, °C: the house's own entry, by its local code. */
  readonly coldLimitC: number;
  /** Null begins with nothing in it. */
  readonly starter: StarterSetName | null;
}

/** The first house of a server, begun by whoever has the set-up code that it printed. */
export interface FirstHouseStart {
  readonly house: HouseStart;
  readonly owner: OwnerStart;
}
