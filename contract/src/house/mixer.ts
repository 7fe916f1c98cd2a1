import type { MixingKind } from '@calm/core';

/** How dough is worked. */
export type MixerKind = MixingKind;
export const MIXER_KINDS = [
  'spiral',
  'fork',
  'planetary',
  'hand',
] as const satisfies readonly MixerKind[];

/** Everything about a mixer that a person edits. */
export interface MixerContent {
  readonly name: string;
  readonly kind: MixerKind;
  readonly minDoughKg: number;
  readonly maxDoughKg: number;
  /** Heating as set by the house, °C of the n-fold sum, until the log has learned it. */
  readonly frictionC: number;
  /** While it is being mended nothing is planned in it; null is in order. */
  readonly outOfOrder: OutOfOrder | null;
}

/** From and until when something cannot be used, ISO 8601; the end is not included. */
export interface OutOfOrder {
  readonly from: string;
  readonly until: string;
}

/** A mixer, or a pair of hands. */
export interface Mixer extends MixerContent {
  readonly id: string;
  readonly version: number;
}
