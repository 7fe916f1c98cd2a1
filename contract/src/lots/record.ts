import type { Action, Container, Look, Opening, YeastProof } from '@calm/core';
import type { Spot } from '../cold/spot';

export type { Look, Opening } from '@calm/core';
export { LOOKS, OPENINGS } from '../engine/vocabulary';

/** How they came out of the oven. */
export const BAKINGS = ['well', 'pale', 'blistered', 'gummy', 'blown'] as const;

export type Baking = (typeof BAKINGS)[number];

/** What became of balls that were left. */
export const LEFTOVERS = ['kept', 'reworked', 'staff', 'bin'] as const;

export type Leftover = (typeof LEFTOVERS)[number];

/** What a rise is read off: the height in a tub, or how wide a ball stands. */
export const RISE_MARKS = ['tub', 'ball'] as const;

export type RiseMark = (typeof RISE_MARKS)[number];

/** What hands, eyes and noses tell of dough, and what each may answer; the earliest first. */
export const CHECKS = {
  poke: ['springs-back', 'slowly', 'stays'],
  stretch: ['tears', 'nearly', 'clear'],
  skin: ['supple', 'dry'],
  smell: ['mild', 'ripe', 'alcohol'],
  bowl: ['sticks', 'clean'],
} as const;

export type CheckKind = keyof typeof CHECKS;

/** One check with what it told. */
export type CheckAnswer = {
  readonly [Kind in CheckKind]: {
    readonly check: Kind;
    readonly answer: (typeof CHECKS)[Kind][number];
  };
}[CheckKind];

/** What is done where a step's dough is not there yet. */
export const NOT_YET = ['two-more', 'rest', 'later'] as const;

export type NotYet = (typeof NOT_YET)[number];

/** How a pre-ferment stands before it goes into the bowl. */
export const PREFERMENT_LOOKS = ['young', 'ripe', 'fallen'] as const;

export type PrefermentLook = (typeof PREFERMENT_LOOKS)[number];

/** Something that was seen or measured of a lot. */
export type RecordContent =
  /** One ingredient on the scale. */
  | {
      readonly kind: 'weighed';
      /** 0 is what is mixed ahead for the whole lot. */
      readonly loadNumber: number;
      readonly key: string;
      /** The step of the method that it went in at, where it was weighed step by step. */
      readonly step?: string;
      readonly grams: number;
      readonly wantedG: number;
    }
  /** One piece on the scale. */
  | { readonly kind: 'piece'; readonly productId: string; readonly grams: number }
  /** Trays out of the cold; none where a pull is taken back. */
  | {
      readonly kind: 'pulled';
      readonly productId: string;
      readonly serviceId: string;
      readonly trays: number;
      readonly balls: number;
    }
  /** A look at the dough, with its core temperature if somebody took it, °C. */
  | {
      readonly kind: 'looked';
      readonly found: Look;
      readonly coreTempC: number | null;
      readonly note: string;
    }
  /** How far dough has risen: then and now, both in one measure. */
  | {
      readonly kind: 'risen';
      readonly on: RiseMark;
      readonly from: number;
      readonly now: number;
      readonly note: string;
    }
  /** A thermometer in the middle of the dough, °C. */
  | { readonly kind: 'core'; readonly coreTempC: number; readonly note: string }
  | ({ readonly kind: 'checked'; readonly note: string } & CheckAnswer)
  /** A step whose dough was not as it should be yet, and what was done about it. */
  | {
      readonly kind: 'not-yet';
      readonly loadNumber: number;
      readonly stepKey: string;
      readonly next: NotYet;
      readonly note: string;
    }
  /** The pack that a lot's yeast is from: since when it is open, YYYY-MM-DD, and what a proof test showed. */
  | {
      readonly kind: 'yeast';
      readonly openedOn: string | null;
      readonly proof: YeastProof | null;
      readonly note: string;
    }
  /** A pre-ferment before it goes into the bowl, with its temperature if somebody took it, °C. */
  | {
      readonly kind: 'preferment';
      readonly found: PrefermentLook;
      readonly tempC: number | null;
      readonly note: string;
    }
  | { readonly kind: 'opened'; readonly found: Opening; readonly note: string }
  /** With how hot the oven was, °C, and how long it took, min, where somebody looked. */
  | {
      readonly kind: 'baked';
      readonly found: Baking;
      readonly ovenC?: number;
      readonly minutes?: number;
      readonly note: string;
    }
  /** Balls that were used, and those left. */
  | {
      readonly kind: 'used';
      readonly productId: string;
      readonly used: number;
      readonly left: number;
      readonly leftTo: Leftover;
      readonly note: string;
    }
  /** Trays to another position: `from` is null as they come in, `to` where they leave the racks. */
  | {
      readonly kind: 'moved';
      readonly productId: string;
      readonly from: Spot | null;
      readonly to: Spot | null;
      readonly trays: number;
      readonly balls: number;
    }
  /** Thrown away by whoever is responsible. */
  | {
      readonly kind: 'discarded';
      readonly productId: string;
      readonly from: Spot | null;
      readonly trays: number;
      readonly balls: number;
      readonly note: string;
    }
  /** What was decided to do with dough that waits, and what that was meant to come to. */
  | ({ readonly kind: 'decided'; readonly note: string } & DecidedWay)
  /** To be used before the others. */
  | { readonly kind: 'first'; readonly isFirst: boolean; readonly note: string }
  | { readonly kind: 'photo'; readonly photoId: string; readonly note: string }
  | { readonly kind: 'said'; readonly note: string }
  /** What it corrects was a slip: nothing takes its place. */
  | { readonly kind: 'taken-back' };

