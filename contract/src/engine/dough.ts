import type { AcceptedConstant } from './acceptedConstant';
import type {
  PrefermentHistories,
  DoseAlternative,
  DoseLimit,
  DoughPoint,
  DoughStage,
  Formula,
  HoursFromTo,
  NeverReady,
  Remedy,
  RouteFault,
  StageEnd,
  TakesTooMuch,
  Target,
  WindowSpread,
  YeastDose,
} from '@calm/core';

/** A dough and its way, as `calm simulate` and `calm dose` read it. */
export interface DoughDocument {
  readonly formula: Formula;
  readonly ballWeightG: number;
  readonly doughTempC: number;
  readonly stages: readonly DoughStage[];
  /** What a pre-ferment or old dough went through. */
  readonly histories?: PrefermentHistories;
  /** What is not said is as for a hand-opened ball. */
  readonly target?: Partial<Target>;
  /** Diastatic malt, percent of flour. */
  readonly maltPercent?: number;
  /** Height above the sea, m. */
  readonly altitudeM?: number;
  /** What the house has learned of its own numbers; as assumed when absent. */
  readonly constants?: readonly AcceptedConstant[];
  /** Grams of dry yeast that raise dough like one gram of fresh. */
  readonly conversion?: { readonly activeDry?: number; readonly instant?: number };
}

/** Input of `calm simulate`. */
export interface SimulateDocument extends DoughDocument {
  readonly stepMinutes: number;
}

/** Input of `calm dose`; the formula's own yeast percent is not looked at. */
export interface DoseDocument extends DoughDocument {
  readonly peakHour: number;
}

/** When a dough opens well, hours from the mixer, with P10–P90. */
export interface WindowDocument {
  readonly earliestHour: number;
  readonly peakHour: number;
  readonly latestHour: number;
  /** That it opens well at the peak, 0–1. */
  readonly odds: number;
  /** While it opens well nine times in ten, and one time in ten; null where it never does so often. */
  readonly odds90: HoursFromTo | null;
  readonly odds10: HoursFromTo | null;
  readonly spread: WindowSpread | null;
}

/** What `calm simulate` answers. */
export interface SimulationDocument {
  readonly series: readonly DoughPoint[];
  readonly stages: readonly StageEnd[];
  readonly window: WindowDocument | null;
  /** Only without a window: why, and what would help, each tried, best first. */
  readonly never?: NeverReady;
  readonly remedies?: readonly Remedy[];
}

/** What `calm dose` answers. */
export interface DosedDocument {
  /** Of the whole formula, in the form asked. */
  readonly yeastPercent: number;
  /** What goes into the bowl at the end: the same, less what a pre-ferment or old dough brings. */
  readonly bowlYeast: YeastDose;
  readonly freshPercent: number;
  /** That it opens well at the hour, 0–1. */
  readonly odds: number;
  readonly window: WindowDocument | null;
}

/** Why a document cannot be simulated. */
export type DoughProblem = RouteFault | TakesTooMuch;

/** Why it cannot be dosed, and what would work. */
export interface NoDose {
  readonly reasons: readonly (DoughProblem | DoseLimit)[];
  readonly alternatives: readonly DoseAlternative[];
}
