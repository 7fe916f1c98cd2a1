import type { AirFrom, Room } from '@calm/core';

/** A part of a place with positions of its own. */
export interface Zone {
  readonly name: string;
  /** Rack positions. */
  readonly positions: number;
  /** How much warmer than the place's air it is, °C. */
  readonly warmerC: number;
}

/** Everything about a place that a person edits. */
export interface PlaceContent {
  /** As routes name it. */
  readonly name: string;
  readonly zones: readonly Zone[];
  readonly traysAPosition: number;
  /** Tubs that find room beside the trays. */
  readonly tubs: number;
  /** A cooled place's own numbers; null is a place as warm as the house around it. */
  readonly room: Room | null;
  /** How warm it is there at this time of year, by local time; none where routes are to say. */
  readonly airByHour: readonly AirFrom[];
}

/** Somewhere dough stands. */
export interface Place extends PlaceContent {
  readonly id: string;
  readonly version: number;
}

/** What a house works with beside its mixers and places. */
export interface Kitchen {
  /** People that can work at the bench at once. */
  readonly benchPlaces: number;
  /** Dough that one tub holds. */
  readonly tubKg: number;
  /** What a tub holds up to its rim, L; nothing is said of its room when absent. */
  readonly tubLitres?: number;
  /** A tray inside, cm; nothing is said of its room when absent. */
  readonly trayCm?: { readonly length: number; readonly width: number };
  /** Work is unsocial from and until, minutes from local midnight; the end is on the next day. */
  readonly unsocialFromMin: number;
  readonly unsocialUntilMin: number;
}

/** Until a house says otherwise. Starting values. */
export const STANDARD_KITCHEN: Kitchen = {
  benchPlaces: 3,
  tubKg: 12,
  unsocialFromMin: 22 * 60,
  unsocialUntilMin: 6 * 60,
};
