import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import loadHighs from 'highs';
import { checkWeek } from '../../test-support/checkWeek';
import {
  clashOf,
  demandsOf,
  gapPercent,
  impossibleAmong,
  optimizeWeek,
  stepName,
  totalOf,
  tryWeek,
  weekFaults,
  withRelaxation,
  type PlannedLot,
  type SolverProgress,
  type WeekPlan,
  type WeekProblem,
} from '..';
import { exactModelOf } from '../../test-support/exactModel';
import { clashingWeek, madeUpWeek, TEN_WEEKS, weekOfTen } from '../../test-support/weeks';
import { dispatchWeek } from '../../test-support/dispatch';

/** A search after some steps, with every plan it told on the way. */
function solved(
  problem: WeekProblem,
  steps: number,
): { last: SolverProgress; all: SolverProgress[] } {
  const search = optimizeWeek(problem);
  const all = Array.from({ length: steps + 1 }, () => search.next().value);
  return { last: all.at(-1) as SolverProgress, all };
}

/** A search until its gap is small enough; at most so many steps. */
function solvedUntil(problem: WeekProblem, gap: number, mostSteps: number): SolverProgress {
  const search = optimizeWeek(problem);
  let last = search.next().value as SolverProgress;
  for (let i = 0; i < mostSteps && !((gapPercent(last) ?? 100) < gap); i += 1) {
    last = search.next().value as SolverProgress;
  }
  return last;
}

describe('ten made-up weeks, from 3 lots to 60', () => {
  it.each(TEN_WEEKS)('seed $seed: every plan on the way keeps every rule', ({ seed, size }) => {
    const problem = madeUpWeek(seed, size);
    expect(weekFaults(problem)).toEqual([]);
    const { all, last } = solved(problem, 8);
    for (const { plan, open } of all) {
      expect(checkWeek(problem, plan)).toEqual([]);
      expect(plan.open).toHaveLength(open);
    }
    expect(last.open).toBe(0);
    // Never worse than before, and never better than what is proven.
    all.slice(1).forEach((one, i) => {
      const before = all[i] as SolverProgress;
      if (one.open === before.open) expect(one.points).toBeLessThanOrEqual(before.points + 1e-9);
      expect(one.bound).toBeGreaterThanOrEqual(before.bound);
    });
    expect(last.bound).toBeLessThanOrEqual(last.points + 1e-6);
    expect(totalOf(last.plan.cost)).toBeCloseTo(last.points, 6);
  });

  it('are the same each time with the same seed', () => {
    const problem = weekOfTen(5);
    expect(solved(problem, 3).last.plan).toEqual(solved(problem, 3).last.plan);
  });

  it('cost less than each dough of each day by itself, begun as late as can be', () => {
    const problem = weekOfTen(7);
    const plain = dispatchWeek(problem);
    expect(checkWeek(problem, plain)).toEqual([]);
    const missing = (plan: WeekPlan) => totalOf(plan.cost) + 1000 * plan.open.length;
    expect(missing(solved(problem, 3).last.plan)).toBeLessThan(missing(plain));
  });
});

describe('weeks of up to eight lots', () => {
  it.each(TEN_WEEKS.slice(0, 4))(
    'seed $seed: cost what a solver proves to be the least',
    async ({ seed, size }) => {
      const problem = madeUpWeek(seed, size);
      const last = solvedUntil(problem, 0.01, 150);
      const highs = await loadHighs();
      const proven = highs.solve(exactModelOf(problem).text, { mip_rel_gap: 1e-7 });
      expect(proven.Status).toBe('Optimal');
      expect(last.points).toBeCloseTo(proven.ObjectiveValue, 3);
      expect(gapPercent(last)).toBeLessThan(0.01);
    },
    120_000,
  );
});

