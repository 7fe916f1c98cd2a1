import { withWayOut, type Stretch, type WeekProblem } from '@calm/core';
import type { AsIf, WeekDocument } from '@calm/contract';
import { problemOfWeek } from './weekProblem';

/**
 * A week with everything that its plan takes to be so: what changes who is in, what is wanted and which
 * limits hold. Warmth and cold rooms that fail change dough only: they are the climate's.
 */
export function weekAsIf(
  document: WeekDocument,
  asIfs: readonly AsIf[],
): { readonly document: WeekDocument; readonly problem: WeekProblem } {
  const problem = asIfs.reduce(withAsIf, problemOfWeek(document));
  const { wanted } = problem;
  const doughs = document.doughs.map((dough) => ({
    ...dough,
    ...problem.doughs.find(({ id }) => id === dough.id),
  }));
  return { document: { ...document, wanted, doughs }, problem };
}

function withAsIf(problem: WeekProblem, asIf: AsIf): WeekProblem {
  switch (asIf.kind) {
    case 'way-out':
      return withWayOut(problem, asIf.way);
    case 'away':
      return {
        ...problem,
        people: problem.people.map((person) =>
          person.id === asIf.personId
            ? { ...person, shifts: person.shifts.flatMap((shift) => without(shift, asIf.when)) }
            : person,
        ),
      };
    case 'more-balls':
      return {
        ...problem,
        wanted: problem.wanted.map((each) =>
          each.serviceId === asIf.serviceId
            ? { ...each, count: Math.max(0, Math.round(each.count * (1 + asIf.percent / 100))) }
            : each,
        ),
      };
    case 'warmer':
    case 'room-down':
    case 'warm-tap':
      return problem;
  }
}

/** What is left of a stretch without another. */
function without({ startMin, endMin }: Stretch, gone: Stretch): Stretch[] {
  return [
    { startMin, endMin: Math.min(endMin, gone.startMin) },
    { startMin: Math.max(startMin, gone.endMin), endMin },
  ].filter((left) => left.endMin > left.startMin);
}
