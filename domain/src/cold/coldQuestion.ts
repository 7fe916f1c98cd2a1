import type { ProbeInRoom, Room } from '@calm/core';
import type { Service, HouseBook, Product, Place, LotRecord } from '@calm/contract';
import type { BoardLot } from '../lots/lotBoard';

/** Probes of a place with what they read, corrected. */
export interface PlaceAir {
  readonly placeId: string;
  readonly probes: readonly ProbeInRoom[];
}

/** What is known of a house's cold at a moment. */
export interface ColdQuestion {
  readonly book: HouseBook;
  readonly services: readonly Service[];
  readonly lots: readonly BoardLot[];
  readonly records: readonly LotRecord[];
  readonly air: readonly PlaceAir[];
  /** s since the epoch: what is read before is past. */
  readonly nowS: number;
}

/** What might happen to the cold. Everything begins now. */
export type ColdAssumption =
  | { readonly kind: 'power-cut'; readonly hours: number; readonly isDoorOpen: boolean }
  | { readonly kind: 'set-point'; readonly placeId: string; readonly byC: number }
  | { readonly kind: 'heatwave'; readonly hours: number; readonly warmerC: number }
  | {
      readonly kind: 'weak';
      readonly placeId: string;
      readonly hours: number;
      readonly share: number;
    };

/** Balls of one product of a lot in one zone: they share their air. */
export interface ColdPortion {
  readonly lot: BoardLot;
  readonly product: Product;
  readonly placeId: string;
  readonly zone: string | null;
  readonly mixedMs: number;
  /** As the simulation names it. */
  readonly name: string;
}

/** A place with a thermostat of its own. */
export type ColdPlace = Place & { readonly room: Room };
/** Whether a place has one. */
export const isCold = (place: Place): place is ColdPlace => place.room !== null;
