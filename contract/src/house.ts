import type {
  DeratingPoint,
  Formula,
  Ingredient,
  LearnedResidue,
  Route,
  ScaleReadability,
  Skill,
  Target,
  WaterMethod,
  YeastConversion,
} from '@calm/core';
import type { Role } from './access';
import type { ColdRules, ReadingColumns } from './cold/probe';
import type { Kitchen, Place } from './kitchen';
import type { HouseStakes } from './stakes';

/** A site as it appears in a list. */
export interface HouseSummary {
  readonly slug: string;
  readonly name: string;
}

/** How a house weighs, loses and reckons. Percentages as in the core, temperatures °C. */
export interface HouseSettings {
  readonly residuePercent: number;
  readonly residuePerLoadG: number;
  readonly scaleReadabilityG: ScaleReadability;
  readonly yeastConversion: YeastConversion;
  readonly derating: readonly DeratingPoint[];
  readonly pourBy: WaterMethod;
  /** The house's own base sum for doughs without a pre-ferment, if it uses one. */
  readonly baseSumC?: number;
  /** What the thermometers usually show, as a first guess on a new sheet. */
  readonly usualTempsC: {
    readonly room: number;
    readonly flour: number;
    readonly tap: number;
    readonly preferment: number;
  };
  readonly ballTolerancePercent: number;
  /** What running out weighs against throwing away; `STANDARD_STAKES` when the house has not said. */
  readonly stakes?: HouseStakes;
  /** How sales files were read last time. */
  readonly salesColumns?: SalesColumns;
  /** What it works with; `STANDARD_KITCHEN` when the house has not said. */
  readonly kitchen?: Kitchen;
  /** How it looks after its cold; `STANDARD_COLD_RULES` when the house has not said. */
  readonly cold?: ColdRules;
  /** How loggers' files were read last time. */
  readonly readingColumns?: ReadingColumns;
  /** Passwords and PINs that a made-up house tells everybody, by people's ids. No real house has them. */
  readonly demoSecrets?: Readonly<Record<string, string>>;
}

/** Which column of a sales file says what, by its title. */
export interface SalesColumns {
  readonly date: string;
  readonly product: string;
  /** Absent: every line is one ball. */
  readonly sold?: string;
  readonly time?: string;
  readonly service?: string;
  readonly soldOut?: string;
  readonly left?: string;
  /** The till's own number of a line: the same number twice is one sale. */
  readonly number?: string;
  readonly dateOrder: 'year-first' | 'day-first' | 'month-first';
  /** A product of the house for each name in the file; null leaves it out. */
  readonly products: Readonly<Record<string, string | null>>;
}

/** The settings that people change in the application, each whole. */
export type SettingsChange = Partial<
  Pick<HouseSettings, 'stakes' | 'salesColumns' | 'kitchen' | 'cold' | 'readingColumns'>
> & {
  readonly version: number;
};

/** A site. */
export interface House extends HouseSummary {
  readonly id: string;
  /** IANA zone; all services and shifts are in it. */
  readonly timeZone: string;
  readonly settings: HouseSettings;
  /** Counts changes of the settings. */
  readonly version: number;
}

/** Everything about a product that a person edits. */
export interface ProductContent {
  readonly name: string;
  readonly formulaId: string;
  readonly routeId: string;
  readonly ballWeightG: number;
  readonly trimPercent: number;
  readonly ballsPerTray: number;
  /** Made from what is left of another product's dough. */
  readonly isFromRemainders: boolean;
  /** How its dough should be when it is opened. */
  readonly target: Target;
}

/** What is sold. */
export interface Product extends ProductContent {
  readonly id: string;
  readonly slug: string;
  readonly version: number;
}

/** A short safety note whose wording lives in the catalogues. */
export type CautionKey = (typeof CAUTIONS)[number];
export const CAUTIONS = [
  'mixer',
  'flour-dust',
  'lifting',
  'raw-dough',
  'cold-room',
  'sheeter',
  'knives',
  'oven',
] as const;

