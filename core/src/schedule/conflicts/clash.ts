import type { Skill } from '../../formula/route';
import { demandsOf, type Demand } from '../problem/demands';
import { spanOf } from '../search/ledger';
import { lotVariantsOfDough } from '../search/lotVariants';
import { QUARTER, type Interval, type WeekPlan, type WeekProblem } from '../problem/problem';
import { optimizeWeek } from '../search/optimizeWeek';

/** One change that makes a clash go away by itself. */
export type Relaxation =
  /** Make this one some other way, or not at all. */
  | ({ readonly kind: 'leave-out' } & Demand)
  /** Somebody with the skill comes in. */
  | { readonly kind: 'call-in'; readonly skill: Skill; readonly when: Interval }
  /** More trays and tubs find room. */
  | {
      readonly kind: 'more-room';
      readonly place: string;
      readonly trays: number;
      readonly tubs: number;
    }
  | { readonly kind: 'more-bench'; readonly people: number }
  /** A mixer as this one, beside it. */
  | { readonly kind: 'second-mixer'; readonly mixerId: string }
  /** Loads down to this size are mixed. */
  | { readonly kind: 'smaller-load'; readonly mixerId: string; readonly minDoughKg: number }
  /** A rest is held shorter or longer than its route says, hours. */
  | {
      readonly kind: 'other-hours';
      readonly doughId: string;
      readonly stage: number;
      readonly least: number;
      readonly most: number;
    };

/** The smallest set of demands that cannot be made together, and every single change that lets them. */
export interface Clash {
  readonly demands: readonly Demand[];
  /** Each by itself; those that settle the whole week come first. */
  readonly waysOut: readonly Relaxation[];
  /** How many of the ways out leave nothing else open in the week. */
  readonly resolving: number;
}

/** Steps of the search after which a week counts as one that cannot be. */
const TRY_STEPS = 8;
/** Rests are stretched by this share of their bounds, and not more. */
const BEND = 0.25;

/** Looks for a plan that leaves nothing open, for a while; null when none was found. */
export function tryWeek(problem: WeekProblem, steps = TRY_STEPS): WeekPlan | null {
  if (demandsOf(problem).some((demand) => !hasVariant(problem, demand))) return null;
  const search = optimizeWeek(problem);
  for (let i = 0; i <= steps; i += 1) {
    const { plan, open } = search.next().value;
    if (open === 0) return plan;
  }
  return null;
}

/** Whether any mixer and run of services can make it at all. */
function hasVariant(problem: WeekProblem, { doughId, serviceId }: Demand): boolean {
  const dough = problem.doughs.find(({ id }) => id === doughId);
  return (
    dough !== undefined &&
    lotVariantsOfDough(problem, dough).some((variants) =>
      variants.some(({ serviceIds }) => serviceIds.includes(serviceId)),
    )
  );
}

/**
 * The smallest clash behind a service that found no place: the demands that cannot be made together though
 * any of them may be left out, and what else would let them all be made. Found by leaving out one demand
 * after another, keeping out what the clash does not need (deletion filter: Chinneck 1991).
 *
 * @param open a demand that the best plan found leaves open
 * @returns null when the search finds a place for it after all
 */
