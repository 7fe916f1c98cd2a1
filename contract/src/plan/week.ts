import type { AcceptedConstant } from '../engine/acceptedConstant';
import type {
  Formula,
  Target,
  WeekDough,
  WeekPerson,
  WeekPlace,
  WeekProduct,
  WeekWeights,
  Wanted,
} from '@calm/core';

/** A stretch of time. ISO 8601, UTC. */
export interface TimeInterval {
  readonly startsAt: string;
  readonly endsAt: string;
}

/** A dough of a week, with its formula where it shall be dosed. */
export interface WeekDoughDocument extends WeekDough {
  readonly formula?: Formula;
  readonly doughTempC?: number;
  /** Its pre-ferment's temperature when it is mixed, °C; 20 when absent. */
  readonly prefermentTempC?: number;
  readonly target?: Partial<Target>;
  /** Height above the sea where it is made, m; at the sea when absent. */
  readonly altitudeM?: number;
  /** What the house has learned of its own numbers; as assumed when absent. */
  readonly constants?: readonly AcceptedConstant[];
}

/** A step as it was published, or is pinned. */
export interface TimedStep {
  readonly step: string;
  readonly startsAt: string;
  readonly personIds?: readonly string[];
}

/** A week to be planned, as `calm plan` reads it. */
export interface WeekDocument {
  readonly now: string;
  readonly services: readonly (TimeInterval & { readonly id: string; readonly day?: string })[];
  readonly wanted: readonly Wanted[];
  readonly products: readonly WeekProduct[];
  readonly doughs: readonly WeekDoughDocument[];
  readonly people: readonly (Omit<WeekPerson, 'shifts'> & {
    readonly shifts: readonly TimeInterval[];
  })[];
  readonly benchPlaces: number;
  readonly places: readonly WeekPlace[];
  readonly tubKg: number;
  readonly unsocial: readonly TimeInterval[];
  readonly underWay: {
    readonly works: readonly (TimeInterval & {
      readonly personIds: readonly string[];
      readonly mixerId: string | null;
      readonly bench: number;
    })[];
    readonly rests: readonly (TimeInterval & {
      readonly place: string;
      readonly trays: number;
      readonly tubs: number;
    })[];
  };
  /** Steps as they were published: kept where that costs little. */
  readonly published: readonly TimedStep[];
  /** Steps that start when they do. */
  readonly pinned?: readonly TimedStep[];
  readonly weights: WeekWeights;
  /** How the balls of a service go: shares by quarter hour; evenly where nothing is said. */
  readonly usage: readonly {
    readonly serviceId: string;
    readonly productId: string;
    readonly curve: readonly number[];
    /** What is expected of it, where that is known: balls on average, how they scatter, and those carried over. */
    readonly expected?: {
      readonly mean: number;
      readonly cv: number;
      readonly carried: number;
    };
  }[];
  /** How long to go on improving at most. */
  readonly seconds: number;
}
