import { editLot, givenTo, type StepRef } from '../edit/editPlan';
import { conflictsOf, findStep, isIn, type Conflict } from './conflicts';
import type { PlannedLot, PlannedStep, WeekProblem } from '../problem/problem';

/** One change by hand that takes a conflict away and makes no other. */
export type ConflictFix =
  | { readonly kind: 'give'; readonly step: StepRef; readonly personIds: readonly string[] }
  | {
      readonly kind: 'move';
      readonly step: StepRef;
      readonly startMin: number;
      readonly byMin: number;
    };

/** Steps are moved this far at most, and in steps of this, to mend something. */
const FARTHEST_MIN = 8 * 60;
const STEP_MIN = 5;
/** No more than these are offered. */
const MOST_OFFERED = 3;

/** The lots after a fix. */
export function fixed(
  problem: WeekProblem,
  lots: readonly PlannedLot[],
  fix: ConflictFix,
  isHeld: (step: PlannedStep) => boolean = () => false,
): PlannedLot[] {
  const { lotId, ...ref } = fix.step;
  return lots.map((lot) => {
    if (lot.id !== lotId) return lot;
    return fix.kind === 'give'
      ? givenTo(lot, ref, fix.personIds)
      : editLot(problem, lot, ref, fix.startMin, isHeld);
  });
}

/** Steps that a conflict is tried to be mended at. */
const MOST_STEPS = 6;

/** A fix with how many conflicts it leaves. */
interface Tried {
  readonly fix: ConflictFix;
  readonly left: number;
}

/**
 * The least changes by hand that take a conflict away: those first that leave the fewest others, and of these
 * the work given to somebody else before work that is moved, no farther than it must. Every one was tried: it
 * takes this conflict away and makes no other.
 *
 * @param isHeld steps that do not give way
 */
export function conflictFixesOf(
  problem: WeekProblem,
  lots: readonly PlannedLot[],
  conflict: Conflict,
  isHeld: (step: PlannedStep) => boolean = () => false,
): ConflictFix[] {
  const before = new Set(conflictsOf(problem, { lots }).map(nameOf));
  const gone = nameOf(conflict);
  const tried = (fix: ConflictFix): Tried[] => {
    const after = conflictsOf(problem, { lots: fixed(problem, lots, fix, isHeld) }).map(nameOf);
    const helps = !after.includes(gone) && after.every((name) => before.has(name));
    return helps ? [{ fix, left: after.length }] : [];
  };
  const steps = stepsIn(lots, conflict).slice(0, MOST_STEPS);
  const given = steps.flatMap((step) => othersFor(problem, lots, step)).flatMap(tried);
  const moves = steps.flatMap((step): Tried[] => {
    const found = findStep(lots, step);
    if (!found || isHeld(found.step) || found.step.startMin < problem.nowMin) return [];
    const { startMin } = found.step;
    return bestMove((byMin) => tried({ kind: 'move', step, startMin: startMin + byMin, byMin }));
  });
  moves.sort((a, b) => farOf(a.fix) - farOf(b.fix));
  return [...given, ...moves]
    .sort((a, b) => a.left - b.left)
    .slice(0, MOST_OFFERED)
    .map(({ fix }) => fix);
}

const farOf = (fix: ConflictFix): number => (fix.kind === 'move' ? Math.abs(fix.byMin) : 0);

/** The smallest move to either side of those that leave the fewest conflicts. */
function bestMove(tried: (byMin: number) => Tried[]): Tried[] {
  let best: Tried | null = null;
  for (let by = STEP_MIN; by <= FARTHEST_MIN && best?.left !== 0; by += STEP_MIN) {
    for (const one of [...tried(by), ...tried(-by)]) {
      if (!best || one.left < best.left) best = one;
    }
  }
  return best ? [best] : [];
}

