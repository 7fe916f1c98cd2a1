import { withRelaxation, type Interval, type WeekProblem } from '@calm/core';
import type { Assumption, WeekDocument } from '@calm/contract';
import { problemOfWeek } from './weekProblem';

/**
 * A week with everything that its plan takes to be so: what changes who is in, what is wanted and which
 * limits hold. Warmth and cold rooms that fail change dough only: they are the climate's.
 */
export function weekWithAssumptions(
  document: WeekDocument,
  assumptions: readonly Assumption[],
): { readonly document: WeekDocument; readonly problem: WeekProblem } {
  const problem = assumptions.reduce(withAssumption, problemOfWeek(document));
  const { wanted } = problem;
  const doughs = document.doughs.map((dough) => ({
    ...dough,
    ...problem.doughs.find(({ id }) => id === dough.id),
  }));
  return { document: { ...document, wanted, doughs }, problem };
}

function withAssumption(problem: WeekProblem, assumption: Assumption): WeekProblem {
  switch (assumption.kind) {
    case 'relaxation':
      return withRelaxation(problem, assumption.relaxation);
    case 'away':
      return {
        ...problem,
        people: problem.people.map((person) =>
          person.id === assumption.personId
            ? {
                ...person,
                shifts: person.shifts.flatMap((shift) => without(shift, assumption.when)),
              }
            : person,
        ),
      };
    case 'mixer-down':
      return withoutMixer(problem, assumption.mixerId, assumption.when);
    case 'more-balls':
      return {
        ...problem,
        wanted: problem.wanted.map((each) =>
          each.serviceId === assumption.serviceId
            ? {
                ...each,
                count: Math.max(0, Math.round(each.count * (1 + assumption.percent / 100))),
              }
            : each,
        ),
      };
    case 'warmer':
    case 'room-down':
    case 'warm-tap':
      return problem;
  }
}

/** A week in which a mixer does not run for a while: as if somebody worked at it, and every other takes its doughs. */
function withoutMixer(problem: WeekProblem, mixerId: string, when: Interval): WeekProblem {
  return {
    ...problem,
    frozenWorks: [...problem.frozenWorks, { ...when, personIds: [], mixerId, bench: 0 }],
    doughs: problem.doughs.map((dough) => ({
      ...dough,
      mixers: dough.mixers.some((own) => own.mixerId === mixerId && !own.isStandIn)
        ? dough.mixers.map(({ isStandIn: _, ...mixer }) => mixer)
        : dough.mixers,
    })),
  };
}

/** What is left of a stretch without another. */
function without({ startMin, endMin }: Interval, gone: Interval): Interval[] {
  return [
    { startMin, endMin: Math.min(endMin, gone.startMin) },
    { startMin: Math.max(startMin, gone.endMin), endMin },
  ].filter((left) => left.endMin > left.startMin);
}