/** One step of a mixing method, in the house's own words. */
export interface MethodStep {
  readonly key: string;
  readonly title: string;
  /** What to do, in a sentence. */
  readonly detail: string;
  /** What to look and feel for before going on. */
  readonly lookFor?: string;
  readonly minutes?: number;
  /** Of the mixer, or by hand; none where nothing is worked. */
  readonly speed?: 'slow' | 'fast' | 'hand';
  readonly caution?: CautionKey;
}

/** A named way of mixing. */
export interface Method {
  readonly name: string;
  /** Why it is done in this order. */
  readonly why: string;
  readonly steps: readonly MethodStep[];
}

/** Everything about a formula that a person edits. */
export interface FormulaContent {
  readonly name: string;
  readonly formula: Formula;
  readonly doughTempC: number;
  readonly method: Method;
  readonly mixerId: string;
}

/** A house's formula as it is now. */
export interface FormulaRecord extends FormulaContent {
  readonly id: string;
  readonly slug: string;
  /** Two letters that lot codes start with. */
  readonly code: string;
  readonly version: number;
  /** Of everything in it, by the pantry when it was saved. */
  readonly allergens: readonly string[];
}

/** One version of a formula, as it was saved. Versions are never changed. */
export interface FormulaVersion extends FormulaContent {
  readonly version: number;
  /** What was changed and why, in the words of whoever saved it. */
  readonly note: string;
  /** ISO 8601, UTC. */
  readonly savedAt: string;
  readonly allergens: readonly string[];
}

/** A new version of a formula. */
export interface FormulaChange {
  /** The version it was made from. */
  readonly version: number;
  readonly note: string;
  readonly content: FormulaContent;
}

/** A formula that the house does not have yet. */
export interface FormulaStart {
  readonly code: string;
  readonly note: string;
  readonly content: FormulaContent;
}

/** Everything about a route that a person edits. */
export interface RouteContent {
  readonly name: string;
  readonly stages: Route;
}

/** A named route. Lots under way keep the stages they were started with. */
export interface RouteRecord extends RouteContent {
  readonly id: string;
  readonly version: number;
}

/** Something the house buys. */
export interface PantryItem extends Ingredient {
  readonly id: string;
  readonly version: number;
}

/** A change of one record: all of its content, and the version it was made from. */
export interface RecordChange<Content> {
  readonly version: number;
  readonly content: Content;
}

/** Formulas and routes brought in together: all of them, or none. */
export interface BroughtIn {
  readonly note: string;
  readonly formulas: readonly (
    | { readonly slug: string; readonly version: number; readonly content: FormulaContent }
    | { readonly code: string; readonly content: FormulaContent }
  )[];
  readonly routes: readonly (
    | { readonly id: string; readonly version: number; readonly content: RouteContent }
    | { readonly content: RouteContent }
  )[];
}

/** A mixer. */
export interface Mixer {
  readonly id: string;
  readonly name: string;
  readonly kind: 'spiral' | 'planetary' | 'hand';
  readonly minDoughKg: number;
  readonly maxDoughKg: number;
  /** Heating as set by the house, °C of the n-fold sum, until the log has learned it. */
  readonly frictionC: number;
}

/** Someone on the crew. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly skills: readonly Skill[];
  readonly role: Role;
}

/** What a house's own lots say about losses; null where too few were weighed. */
export interface LearnedLosses {
  readonly residue: LearnedResidue | null;
  readonly trims: readonly {
    readonly productId: string;
    readonly percent: number;
    readonly lots: number;
  }[];
}

/** A house that has weighed nothing yet. */
export const NO_LOSSES: LearnedLosses = { residue: null, trims: [] };

/** What changes seldom: everything a device needs to know about a house before a day. */
export interface HouseBook {
  readonly house: House;
  readonly products: readonly Product[];
  readonly formulas: readonly FormulaRecord[];
  readonly routes: readonly RouteRecord[];
  readonly mixers: readonly Mixer[];
  readonly places: readonly Place[];
  /** What the house buys. */
  readonly pantry: readonly PantryItem[];
  /** What the log says stays behind and is trimmed off. */
  readonly losses: LearnedLosses;
  readonly people: readonly Person[];
}

/** One person's shift on one day. Instants are ISO 8601, UTC. */
export interface Shift {
  readonly personId: string;
  readonly startsAt: string;
  readonly endsAt: string;
}