/** The steps that a conflict could be mended at. */
function stepsIn(lots: readonly PlannedLot[], conflict: Conflict): StepRef[] {
  switch (conflict.kind) {
    case 'person-twice':
    case 'mixer-twice':
      return conflict.other ? [conflict.step, conflict.other] : [conflict.step];
    case 'not-in':
    case 'cannot':
    case 'nobody':
    case 'past':
      return [conflict.step];
    case 'bench-full':
      return [...conflict.steps];
    case 'rest-short':
    case 'rest-long': {
      const lot = lots.find(({ id }) => id === conflict.lotId);
      return (lot?.steps ?? [])
        .filter(({ stage }) => Math.abs(stage - conflict.stage) === 1)
        .filter(({ serviceId }) => serviceId === null || serviceId === conflict.serviceId)
        .map(({ stage, serviceId }) => ({ lotId: conflict.lotId, stage, serviceId }));
    }
    case 'place-full':
      return lots
        .filter(({ id }) => conflict.lotIds.includes(id))
        .flatMap(({ id: lotId, steps, rests }) => {
          const here = rests.filter(({ place }) => place === conflict.place);
          return steps
            .filter(({ stage, serviceId }) =>
              here.some(
                (rest) =>
                  Math.abs(rest.stage - stage) === 1 &&
                  (serviceId === null || serviceId === rest.serviceId),
              ),
            )
            .map(({ stage, serviceId }) => ({ lotId, stage, serviceId }));
        });
    case 'other-size':
    case 'open':
      return [];
  }
}

/** Who else could do a step, with as few changes as can be; least skilled first, as they can do least else. */
function othersFor(problem: WeekProblem, lots: readonly PlannedLot[], ref: StepRef): ConflictFix[] {
  const found = findStep(lots, ref);
  if (!found) return [];
  const { step } = found;
  const wanted = problem.doughs.find(({ id }) => id === found.lot.doughId)?.route[step.stage];
  const needs = wanted?.kind === 'work' ? wanted.people : 1;
  const isBusy = (personId: string) =>
    lots.some((lot) =>
      lot.steps.some(
        (each) =>
          each !== step &&
          each.personIds.includes(personId) &&
          each.startMin < step.endMin &&
          each.endMin > step.startMin,
      ),
    );
  const able = problem.people
    .filter(
      ({ skills, shifts }) =>
        skills.includes(step.skill) && isIn(shifts, step.startMin, step.endMin),
    )
    .sort((a, b) => a.skills.length - b.skills.length)
    .map(({ id }) => id);
  const stays = step.personIds.filter((id) => able.includes(id) && !isBusy(id));
  const comes = able.filter((id) => !step.personIds.includes(id) && !isBusy(id));
  const missing = Math.max(0, needs - stays.length);
  if (missing === 0) return comes.map((id) => give([...stays.slice(1), id]));
  if (comes.length < missing) return [];
  return missing > 1
    ? [give([...stays, ...comes.slice(0, missing)])]
    : comes.map((id) => give([...stays, id]));

  function give(personIds: readonly string[]): ConflictFix {
    return { kind: 'give', step: ref, personIds };
  }
}

/** What a conflict is about, whatever its times and amounts. */
export function nameOf(conflict: Conflict): string {
  const stepKey = ({ lotId, stage, serviceId }: StepRef) => `${lotId}:${stage}:${serviceId ?? ''}`;
  switch (conflict.kind) {
    case 'person-twice':
    case 'mixer-twice': {
      const who = conflict.kind === 'person-twice' ? conflict.personId : conflict.mixerId;
      const both = [conflict.step, conflict.other].flatMap((ref) => (ref ? [stepKey(ref)] : []));
      return [conflict.kind, who, ...both.sort()].join('|');
    }
    case 'not-in':
    case 'cannot':
      return [conflict.kind, conflict.personId, stepKey(conflict.step)].join('|');
    case 'nobody':
    case 'past':
      return [conflict.kind, stepKey(conflict.step)].join('|');
    case 'rest-short':
    case 'rest-long':
      return [conflict.kind, conflict.lotId, conflict.stage, conflict.serviceId ?? ''].join('|');
    case 'bench-full':
      return [conflict.kind, ...conflict.steps.map(stepKey).sort()].join('|');
    case 'place-full':
      return [
        conflict.kind,
        conflict.place,
        conflict.container,
        ...[...conflict.lotIds].sort(),
      ].join('|');
    case 'other-size':
      return [conflict.kind, conflict.lotId].join('|');
    case 'open':
      return [conflict.kind, conflict.doughId, conflict.serviceId].join('|');
  }
}
