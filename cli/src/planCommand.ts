import { doseOfLot, lotDocument, problemOfWeek, wavesOfLot } from '@calm/domain';
import type { WeekDocument } from '@calm/contract';
import { check, weekSchema } from '@calm/contract/schemas';
import { clashOf, gapPercent, optimizeWeek, weekFaults, type SolverProgress } from '@calm/core';
import type { Answer } from './answer';
import {
  formatConflictMessage,
  formatRelaxationMessage,
  formatWeekFaultMessage,
} from './weekWords';

/** A plan this near its bound is not worth another second. */
const NEAR_ENOUGH_PERCENT = 0.01;

/** `calm plan`: a week's lots, steps, people and places, with doses and how far from the best it can be. */
export function planCommand(input: unknown): Answer {
  const checked = check(weekSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const document = checked.value;
  const problem = problemOfWeek(document);
  const faults = weekFaults(problem);
  if (faults.length > 0)
    return { kind: 'cannot', why: faults.map(formatWeekFaultMessage), reasons: faults };
  const solved = optimize(document);
  const [open] = solved.plan.open;
  if (!open) return { kind: 'done', document: planDocument(document, solved) };
  const clash = clashOf(problem, open);
  if (!clash) {
    const reason = { kind: 'not-found', ...open } as const;
    return { kind: 'cannot', why: [formatConflictMessage([open], document)], reasons: [reason] };
  }
  return {
    kind: 'cannot',
    why: [formatConflictMessage(clash.demands, document)],
    reasons: [clash],
    alternatives: clash.waysOut.map((way) => ({
      ...way,
      say: formatRelaxationMessage(way, document),
    })),
  };
}

function optimize(document: WeekDocument): SolverProgress {
  const search = optimizeWeek(problemOfWeek(document));
  const until = performance.now() + document.seconds * 1000;
  let solved = search.next().value;
  while (performance.now() < until && (gapPercent(solved) ?? 100) > NEAR_ENOUGH_PERCENT) {
    solved = search.next().value;
  }
  return solved;
}

function planDocument(document: WeekDocument, solved: SolverProgress) {
  const { plan, points, bound, rounds } = solved;
  return {
    lots: plan.lots.map((lot) => {
      const dose = doseOfLot(document, lot);
      const pulls = dose?.kind === 'dosed' ? wavesOfLot(document, lot, dose.windows) : [];
      return { ...lotDocument(lot), dose, pulls };
    }),
    cost: plan.cost,
    points,
    bound: Number.isFinite(bound) ? bound : null,
    gapPercent: gapPercent(solved),
    rounds,
  };
}