export function clashOf(problem: WeekProblem, open: Demand): Clash | null {
  const all = demandsOf(problem);
  const isOpen = (demand: Demand) =>
    demand.doughId === open.doughId && demand.serviceId === open.serviceId;
  const startOf = ({ serviceId }: Demand) =>
    problem.services.find(({ id }) => id === serviceId)?.startMin ?? 0;
  const at = startOf(open);
  // Nearest in time first: a clash is seldom between Tuesday and Sunday.
  const others = all
    .filter((demand) => !isOpen(demand))
    .sort((a, b) => Math.abs(startOf(a) - at) - Math.abs(startOf(b) - at));
  let together = 0;
  while (tryWeek(withOnly(problem, [open, ...others.slice(0, together)])) !== null) {
    if (together === others.length) return null;
    together = Math.min(others.length, together === 0 ? 1 : together * 2);
  }
  let demands = [open, ...others.slice(0, together)];
  for (const demand of [...demands].reverse()) {
    const fewer = demands.filter((each) => each !== demand);
    if (fewer.length > 0 && tryWeek(withOnly(problem, fewer)) === null) demands = fewer;
  }
  const clashing = withOnly(problem, demands);
  const ways: readonly Relaxation[] = [
    ...limitsOf(clashing).filter((way) => tryWeek(withRelaxation(clashing, way)) !== null),
    ...demands.map((demand) => ({ kind: 'leave-out', ...demand }) as const),
  ];
  // One cause may be behind several clashes: what settles all of them is worth more.
  const optimizes = (way: Relaxation) =>
    tryWeek(withRelaxation(problem, way), 2 * TRY_STEPS) !== null;
  const whole = ways.filter(optimizes);
  const part = ways.filter((way) => !whole.includes(way));
  return {
    demands,
    waysOut: [
      ...whole.map((way) => tightened(problem, way)),
      ...part.map((way) => tightened(clashing, way)),
    ],
    resolving: whole.length,
  };
}

/**
 * Which of some demands cannot be made even if nothing else were to be: what there is no time left for, and what no
 * mixer, place or skill of the house is for.
 *
 * @param open what the best plan found leaves open; what it makes can be made
 * @example
 * // An hour before doors, with a dough that takes a day:
 * impossibleAmong(problem, plan.open); // [{ doughId: 'yard', serviceId: 'tonight' }]
 */
export const impossibleAmong = (problem: WeekProblem, open: readonly Demand[]): readonly Demand[] =>
  open.filter((demand) => tryWeek(withOnly(problem, [demand])) === null);

/** The week with only some of its demands. */
function withOnly(problem: WeekProblem, demands: readonly Demand[]): WeekProblem {
  const kept = new Set(demands.map(({ doughId, serviceId }) => `${doughId}/${serviceId}`));
  return {
    ...problem,
    wanted: problem.wanted.filter(({ serviceId, productId }) => {
      const doughId = problem.products.find(({ id }) => id === productId)?.doughId ?? '';
      return kept.has(`${doughId}/${serviceId}`);
    }),
  };
}

/** Every limit that a clash might come of, lifted generously. */
function limitsOf(problem: WeekProblem): Relaxation[] {
  const doughs = problem.doughs.filter(({ id }) =>
    demandsOf(problem).some(({ doughId }) => doughId === id),
  );
  const skills = new Set(
    doughs.flatMap(({ route }) =>
      route.flatMap((stage) => (stage.kind === 'work' ? [stage.skill] : [])),
    ),
  );
  const { first, length } = spanOf(problem);
  const always = { startMin: first * QUARTER, endMin: (first + length) * QUARTER };
  const mixers = new Set(doughs.flatMap((dough) => dough.mixers.map(({ mixerId }) => mixerId)));
  return [
    ...[...skills].map((skill): Relaxation => ({ kind: 'call-in', skill, when: always })),
    ...[...mixers].map((mixerId): Relaxation => ({ kind: 'second-mixer', mixerId })),
    { kind: 'more-bench', people: 4 },
    ...problem.places.map(({ name, trays, tubs }): Relaxation => ({
      kind: 'more-room',
      place: name,
      trays: 4 * trays + 100,
      tubs: 4 * tubs + 20,
    })),
    ...[...mixers].map((mixerId): Relaxation => ({ kind: 'smaller-load', mixerId, minDoughKg: 0 })),
    ...doughs.flatMap(({ id, route }) =>
      route.flatMap((stage, i): Relaxation[] =>
        stage.kind === 'rest'
          ? [
              {
                kind: 'other-hours',
                doughId: id,
                stage: i,
                least: stage.hours.least * (1 - BEND),
                most: stage.hours.most * (1 + BEND),
              },
            ]
          : [],
      ),
    ),
  ];
}