describe('the stranger who looks plans over', () => {
  const problem = weekOfTen(3);
  const { plan } = solved(problem, 2).last;
  const changed = (at: number, to: (lot: PlannedLot) => PlannedLot): WeekPlan => ({
    ...plan,
    lots: plan.lots.map((lot, i) => (i === at ? to(lot) : lot)),
  });

  it('finds any step that is moved, lengthened or given to another', () => {
    const steps = plan.lots.flatMap(({ steps: list }, lot) =>
      list.map((_, step) => ({ lot, step })),
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...steps),
        fc.constantFrom('later', 'earlier', 'longer', 'nobody', 'stranger', 'twice'),
        ({ lot, step }, how) => {
          const edited = changed(lot, (was) => ({
            ...was,
            steps: was.steps.map((one, i) => {
              if (i !== step) return one;
              const { startMin, endMin, personIds } = one;
              if (how === 'later') return { ...one, startMin: startMin + 15, endMin: endMin + 15 };
              if (how === 'earlier')
                return { ...one, startMin: startMin - 15, endMin: endMin - 15 };
              if (how === 'longer') return { ...one, endMin: endMin + 15 };
              if (how === 'nobody') return { ...one, personIds: [] };
              if (how === 'stranger') return { ...one, personIds: ['nobody-knows'] };
              return { ...one, personIds: [...personIds, ...personIds] };
            }),
          }));
          expect(checkWeek(problem, edited).length).toBeGreaterThan(0);
        },
      ),
    );
  });

  it('finds a lot too many, too few, in the wrong mixer, in too large a load', () => {
    const [first] = plan.lots;
    if (!first) throw new Error('a plan of lots');
    for (const edited of [
      { ...plan, lots: plan.lots.slice(1) },
      { ...plan, lots: [...plan.lots, first] },
      changed(0, (lot) => ({ ...lot, mixerId: 'another' })),
      changed(0, (lot) => ({ ...lot, doughKg: 100, loads: 1 })),
    ]) {
      expect(checkWeek(problem, edited).length).toBeGreaterThan(0);
    }
  });

  it('finds a place, a bench, a mixer or a person taken twice', () => {
    const tight = (to: Partial<WeekProblem>) => checkWeek({ ...problem, ...to }, plan);
    const steps = plan.lots.flatMap(({ steps: list }) => list);
    const mixing = steps.find(({ mixerId }) => mixerId !== null);
    if (!mixing) throw new Error('something is mixed');
    const { startMin, endMin, personIds, mixerId } = mixing;
    const frozen = { startMin, endMin, bench: 0, personIds: [], mixerId: null };
    expect(tight({ places: problem.places.map((place) => ({ ...place, trays: 1 })) })).not.toEqual(
      [],
    );
    expect(tight({ benchPlaces: 0 })).not.toEqual([]);
    expect(tight({ frozenWorks: [{ ...frozen, personIds }] })).not.toEqual([]);
    expect(tight({ frozenWorks: [{ ...frozen, mixerId }] })).not.toEqual([]);
    expect(tight({ nowMin: endMin })).not.toEqual([]);
    expect(
      tight({ people: problem.people.map((person) => ({ ...person, shifts: [] })) }),
    ).not.toEqual([]);
  });
});

describe('weeks that cannot be', () => {
  it.each(Array.from({ length: 20 }, (_, i) => i + 1))(
    'seed %i: name what clashes, and any one of it changed lets the week be',
    (seed) => {
      const problem = clashingWeek(seed);
      const [open] = solved(problem, 8).last.plan.open;
      if (!open) throw new Error('this week cannot be');
      const clash = clashOf(problem, open);
      if (!clash) throw new Error('there is a clash');
      expect(clash.demands.length).toBeLessThanOrEqual(2);
      expect(clash.waysOut.length).toBeGreaterThan(clash.demands.length);
      expect(clash.resolving).toBe(clash.waysOut.length);
      // What only clashes with others can be made.
      const isAlone = clash.demands.length === 1;
      expect(impossibleAmong(problem, [open])).toEqual(isAlone ? [open] : []);
      for (const way of clash.waysOut) {
        const plan = tryWeek(withRelaxation(problem, way), 20);
        expect(plan).not.toBeNull();
        if (plan) expect(checkWeek(withRelaxation(problem, way), plan)).toEqual([]);
      }
    },
  );

  it('name what there is no time left for', () => {
    const problem = clashingWeek(1);
    const last = Math.max(...problem.services.map(({ startMin }) => startMin));
    const late = { ...problem, nowMin: last - 15 };
    expect(impossibleAmong(late, demandsOf(late))).toEqual(demandsOf(late));
  });

  it('name what makes no sense in them', () => {
    const plain = weekOfTen(1);
    const [dough] = plain.doughs;
    if (!dough) throw new Error('a week of doughs');
    const kinds = (to: Partial<WeekProblem>) =>
      weekFaults({ ...plain, ...to }).map(({ kind }) => kind);
    expect(kinds({ nowMin: plain.nowMin + 10 * 1440 })).toContain('service-past');
    expect(kinds({ people: plain.people.map((one) => ({ ...one, skills: [] })) })).toEqual(
      expect.arrayContaining(['no-skills', 'nobody-can']),
    );
    expect(
      kinds({ places: plain.places.map((place) => ({ ...place, trays: 0, tubs: 0 })) }),
    ).toContain('no-trays');
    expect(
      kinds({
        doughs: [
          {
            ...dough,
            mixers: [],
            route: dough.route.map((stage) =>
              stage.kind === 'rest'
                ? { ...stage, hours: { least: 3, preferred: 2, most: 1 } }
                : stage,
            ),
          },
        ],
      }),
    ).toEqual(expect.arrayContaining(['no-mixer', 'hours-crossed', 'no-such-dough']));
    // Nothing of it crashes the search.
    for (const to of [
      { nowMin: plain.nowMin + 10 * 1440 },
      { people: [] },
      { doughs: [] },
      { services: [] },
      { wanted: [] },
      { places: plain.places.map((place) => ({ ...place, trays: 0 })) },
    ]) {
      const { plan } = solved({ ...plain, ...to }, 2).last;
      expect(checkWeek({ ...plain, ...to }, plan)).toEqual([]);
    }
  });
});

