import { doseOfLot, lotDocument, problemOfWeek, wavesOfLot } from '@calm/domain';
import type { WeekDocument } from '@calm/contract';
import { check, weekSchema } from '@calm/contract/schemas';
import { clashOf, gapPercent, settleWeek, weekFaults, type Settling } from '@calm/core';
import type { Answer } from './answer';
import { sayClash, sayWayOut, sayWeekFault } from './weekWords';

/** A plan this near its bound is not worth another second. */
const NEAR_ENOUGH_PERCENT = 0.01;

/** `calm plan`: a week's lots, steps, people and places, with doses and how far from the best it can be. */
export function planCommand(input: unknown): Answer {
  const checked = check(weekSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const document = checked.value;
  const problem = problemOfWeek(document);
  const faults = weekFaults(problem);
  if (faults.length > 0) return { kind: 'cannot', why: faults.map(sayWeekFault), reasons: faults };
  const settled = settle(document);
  const [open] = settled.plan.open;
  if (!open) return { kind: 'done', document: planDocument(document, settled) };
  const clash = clashOf(problem, open);
  if (!clash) {
    const reason = { kind: 'not-found', ...open } as const;
    return { kind: 'cannot', why: [sayClash([open], document)], reasons: [reason] };
  }
  return {
    kind: 'cannot',
    why: [sayClash(clash.demands, document)],
    reasons: [clash],
    alternatives: clash.waysOut.map((way) => ({ ...way, say: sayWayOut(way, document) })),
  };
}

function settle(document: WeekDocument): Settling {
  const search = settleWeek(problemOfWeek(document));
  const until = performance.now() + document.seconds * 1000;
  let settled = search.next().value;
  while (performance.now() < until && (gapPercent(settled) ?? 100) > NEAR_ENOUGH_PERCENT) {
    settled = search.next().value;
  }
  return settled;
}

function planDocument(document: WeekDocument, settled: Settling) {
  const { plan, points, bound, rounds } = settled;
  return {
    lots: plan.lots.map((lot) => {
      const dose = doseOfLot(document, lot);
      const pulls = dose?.kind === 'dosed' ? wavesOfLot(document, lot, dose.windows) : [];
      return { ...lotDocument(lot), dose, pulls };
    }),
    cost: plan.cost,
    points,
    bound: Number.isFinite(bound) ? bound : null,
    gapPercent: gapPercent(settled),
    rounds,
  };
}
