import type { LearnedConstant, LearnedHouse, Look, Opening, WindowOdds } from '@calm/core';
import type { AcceptedConstant } from './acceptedConstant';
import type { DoughDocument } from './dough';

/** A lot as it went, with what was measured and seen of it. Hours count from the mixer. */
export interface ObservedLotDocument {
  readonly dough: DoughDocument;
  readonly readings?: readonly { readonly hour: number; readonly coreTempC: number }[];
  /** Volumes since the last shaping, as `calm simulate` gives them. */
  readonly marks?: readonly { readonly hour: number; readonly rise: number }[];
  readonly looks?: readonly { readonly hour: number; readonly found: Look }[];
  readonly opened?: { readonly hour: number; readonly found: Opening };
}

/** Input of `calm learn`. */
export interface LearnDocument {
  readonly lots: readonly (ObservedLotDocument & {
    readonly id: string;
    /** Local date on which it was mixed. */
    readonly day: string;
  })[];
}

/** What `calm learn` answers; each constant with its factor, or its shift in °C. */
export interface LearnedDocument extends Pick<LearnedHouse, 'riseErrorPercent'> {
  readonly constants: readonly (Omit<LearnedConstant, 'by'> & {
    readonly factor?: number;
    readonly shift?: number;
  })[];
}

/** Input of `calm narrow`. */
export interface NarrowDocument extends ObservedLotDocument {
  readonly constants?: readonly AcceptedConstant[];
}

/** What `calm narrow` answers; a window is null where the lot is never ready. */
export interface NarrowedDocument {
  readonly windowBefore: WindowOdds | null;
  readonly windowAfter: WindowOdds | null;
  readonly because: readonly string[];
}
