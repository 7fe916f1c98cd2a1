import type { AirFrom } from '../../heat';
import type { Container, RestKey, Route, Skill, WorkKey } from '../../formula/route';

/*
 * A week to be planned, as plain data. Moments are whole minutes since 1970, UTC.
 */

/** A stretch of time. */
export interface Interval {
  readonly startMin: number;
  readonly endMin: number;
}

/** A service that wants balls when its doors open. */
export interface WeekService extends Interval {
  readonly id: string;
  /** Services of one day are made as one lot; those without a day go together as it costs least. */
  readonly day?: string;
}

/** Balls of one product that one service wants. */
export interface Wanted {
  readonly serviceId: string;
  readonly productId: string;
  readonly count: number;
}

/** What is made of a dough. */
export interface WeekProduct {
  readonly id: string;
  readonly doughId: string;
  readonly ballWeightG: number;
  readonly trimPercent: number;
  readonly ballsPerTray: number;
}

/** A mixer that a dough may be mixed in, with the dough it takes at least and at most. */
export interface DoughMixer {
  readonly mixerId: string;
  readonly minDoughKg: number;
  readonly maxDoughKg: number;
  /** Only for a lot that none of the dough's own mixers takes. */
  readonly isStandIn?: boolean;
  /** Minutes for each load in it, where they are others than the route's. */
  readonly perLoadMin?: number;
}

/** A dough and the way it goes. */
export interface WeekDough {
  readonly id: string;
  readonly route: Route;
  readonly mixers: readonly DoughMixer[];
  /** What stays in bowls and on the bench, percent of the dough … */
  readonly residuePercent: number;
  /** … and in each bowl besides, g; none when absent. */
  readonly residuePerLoadG?: number;
}

/** Somebody who works; breaks are gaps between shifts. */
export interface WeekPerson {
  readonly id: string;
  readonly skills: readonly Skill[];
  readonly shifts: readonly Interval[];
}

/** A place with room for so many trays and tubs. A place that is not named has room enough. */
export interface WeekPlace {
  readonly name: string;
  readonly trays: number;
  readonly tubs: number;
  /** How warm it is there, by minutes from midnight UTC; what routes say where it is left out. */
  readonly airByHour?: readonly AirFrom[];
}

/** Work under way or done, that nobody moves. */
export interface FrozenWork extends Interval {
  readonly personIds: readonly string[];
  readonly mixerId: string | null;
  /** Places at the bench it takes. */
  readonly bench: number;
}

/** Containers of lots under way. */
export interface FrozenRest extends Interval {
  readonly place: string;
  readonly trays: number;
  readonly tubs: number;
}

/** A step as it was published. */
export interface PublishedStep {
  /** As `stepName` makes it. */
  readonly step: string;
  readonly startMin: number;
  /** Who does it again, if they can. */
  readonly personIds?: readonly string[];
}

/** What one bad thing weighs against another, points. */
export interface WeekWeights {
  /** A rest as far from its preferred hours as its route allows. */
  readonly quality: number;
  /** A quarter of an hour of somebody's unsocial work. */
  readonly unsocial: number;
  /** A dough that is mixed by itself. */
  readonly mix: number;
  /** A quarter of an hour that a published step moves; eight at most count. */
  readonly change: number;
}

/** Dough before people, people before washing up, washing up before paper. Starting values. */
export const STANDARD_WEIGHTS = {
  quality: 100,
  unsocial: 8,
  mix: 40,
  change: 1,
} as const satisfies WeekWeights;

/** Everything that a week is planned from. */
export interface WeekProblem {
  /** Nothing is planned before. */
  readonly nowMin: number;
  readonly services: readonly WeekService[];
  readonly wanted: readonly Wanted[];
  readonly products: readonly WeekProduct[];
  readonly doughs: readonly WeekDough[];
  readonly people: readonly WeekPerson[];
  /** People that can work at the bench at once. */
  readonly benchPlaces: number;
  readonly places: readonly WeekPlace[];
  /** Dough that one tub holds. */
  readonly tubKg: number;
  /** Times at which work is unsocial. */
  readonly unsocial: readonly Interval[];
  readonly frozenWorks: readonly FrozenWork[];
  readonly frozenRests: readonly FrozenRest[];
  readonly published: readonly PublishedStep[];
  /** Steps that start when they do, and in no other quarter. */
  readonly pinned?: readonly PublishedStep[];
  readonly weights: WeekWeights;
}

/** One piece of work of a planned lot. */
export interface PlannedStep extends Interval {
  /** Index of the stage in its route. */
  readonly stage: number;
  readonly key: WorkKey;
  readonly skill: Skill;
  readonly personIds: readonly string[];
  readonly mixerId: string | null;
  /** Null is for the whole lot; work on the balls of one service names it. */
  readonly serviceId: string | null;
}

/** Where a planned lot stands meanwhile. */
export interface PlannedRest extends Interval {
  readonly stage: number;
  readonly key: RestKey;
  readonly place: string;
  readonly container: Container;
  readonly trays: number;
  readonly tubs: number;
  readonly serviceId: string | null;
}

/** A dough that is mixed once, for one or several services. */
export interface PlannedLot {
  readonly id: string;
  readonly doughId: string;
  readonly serviceIds: readonly string[];
  readonly mixerId: string;
  readonly loads: number;
  readonly doughKg: number;
  readonly steps: readonly PlannedStep[];
  readonly rests: readonly PlannedRest[];
  readonly cost: WeekCost;
}

/** What a plan, or a lot of it, costs, points. */
export interface WeekCost {
  readonly quality: number;
  readonly unsocial: number;
  readonly mix: number;
  readonly change: number;
}

/** All of a cost together. */
export const totalOf = ({ quality, unsocial, mix, change }: WeekCost): number =>
  quality + unsocial + mix + change;

/** A week's plan, and what of the week it leaves open. */
export interface WeekPlan {
  readonly lots: readonly PlannedLot[];
  /** Services × doughs that found no place. */
  readonly open: readonly { readonly doughId: string; readonly serviceId: string }[];
  readonly cost: WeekCost;
}

/** A step's name, by which a plan made later knows it again. */
export function stepName(
  doughId: string,
  firstServiceId: string,
  stage: number,
  serviceId: string | null,
): string {
  return [doughId, firstServiceId, stage, serviceId ?? ''].join('/');
}

/** The steps of some lots as a plan made later knows them again. */
export const publishedSteps = (lots: readonly PlannedLot[]): PublishedStep[] =>
  lots.flatMap(({ doughId, serviceIds, steps }) =>
    steps.map(({ stage, serviceId, startMin, personIds }) => ({
      step: stepName(doughId, serviceIds[0] ?? '', stage, serviceId),
      startMin,
      personIds,
    })),
  );

/** Plans are made in quarter hours. */
export const QUARTER = 15;