describe('a week under way', () => {
  const problem = weekOfTen(5);
  const { plan } = solved(problem, 4).last;

  it('works around what is frozen', () => {
    const busy = plan.lots.flatMap(({ steps }) => steps).slice(0, 6);
    const frozen = {
      ...problem,
      frozenWorks: busy.map(({ startMin, endMin, personIds, mixerId }) => ({
        startMin,
        endMin,
        personIds,
        mixerId,
        bench: 1,
      })),
      frozenRests: [
        {
          place: 'Walk-in',
          trays: 140,
          tubs: 0,
          startMin: problem.nowMin,
          endMin: problem.nowMin + 6000,
        },
      ],
    };
    const { last } = solved(frozen, 10);
    expect(checkWeek(frozen, last.plan)).toEqual([]);
  });

  it('keeps what was published where that costs little', () => {
    const published = plan.lots.flatMap(({ doughId, serviceIds, steps }) =>
      steps.map(({ stage, serviceId, startMin }) => ({
        step: stepName(doughId, serviceIds[0] ?? '', stage, serviceId),
        startMin,
      })),
    );
    const moved = (of: WeekPlan) => {
      const now = new Map(
        of.lots.flatMap(({ doughId, serviceIds, steps }) =>
          steps.map(
            ({ stage, serviceId, startMin }) =>
              [stepName(doughId, serviceIds[0] ?? '', stage, serviceId), startMin] as const,
          ),
        ),
      );
      return published.filter(({ step, startMin }) => now.get(step) !== startMin).length;
    };
    // Somebody is sick: the rest of the week should stay as it was, as far as it can.
    const sick = problem.people[0]?.id;
    const without = {
      ...problem,
      people: problem.people.map((one) =>
        one.id === sick ? { ...one, shifts: one.shifts.slice(2) } : one,
      ),
    };
    const again = solved(without, 12).last.plan;
    const kept = solved({ ...without, published }, 12).last.plan;
    expect(checkWeek(without, kept)).toEqual([]);
    expect(moved(kept)).toBeLessThan(moved(again));
  });
});

describe('a dough that takes longer in a mixer than its route says', () => {
  it('has that mixer for as long', () => {
    const [, week] = TEN_WEEKS;
    if (!week) throw new Error('there are ten');
    const problem = madeUpWeek(week.seed, week.size);
    const slower = {
      ...problem,
      doughs: problem.doughs.map((dough) => ({
        ...dough,
        mixers: dough.mixers.map((mixer) => ({ ...mixer, perLoadMin: 45 })),
      })),
    };
    const minutesOf = (of: WeekProblem) =>
      solved(of, 2).last.plan.lots.flatMap(({ doughId, loads, steps }) => {
        const rate = of.doughs
          .find(({ id }) => id === doughId)
          ?.route.flatMap((stage) =>
            stage.kind === 'work' && stage.key === 'mix' ? stage.rate : [],
          )[0];
        return steps
          .filter(({ key }) => key === 'mix')
          .map(({ startMin, endMin }) => ({
            min: endMin - startMin,
            wanted: (rate?.fixedMin ?? 0) + 45 * loads,
          }));
      });
    const mixed = minutesOf(slower);
    expect(mixed.length).toBeGreaterThan(0);
    for (const { min, wanted } of mixed) {
      expect(min).toBeGreaterThanOrEqual(wanted);
      // Work is planned in quarters.
      expect(min).toBeLessThan(wanted + 15);
    }
    expect(minutesOf(problem).some(({ min, wanted }) => min < wanted)).toBe(true);
  });
});