/** Who is called in does what nobody else is there for. */
export const CALLED_IN = 'called-in';

/** The week with one change made. */
export function withRelaxation(problem: WeekProblem, way: Relaxation): WeekProblem {
  switch (way.kind) {
    case 'leave-out':
      return withOnly(
        problem,
        demandsOf(problem).filter(
          ({ doughId, serviceId }) => doughId !== way.doughId || serviceId !== way.serviceId,
        ),
      );
    case 'call-in': {
      // Work for two needs two: both come.
      const come = [0, 1].map((i) => ({
        id: `${CALLED_IN}/${way.skill}/${way.when.startMin}/${i}`,
        skills: [way.skill],
        shifts: [way.when],
      }));
      return { ...problem, people: [...problem.people, ...come] };
    }
    case 'more-room':
      return {
        ...problem,
        places: problem.places.map((place) =>
          place.name === way.place
            ? { ...place, trays: place.trays + way.trays, tubs: place.tubs + way.tubs }
            : place,
        ),
      };
    case 'more-bench':
      return { ...problem, benchPlaces: problem.benchPlaces + way.people };
    case 'second-mixer':
      return {
        ...problem,
        doughs: problem.doughs.map((dough) => ({
          ...dough,
          mixers: dough.mixers.flatMap((mixer) =>
            mixer.mixerId === way.mixerId
              ? [mixer, { ...mixer, mixerId: `${mixer.mixerId}-2` }]
              : [mixer],
          ),
        })),
      };
    case 'smaller-load':
      return {
        ...problem,
        doughs: problem.doughs.map((dough) => ({
          ...dough,
          mixers: dough.mixers.map((mixer) =>
            mixer.mixerId === way.mixerId
              ? { ...mixer, minDoughKg: Math.min(mixer.minDoughKg, way.minDoughKg) }
              : mixer,
          ),
        })),
      };
    case 'other-hours':
      return {
        ...problem,
        doughs: problem.doughs.map((dough) => ({
          ...dough,
          route: dough.route.map((stage, i) =>
            dough.id === way.doughId && i === way.stage && stage.kind === 'rest'
              ? { ...stage, hours: { ...stage.hours, least: way.least, most: way.most } }
              : stage,
          ),
        })),
      };
  }
}

/** A change no larger than it needs to be: whoever is called in comes for the time they are needed. */
function tightened(problem: WeekProblem, way: Relaxation): Relaxation {
  if (way.kind === 'more-room') return lessRoom(problem, way);
  if (way.kind !== 'call-in') return way;
  const plan = tryWeek(withRelaxation(problem, way));
  const steps = (plan?.lots ?? [])
    .flatMap((lot) => lot.steps)
    .filter(({ personIds }) => personIds.some((id) => id.startsWith(CALLED_IN)));
  if (steps.length === 0) return way;
  const when = {
    startMin: Math.min(...steps.map(({ startMin }) => startMin)),
    endMin: Math.max(...steps.map(({ endMin }) => endMin)),
  };
  const shorter = { ...way, when };
  return tryWeek(withRelaxation(problem, shorter)) ? shorter : way;
}

/** Half as much room, as often as that is still enough. */
function lessRoom(
  problem: WeekProblem,
  way: Extract<Relaxation, { kind: 'more-room' }>,
): Extract<Relaxation, { kind: 'more-room' }> {
  let enough = way;
  for (;;) {
    const half = {
      ...enough,
      trays: Math.floor(enough.trays / 2),
      tubs: Math.floor(enough.tubs / 2),
    };
    if (half.trays === enough.trays && half.tubs === enough.tubs) return enough;
    if (tryWeek(withRelaxation(problem, half)) === null) return enough;
    enough = half;
  }
}
