import { doughForLoadsG } from '../../scale';
import type { Skill } from '../../formula/route';
import { isStep, type StepRef } from '../edit/editPlan';
import { demandsOf, type Demand } from '../problem/demands';
import { servicesOfDough } from '../search/lotVariants';
import {
  QUARTER,
  type PlannedLot,
  type PlannedStep,
  type Interval,
  type WeekPlan,
  type WeekProblem,
} from '../problem/problem';
import { overfull, benchTakings, placeTakings } from './levels';
import { refOf } from '../edit/stepRef';

/** Something in a plan that cannot be as it stands. */
export type Conflict =
  | ({ readonly kind: 'person-twice'; readonly personId: string } & Two)
  | ({ readonly kind: 'mixer-twice'; readonly mixerId: string } & Two)
  | {
      readonly kind: 'not-in';
      readonly personId: string;
      readonly step: StepRef;
      readonly when: Interval;
    }
  | {
      readonly kind: 'cannot';
      readonly personId: string;
      readonly skill: Skill;
      readonly step: StepRef;
    }
  | {
      readonly kind: 'nobody';
      readonly skill: Skill;
      readonly missing: number;
      readonly step: StepRef;
    }
  | { readonly kind: 'past'; readonly step: StepRef }
  | {
      readonly kind: 'rest-short' | 'rest-long';
      readonly lotId: string;
      readonly stage: number;
      readonly serviceId: string | null;
      readonly hours: number;
      /** What the route allows. */
      readonly boundHours: number;
    }
  | {
      readonly kind: 'bench-full';
      readonly people: number;
      readonly room: number;
      readonly when: Interval;
      readonly steps: readonly StepRef[];
    }
  | {
      readonly kind: 'place-full';
      readonly place: string;
      readonly container: 'trays' | 'tubs';
      readonly amount: number;
      readonly room: number;
      readonly when: Interval;
      readonly lotIds: readonly string[];
    }
  /** Made for other numbers than are wanted now. */
  | {
      readonly kind: 'other-size';
      readonly lotId: string;
      readonly plannedKg: number;
      readonly wantedKg: number;
    }
  | ({ readonly kind: 'open' } & Demand);

/** Two steps that one cannot do at once; the later one first to give way. */
interface Two {
  readonly step: StepRef;
  readonly other: StepRef | null;
  readonly when: Interval;
}

/** Everything in a plan that cannot be as it stands, in time's order within each kind. */
export function conflictsOf(problem: WeekProblem, plan: Pick<WeekPlan, 'lots'>): Conflict[] {
  return [
    ...openDemands(problem, plan.lots),
    ...sizeConflicts(problem, plan.lots),
    ...plan.lots.flatMap((lot) => restConflicts(problem, lot)),
    ...peopleConflicts(problem, plan.lots),
    ...mixerConflicts(problem, plan.lots),
    ...benchConflicts(problem, plan.lots),
    ...placeConflicts(problem, plan.lots),
  ];
}

function openDemands(problem: WeekProblem, lots: readonly PlannedLot[]): Conflict[] {
  return demandsOf(problem)
    .filter(
      ({ doughId, serviceId }) =>
        !lots.some((lot) => lot.doughId === doughId && lot.serviceIds.includes(serviceId)),
    )
    .map((demand) => ({ kind: 'open', ...demand }));
}

/** Lots that differ by no more than this from what is wanted are near enough, a share. */
const NEAR_ENOUGH = 0.03;

function sizeConflicts(problem: WeekProblem, lots: readonly PlannedLot[]): Conflict[] {
  const wanted = new Map(
    problem.doughs.flatMap((dough) =>
      servicesOfDough(problem, dough).map(
        ({ serviceId, neededG }) => [`${dough.id}@${serviceId}`, neededG] as const,
      ),
    ),
  );
  return lots.flatMap((lot): Conflict[] => {
    if (isStarted(lot, problem.nowMin)) return [];
    const dough = problem.doughs.find(({ id }) => id === lot.doughId);
    const neededG = lot.serviceIds.reduce(
      (sum, id) => sum + (wanted.get(`${lot.doughId}@${id}`) ?? 0),
      0,
    );
    if (!dough || neededG === 0) return [];
    const wantedKg = doughForLoadsG(neededG, lot.loads, dough) / 1000;
    const isNear = Math.abs(wantedKg - lot.doughKg) <= NEAR_ENOUGH * lot.doughKg;
    return isNear ? [] : [{ kind: 'other-size', lotId: lot.id, plannedKg: lot.doughKg, wantedKg }];
  });
}

function restConflicts({ doughs, nowMin }: WeekProblem, lot: PlannedLot): Conflict[] {
  const route = doughs.find(({ id }) => id === lot.doughId)?.route ?? [];
  return lot.rests.flatMap(({ stage, serviceId, startMin, endMin }): Conflict[] => {
    const found = route[stage];
    // What has begun is as it is.
    if (found?.kind !== 'rest' || endMin <= nowMin) return [];
    const minutes = endMin - startMin;
    const { least, most } = found.hours;
    const at = { lotId: lot.id, stage, serviceId, hours: minutes / 60 };
    if (minutes < least * 60 - 0.01) return [{ kind: 'rest-short', ...at, boundHours: least }];
    const longest = Math.max(most * 60, least * 60 + QUARTER);
    return minutes > longest + 0.01 ? [{ kind: 'rest-long', ...at, boundHours: most }] : [];
  });
}

