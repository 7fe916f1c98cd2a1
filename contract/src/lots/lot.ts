import type {
  Formula,
  MixerLine,
  MixerRange,
  Route,
  ScaleReadability,
  YeastConversion,
} from '@calm/core';
import type { HouseSettings } from '../house/house';
import type { Method } from '../book/formula';
import type { DecidedRecord, WeighedRecord, YeastRecord } from './record';

/** Everything a lot is made by, frozen when it starts: later edits never reach a lot under way. */
export interface Recipe {
  readonly formulaId: string;
  readonly formulaName: string;
  readonly formulaVersion: number;
  readonly formula: Formula;
  readonly doughTempC: number;
  readonly method: Method;
  readonly route: Route;
  readonly allergens: readonly string[];
  readonly mixer: MixerRange & {
    readonly id: string;
    readonly name: string;
    /** How it warms this dough, once the house's log has told it. */
    readonly line?: MixerLine;
  };
  readonly settings: Pick<
    HouseSettings,
    | 'residuePercent'
    | 'residuePerLoadG'
    | 'derating'
    | 'pourBy'
    | 'baseSumC'
    | 'altitudeM'
    | 'learned'
  > & {
    readonly scaleReadabilityG: ScaleReadability;
    readonly yeastConversion: YeastConversion;
  };
}

/** Balls of one product in a lot. Weight and trim are frozen with it. */
export interface LotItem {
  readonly productId: string;
  readonly name: string;
  readonly count: number;
  readonly ballWeightG: number;
  readonly trimPercent: number;
}

/** What the thermometers showed before a load, °C. */
export interface LoadTemps {
  readonly roomTempC: number;
  readonly flourTempC: number;
  readonly tapTempC: number;
  /** Null without a pre-ferment. */
  readonly prefermentTempC: number | null;
}

/** One mixer bowl as it was made. */
export interface LoadRecord extends LoadTemps {
  readonly number: number;
  readonly version: number;
  /** The mixer's heating this load was calculated with, °C of the n-fold sum. */
  readonly frictionC: number;
  /** Water that these temperatures ask for, °C: what was to be poured. */
  readonly waterTempC: number;
  /** Dough temperature off the mixer, °C; null until written. */
  readonly doughOutC: number | null;
}

/** A change to a load's temperatures. */
export interface LoadChange extends LoadTemps {
  readonly version: number;
  readonly doughOutC: number | null;
}

/** What stands before the key of a method's step that is done ahead, where a mark of the whole lot names it. */
export const AHEAD_STEP = 'ahead-';

/** The key of the mark that times a lot's proof test of its yeast. */
export const PROOF_TEST_STEP = 'yeast-proof';

/** How a step of a lot stands. Load 0 is the whole lot: the stages of its route, what is mixed ahead, work before doors. Times are ISO 8601, UTC. */
export interface Mark {
  readonly loadNumber: number;
  readonly stepKey: string;
  /** When hands were first on it; null until somebody says so. */
  readonly startedAt: string | null;
  /** Done or skipped; null once un-ticked. */
  readonly doneAt: string | null;
  /** Why it was skipped; null where it was done. */
  readonly skippedWhy: string | null;
  /** Minutes that a look at the dough gave it beyond its method. */
  readonly extraMin: number;
  /** Whom it was handed to; null is whoever the plan says. */
  readonly personId: string | null;
  readonly version: number;
}

/** A change to a mark: what is absent stays as it is. */
export interface MarkChange {
  readonly version: number;
  /** When it was so, by the device that saw it, ISO 8601; now when absent. */
  readonly at?: string;
  readonly isStarted?: boolean;
  readonly isDone?: boolean;
  /** Skips it, which ends it too. */
  readonly skippedWhy?: string;
  readonly extraMin?: number;
  readonly personId?: string | null;
}

/** One dough made for a day's services. */
export interface Lot {
  readonly id: string;
  readonly code: string;
  /** Local date of the services it is for. */
  readonly serviceDate: string;
  readonly version: number;
  readonly startedAt: string;
  /** First doors it is for and last close, ISO 8601 UTC. */
  readonly doorsAt: string;
  readonly closeAt: string;
  readonly note: string;
  /** Dough left in bowls and on the bench, and trimmed off, as weighed, g; null until written. */
  readonly leftG: number | null;
  readonly trimG: number | null;
  readonly recipe: Recipe;
  readonly items: readonly LotItem[];
  readonly loads: readonly LoadRecord[];
  readonly marks: readonly Mark[];
  /** What went into its bowls, line by line, as far as somebody put it on the scale. */
  readonly weighed: readonly WeighedRecord[];
  /** What is known of the pack that its yeast is from; none where nobody has said. */
  readonly yeastPack?: YeastRecord;
  /** What was decided last to do with it; none where it goes as planned. */
  readonly decided?: DecidedRecord;
}

/** What it takes to start a lot. */
export interface LotStart {
  readonly productId: string;
  readonly serviceDate: string;
  readonly mixerId: string;
  readonly items: readonly { readonly productId: string; readonly count: number }[];
  readonly temps: LoadTemps;
}

/** A change to a lot's note. */
export interface NoteChange {
  readonly note: string;
  readonly version: number;
}

/** Takes a lot back, or restores it. */
export interface WithdrawChange {
  readonly isWithdrawn: boolean;
  readonly version: number;
}

/** A mixer's heating of one dough, as the log knows it. */
export interface MixerFriction {
  readonly mixerId: string;
  readonly formulaId: string;
  readonly frictionC: number;
  /** How many logged loads stand behind it; 0 when the mixer's set value is used. */
  readonly loads: number;
  readonly scatterC: number;
  /** What comes off it, of flour's, water's and room's temperatures; null until loads of enough days are on record. */
  readonly line: MixerLine | null;
}

/** What was left behind and trimmed off, g; null takes it back. */
export interface LossChange {
  readonly leftG: number | null;
  readonly trimG: number | null;
  readonly version: number;
}
