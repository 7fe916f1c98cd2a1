import { editLot, MINUTE_MS, type PlannedLot, type StepRef } from '@calm/core';
import type { WeekDocument } from '@calm/contract';
import type { Climate } from '../../week/climate';
import { simulateLot, type SimulatedLot } from '../../week/weekDoses';
import { problemOfWeek } from '../../week/weekProblem';
import type { Evenings } from './evenings';
import { futureOf } from './futures';
import { oddsOf, outcomeOf, type PartFutures } from './outcomes';
import { partsOfLot, windowsIn, type ServicePart } from './servicePart';

/** What would make a weak part stronger. */
export type Strengthening = { readonly odds: number } & (
  | {
      readonly kind: 'pull';
      readonly step: StepRef;
      readonly byMin: number;
      readonly toMin: number;
    }
  | { readonly kind: 'more-balls'; readonly percent: number }
);

/** Less is no strengthening. */
const WORTH = 0.01;
/** Half an hour sooner or later; so many more balls, percent. */
const PULLS_MIN = [-30, 30] as const;
const MORE_PERCENT = [10, 20] as const;

/** The plan that a part is of. */
export interface PlanOfPart {
  readonly document: WeekDocument;
  /** Lots whose yeast is in them already. */
  readonly mixed: readonly string[];
}

/** A part that is weak, as it was rehearsed. */
export interface RehearsedOnce {
  readonly part: ServicePart;
  readonly known: PartFutures;
  readonly evenings: Evenings;
  readonly simulated: SimulatedLot;
  readonly climate: Climate;
  readonly odds: number;
}

/** The best of what can be tried with a weak part, in the same futures; null where nothing makes it stronger. */
export function strengthened(plan: PlanOfPart, of: RehearsedOnce): Strengthening | null {
  const all = [...pulledOtherwise(plan, of), ...withMoreBalls(plan, of)];
  // The first of what is as good costs least.
  const best = all.reduce<Strengthening | null>(
    (found, each) => (found && found.odds >= each.odds - WORTH ? found : each),
    null,
  );
  return best && best.odds - of.odds >= WORTH ? best : null;
}

const isSame = (a: ServicePart, b: ServicePart): boolean =>
  a.serviceId === b.serviceId && a.productId === b.productId;

/** Its trays pulled sooner or later: its lot is dosed for it, and its waves follow. */
function pulledOtherwise(
  { document, mixed }: PlanOfPart,
  { part, known: { draws }, evenings, climate }: RehearsedOnce,
): Strengthening[] {
  const { lot, serviceId } = part;
  const pull = lot.steps.find((step) => step.key === 'pull' && step.serviceId === serviceId);
  if (!pull) return [];
  const problem = problemOfWeek(document);
  const nowMin = Date.parse(document.now) / MINUTE_MS;
  const step: StepRef = { lotId: lot.id, stage: pull.stage, serviceId };
  const isMixed = mixed.includes(lot.id);
  return PULLS_MIN.filter((byMin) => pull.startMin + byMin >= nowMin).flatMap(
    (byMin): Strengthening[] => {
      const toMin = pull.startMin + byMin;
      const moved: PlannedLot = editLot(problem, lot, step, toMin);
      const simulated = simulateLot(document, moved, { climate, isMixed });
      const again = partsOfLot(document, moved, simulated).find((each) => isSame(each, part));
      if (!again) return [];
      const known = { draws, windows: windowsIn(again, draws.map(futureOf)) };
      const odds = oddsOf(again, outcomeOf(again, known, evenings));
      return [{ kind: 'pull', step, byMin, toMin, odds }];
    },
  );
}

/** More balls for its service; what is mixed already is as much as it is. */
function withMoreBalls(
  { document, mixed }: PlanOfPart,
  { part, known, evenings, simulated }: RehearsedOnce,
): Strengthening[] {
  if (mixed.includes(part.lot.id)) return [];
  return MORE_PERCENT.flatMap((percent): Strengthening[] => {
    const wanted = document.wanted.map((each) =>
      each.serviceId === part.serviceId
        ? { ...each, count: Math.round(each.count * (1 + percent / 100)) }
        : each,
    );
    const again = partsOfLot({ ...document, wanted }, part.lot, simulated).find((each) =>
      isSame(each, part),
    );
    if (!again) return [];
    const odds = oddsOf(again, outcomeOf(again, known, evenings));
    return [{ kind: 'more-balls', percent, odds }];
  });
}