interface Busy extends Interval {
  readonly ref: StepRef | null;
}

function peopleConflicts(problem: WeekProblem, lots: readonly PlannedLot[]): Conflict[] {
  const { people, nowMin, doughs, frozenWorks } = problem;
  const conflicts: Conflict[] = [];
  const busy = new Map<string, Busy[]>(people.map(({ id }) => [id, []]));
  for (const { personIds, startMin, endMin } of frozenWorks) {
    for (const id of personIds) busy.get(id)?.push({ startMin, endMin, ref: null });
  }
  for (const lot of lots) {
    const route = doughs.find(({ id }) => id === lot.doughId)?.route ?? [];
    for (const planned of lot.steps) {
      const { startMin, endMin, personIds, skill, stage } = planned;
      if (endMin <= nowMin) continue;
      const step = refOf(lot, planned);
      const work = route[stage];
      const wanted = work?.kind === 'work' ? work.people : 1;
      if (startMin < nowMin && !isStarted(lot, nowMin)) conflicts.push({ kind: 'past', step });
      const missing = wanted - new Set(personIds).size;
      if (missing > 0) conflicts.push({ kind: 'nobody', skill, missing, step });
      for (const personId of new Set(personIds)) {
        const person = people.find(({ id }) => id === personId);
        if (!person?.skills.includes(skill)) {
          conflicts.push({ kind: 'cannot', personId, skill, step });
        } else if (!isIn(person.shifts, Math.max(startMin, nowMin), endMin)) {
          conflicts.push({ kind: 'not-in', personId, step, when: { startMin, endMin } });
        }
        busy.get(personId)?.push({ startMin, endMin, ref: step });
      }
    }
  }
  for (const [personId, list] of busy) {
    for (const two of twos(list)) conflicts.push({ kind: 'person-twice', personId, ...two });
  }
  return conflicts;
}

const isStarted = ({ steps }: PlannedLot, nowMin: number): boolean =>
  steps.some(({ endMin }) => endMin <= nowMin);

/** Whether shifts cover a stretch; shifts that touch are one. */
export function isIn(shifts: readonly Interval[], startMin: number, endMin: number): boolean {
  let at = startMin;
  for (const shift of [...shifts].sort((a, b) => a.startMin - b.startMin)) {
    if (shift.startMin <= at && shift.endMin > at) at = shift.endMin;
  }
  return at >= endMin;
}

/** Pairs in a list that overlap; of each pair the one that can give way, and the other. */
function twos(list: readonly Busy[]): Two[] {
  const sorted = [...list].sort((a, b) => a.startMin - b.startMin);
  const found: Two[] = [];
  let longest: Busy | null = null;
  for (const one of sorted) {
    if (longest && one.startMin < longest.endMin) {
      const [gives, other] = one.ref ? [one, longest] : [longest, one];
      if (gives.ref) {
        const when = { startMin: one.startMin, endMin: Math.min(one.endMin, longest.endMin) };
        found.push({ step: gives.ref, other: other.ref, when });
      }
    }
    if (!longest || one.endMin > longest.endMin) longest = one;
  }
  return found;
}

function mixerConflicts(
  { frozenWorks, nowMin }: WeekProblem,
  lots: readonly PlannedLot[],
): Conflict[] {
  const busy = new Map<string, Busy[]>();
  const note = (id: string, one: Busy) => busy.set(id, [...(busy.get(id) ?? []), one]);
  for (const { mixerId, startMin, endMin } of frozenWorks) {
    if (mixerId !== null) note(mixerId, { startMin, endMin, ref: null });
  }
  for (const lot of lots) {
    for (const step of lot.steps) {
      const { mixerId, startMin, endMin } = step;
      if (mixerId !== null && endMin > nowMin)
        note(mixerId, { startMin, endMin, ref: refOf(lot, step) });
    }
  }
  return [...busy].flatMap(([mixerId, list]) =>
    twos(list).map((two): Conflict => ({ kind: 'mixer-twice', mixerId, ...two })),
  );
}

function benchConflicts(problem: WeekProblem, lots: readonly PlannedLot[]): Conflict[] {
  const { benchPlaces: room, nowMin } = problem;
  return overfull(benchTakings(problem, lots), room, nowMin).map(
    ({ startMin, endMin, amount, whose }): Conflict => ({
      kind: 'bench-full',
      people: amount,
      room,
      when: { startMin, endMin },
      steps: [...whose],
    }),
  );
}

function placeConflicts(problem: WeekProblem, lots: readonly PlannedLot[]): Conflict[] {
  return problem.places.flatMap((place) =>
    (['trays', 'tubs'] as const).flatMap((container) =>
      overfull(
        placeTakings(problem, lots, place.name, container),
        place[container],
        problem.nowMin,
      ).map(({ startMin, endMin, amount, whose }): Conflict => ({
        kind: 'place-full',
        place: place.name,
        container,
        amount,
        room: place[container],
        when: { startMin, endMin },
        lotIds: [...whose],
      })),
    ),
  );
}

/** The step of a plan that a name stands for. */
export function findStep(
  lots: readonly PlannedLot[],
  { lotId, ...ref }: StepRef,
): { readonly lot: PlannedLot; readonly step: PlannedStep } | null {
  const lot = lots.find(({ id }) => id === lotId);
  const step = lot?.steps.find((each) => isStep(each, ref));
  return lot && step ? { lot, step } : null;
}