export type RecordKind = RecordContent['kind'];

/** Kinds that can be taken back; trays and weights are put right by another of their kind, so that sums hold. */
export const CAN_BE_TAKEN_BACK: readonly RecordKind[] = [
  'looked',
  'risen',
  'core',
  'checked',
  'not-yet',
  'preferment',
  'yeast',
  'decided',
  'opened',
  'baked',
  'used',
  'photo',
  'said',
];

/** Somewhere that dough was decided to stand, and until when, ISO 8601. */
export interface DecidedStage {
  readonly kind: 'bulk' | 'ball';
  readonly place: string;
  readonly airTempC: number;
  readonly container: Container;
  readonly isBalledAgain: boolean;
  readonly untilAt: string;
}

/** What is done with a lot from a moment on. */
export interface DecidedWay {
  readonly do: Action;
  /** Null is where it stands, or as planned. */
  readonly where: string | null;
  /** When it is done, ISO 8601. */
  readonly fromAt: string;
  /** Only what still stood in the cold, others of it being out already; all of it when absent. */
  readonly of?: 'cold';
  /** What it does from then on, in time's order; none where it is not opened any more. */
  readonly stages: readonly DecidedStage[];
  /** When it was meant to open well, ISO 8601, in how many balls, and how likely. */
  readonly meant: {
    readonly opensAt: string | null;
    readonly endsAt: string | null;
    readonly balls: number;
    readonly odds: number;
  };
}

/** A record to be written. */
export interface RecordStart {
  /** Named by the device, which may have to correct it before the house has it. */
  readonly id: string;
  /** When it was so, by the device that saw it, ISO 8601; now when absent. */
  readonly at?: string;
  /** The record that this one puts right: that one stays as it was written. */
  readonly correctsId?: string;
  readonly content: RecordContent;
}

/** A photo of a lot, already made small by the device that took it. */
export interface PhotoStart {
  /** Names the photo, and its record. */
  readonly id: string;
  readonly at?: string;
  readonly note: string;
  /** JPEG, base64. */
  readonly jpeg: string;
}

/** Largest photo that is kept, bytes. */
export const LARGEST_PHOTO = 500_000;

/** A record as the house has it. It is never changed; another may correct it. */
export interface LotRecord {
  readonly id: string;
  readonly lotId: string;
  readonly at: string;
  /** When the house took it; null for what is from before that was kept. */
  readonly receivedAt: string | null;
  /** Null where a program wrote it. */
  readonly personId: string | null;
  readonly correctsId: string | null;
  readonly content: RecordContent;
}

/** A record of one kind. */
export type RecordOf<Kind extends RecordKind> = LotRecord & {
  readonly content: Extract<RecordContent, { readonly kind: Kind }>;
};

/** One ingredient of a load on the scale. */
export interface WeighedRecord extends LotRecord {
  readonly content: Extract<RecordContent, { readonly kind: 'weighed' }>;
}

/** What was decided of a lot, and when. */
export interface DecidedRecord extends LotRecord {
  readonly content: Extract<RecordContent, { readonly kind: 'decided' }>;
}

/** What is known of the pack that a lot's yeast is from. */
export interface YeastRecord extends LotRecord {
  readonly content: Extract<RecordContent, { readonly kind: 'yeast' }>;
}
