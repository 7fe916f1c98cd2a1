import { isAtBench, spanOf } from '../search/ledger';
import { plannedRest, plannedStep } from './plannedLot';
import { lotVariantOf, servicesOfDough, type Block, type LotVariant } from '../search/lotVariants';
import { isIn } from '../conflicts/conflicts';
import {
  QUARTER,
  type PlannedLot,
  type PlannedRest,
  type PlannedStep,
  type WeekProblem,
} from './problem';

/**
 * A dough for some services, each stage as its route prefers, counted back from the doors: the way a lot
 * goes of which nobody has said otherwise. What waits for a later service stays in the cold. Nobody does
 * its work yet.
 *
 * @returns null when no load of its mixer fits, or the route cannot hold it so long
 */
export function preferredLot(
  problem: WeekProblem,
  doughId: string,
  serviceIds: readonly string[],
): PlannedLot | null {
  const dough = problem.doughs.find(({ id }) => id === doughId);
  const run = dough
    ? servicesOfDough(problem, dough).filter(({ serviceId }) => serviceIds.includes(serviceId))
    : [];
  const [mixer] = dough?.mixers ?? [];
  const variant =
    dough && mixer && run.length > 0 ? lotVariantOf(problem, dough, run, mixer) : null;
  return variant ? laidAtPreferred(variant) : null;
}

function laidAtPreferred(variant: LotVariant): PlannedLot {
  const steps: PlannedStep[] = [];
  const rests: PlannedRest[] = [];
  const minute = (quarter: number) => quarter * QUARTER;
  lay(variant.root, startOf(variant.root));
  return {
    id: `${variant.doughId}/${variant.serviceIds[0]}`,
    doughId: variant.doughId,
    serviceIds: variant.serviceIds,
    mixerId: variant.mixerId,
    loads: variant.loads,
    doughKg: variant.doughKg,
    steps: steps.sort((a, b) => a.startMin - b.startMin),
    rests,
    cost: { quality: 0, unsocial: 0, mix: 0, change: 0 },
  };

  function lay(block: Block, start: number): void {
    for (const work of block.works) {
      steps.push(plannedStep(variant, block, work, minute(start + work.offset), []));
    }
    for (const edge of block.next) {
      const to = startOf(edge.to);
      if (edge.rest.place !== '')
        rests.push(plannedRest(edge, minute(start + block.quarters), minute(to)));
      lay(edge.to, to);
    }
  }
}

/** Where a block starts when everything after it rests as preferred; the first of several decides. */
function startOf(block: Block): number {
  if (block.anchor !== null) return block.anchor;
  return Math.min(
    ...block.next.map(({ preferred, to }) => startOf(to) - preferred - block.quarters),
  );
}

/** Lots whose work lacks hands, given to whoever is in, can do it and is free; least skilled first. */
export function manned(
  { people, frozenWorks, doughs }: WeekProblem,
  lots: readonly PlannedLot[],
): PlannedLot[] {
  const busy = [...frozenWorks, ...lots.flatMap(({ steps }) => steps)].map(
    ({ personIds, startMin, endMin }) => ({ personIds, startMin, endMin }),
  );
  const handsFor = (lot: PlannedLot, { stage }: PlannedStep) => {
    const work = doughs.find(({ id }) => id === lot.doughId)?.route[stage];
    return work?.kind === 'work' ? work.people : 1;
  };
  const given = new Map<PlannedStep, readonly string[]>();
  const lacking = lots
    .flatMap((lot) => lot.steps.map((step) => ({ step, hands: handsFor(lot, step) })))
    .filter(({ step, hands }) => step.personIds.length < hands)
    .sort((a, b) => a.step.startMin - b.step.startMin);
  for (const { step, hands } of lacking) {
    const { startMin, endMin, skill } = step;
    const come = people
      .filter(({ id, skills, shifts }) => {
        const isFree = !busy.some(
          (each) => each.personIds.includes(id) && each.startMin < endMin && each.endMin > startMin,
        );
        return isFree && skills.includes(skill) && isIn(shifts, startMin, endMin);
      })
      .sort((a, b) => a.skills.length - b.skills.length)
      .slice(0, hands - step.personIds.length)
      .map(({ id }) => id);
    const personIds = [...step.personIds, ...come];
    given.set(step, personIds);
    busy.push({ personIds, startMin, endMin });
  }
  return lots.map((lot) => ({
    ...lot,
    steps: lot.steps.map((step) => ({ ...step, personIds: given.get(step) ?? step.personIds })),
  }));
}

/**
 * Lots that stay where they are, but with other hands wherever whoever was to do it is not in or cannot.
 *
 * @param isHeld steps that keep their hands whatever happens
 */
export function remanned(
  problem: WeekProblem,
  lots: readonly PlannedLot[],
  isHeld: (lot: PlannedLot, step: PlannedStep) => boolean,
): PlannedLot[] {
  const canDo = (personId: string, { skill, startMin, endMin }: PlannedStep) =>
    problem.people.some(
      ({ id, skills, shifts }) =>
        id === personId && skills.includes(skill) && isIn(shifts, startMin, endMin),
    );
  const kept = lots.map((lot) => ({
    ...lot,
    steps: lot.steps.map((step) =>
      step.startMin < problem.nowMin || isHeld(lot, step)
        ? step
        : { ...step, personIds: step.personIds.filter((id) => canDo(id, step)) },
    ),
  }));
  return manned(problem, kept);
}

/** A week without some lots that are planned already: what they take is taken, what they make is made. */
export function weekWithout(problem: WeekProblem, lots: readonly PlannedLot[]): WeekProblem {
  const { first } = spanOf(problem);
  const isPreferment = ({ endMin }: { readonly endMin: number }) => endMin > first * QUARTER;
  const isMade = (doughId: string, serviceId: string) =>
    lots.some((lot) => lot.doughId === doughId && lot.serviceIds.includes(serviceId));
  return {
    ...problem,
    wanted: problem.wanted.filter(({ serviceId, productId }) => {
      const doughId = problem.products.find(({ id }) => id === productId)?.doughId ?? '';
      return !isMade(doughId, serviceId);
    }),
    frozenWorks: [
      ...problem.frozenWorks,
      ...lots.flatMap(({ steps }) =>
        steps.filter(isPreferment).map((step) => ({
          startMin: step.startMin,
          endMin: step.endMin,
          personIds: step.personIds,
          mixerId: step.mixerId,
          bench: isAtBench(step.key) ? step.personIds.length : 0,
        })),
      ),
    ],
    frozenRests: [
      ...problem.frozenRests,
      ...lots.flatMap(({ rests }) =>
        rests
          .filter((rest) => isPreferment(rest) && rest.endMin > rest.startMin)
          .map(({ startMin, endMin, place, trays, tubs }) => ({
            startMin,
            endMin,
            place,
            trays,
            tubs,
          })),
      ),
    ],
  };
}
