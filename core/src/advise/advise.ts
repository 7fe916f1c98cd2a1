import {
  pointBetween,
  simulate,
  STANDARD_TARGET,
  type DoughRoute,
  type DoughStage,
  type ReadyWindow,
  type RouteFault,
  type Simulation,
  type Target,
} from '../ferment';
import { ok, type Result } from '../result';
import { asSeen } from './asSeen';
import type { Action, AdviceReason, DoughTrouble } from './vocabulary';
import { soFar, waysAhead, type AdvicePlace, type DoughSoFar, type WayAhead } from './waysAhead';

/** A service that wants some of the dough, hours from the mixer. */
export interface AdviceService {
  readonly startHour: number;
  readonly endHour: number;
  readonly balls: number;
}

/** Dough that waits, and what could be done with it. */
export interface AdviceQuestion {
  /** As it went so far, and as it is planned from here on. */
  readonly route: DoughRoute;
  readonly nowHour: number;
  readonly services: readonly AdviceService[];
  readonly places: readonly AdvicePlace[];
  readonly target?: Target;
  /** What is seen of it, where no number says so already. */
  readonly trouble?: DoughTrouble;
}

/** Something that can be done, and what comes of it. */
export interface Choice {
  readonly do: Action;
  readonly where: string | null;
  /** Where it goes after that, and when; null where it stays. */
  readonly then: { readonly where: string | null; readonly hour: number } | null;
  /** When it is done, hours from the mixer. */
  readonly fromHour: number;
  /** The dough's whole way then; null where it is not opened any more. */
  readonly stages: readonly DoughStage[] | null;
  readonly window: ReadyWindow | null;
  /** That a ball which is wanted opens well, 0–1. */
  readonly odds: number;
  /** Balls that open well of those wanted, of all services and of each. */
  readonly balls: number;
  readonly perService: readonly number[];
  readonly why: AdviceReason;
}

/** What each costs in hands and in quality, as a share of all balls: of two that come to the same, the lesser. */
const FUSS: Readonly<Record<Action, number>> = {
  keep: 0,
  'use-first': 0.002,
  'pull-now': 0.01,
  'pull-later': 0.01,
  colder: 0.02,
  warmer: 0.02,
  chill: 0.02,
  're-ball': 0.05,
  flatter: 0.08,
  'old-dough': 0,
  staff: 0,
  discard: 0,
};
/** Taken to yet another place after that. */
const AGAIN = 0.01;
/** Steps while looking, and of what is told, min. */
const STEP_MIN = 5;
const FINE_MIN = 1;
/** Moments of a service that are looked at. */
const LOOKS = 12;
/** What helps less than so much of all balls is not offered; nor more than so many things. */
const LEAST_SHARE = 0.05;
const MOST_BESIDES = 5;
/** Dough that opens so well as it is, is left as it is. */
const WELL_SHARE = 0.88;
/** With more, there is nothing to be given up. */
const ENOUGH_SHARE = 0.9;
/** Dough still lends another some strength. */
const LENDS_FROM = 0.2;
/** A flatter product takes dough that has risen less, or more. */
const FLATTER = { least: 0.5, most: 1.25 };

/**
 * What can be done with dough that waits: each way is simulated, and judged by how many of the balls that are wanted open
 * well, with what of its gas, flour and warmth nobody knows exactly.
 *
 * @returns the best first; each action once, at its best place and hour
 * @example
 * const ball = { kind: 'ball', hours: 6, airTempC: 26, container: 'lidded-tray' } as const;
 * const formula = {
 *   flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
 *   waterPercent: 62, saltPercent: 2.4, yeast: { form: 'fresh', percent: 1 },
 * } as const;
 * const route = { formula, ballWeightG: 275, doughTempC: 26, stages: [ball] };
 * const places = [{ name: 'walk-in', airTempC: 4, container: 'lidded-tray' }] as const;
 * const told = advise({ route, nowHour: 1, services: [{ startHour: 8, endHour: 10, balls: 40 }], places });
 * told.ok && told.value[0]?.do; // 'chill'
 */
export function advise(question: AdviceQuestion): Result<readonly Choice[], RouteFault> {
  const { nowHour, services, places, target = STANDARD_TARGET, trouble } = question;
  const route = trouble ? asSeen(question.route, nowHour, trouble, target) : question.route;
  const dough = soFar(route, nowHour);
  if (!dough.ok) return dough;
  const untilHour = Math.max(nowHour, ...services.map(({ endHour }) => endHour));
  const judged = waysAhead(dough.value, places, untilHour).flatMap((way): Choice[] => {
    const choice = judge(route, way, services, target, nowHour);
    return choice ? [choice] : [];
  });
  const keep = judged.find((choice) => choice.do === 'keep');
  if (!keep) return ok(givenUp(route, dough.value, target, 0));
  const others = [...judged, ...sameWay(route, keep, services, target, nowHour)];
  const wanted = wantedOf(services, nowHour);
  const better = bestOfEach(others, wanted).filter(
    (choice) => choice.do !== 'keep' && worthOf(choice, wanted) > keep.odds + LEAST_SHARE,
  );
  const isFirst = keep.odds >= WELL_SHARE || better.length === 0;
  const chosen = better.slice(0, MOST_BESIDES);
  const worthIt = (isFirst ? [keep, ...chosen] : [...chosen, keep]).map(
    (choice) => exactly(route, choice, services, target, nowHour) ?? choice,
  );
  const most = Math.max(...worthIt.map(({ odds }) => odds));
  const last = givenUp(route, dough.value, target, most);
  return ok(most < LEAST_SHARE ? [...last, ...worthIt] : [...worthIt, ...last]);
}

/** Balls that are still wanted. */
const wantedOf = (services: readonly AdviceService[], nowHour: number): number =>
  services.reduce((sum, service) => sum + leftOf(service, nowHour), 0);

/** What of a service is still to come is taken to want its share of balls. */
function leftOf({ startHour, endHour, balls }: AdviceService, nowHour: number): number {
  const left = endHour - Math.max(startHour, nowHour);
  return endHour > startHour ? balls * Math.min(1, Math.max(0, left / (endHour - startHour))) : 0;
}

/** A way simulated and judged; null where no kitchen could do it. */
function judge(
  route: DoughRoute,
  way: WayAhead,
  services: readonly AdviceService[],
  target: Target,
  nowHour: number,
  stepMin = STEP_MIN,
): Choice | null {
  const simulated = simulate({ ...route, stages: way.stages }, { target, stepMin });
  if (!simulated.ok) return null;
  const told = ballsOf(simulated.value, services, target, nowHour, 1);
  const { window } = simulated.value;
  return { ...way, ...told, window, why: reasonOf(way.do, window, services, nowHour) };
}

/** A choice in the engine's own steps; null of one that is told by another target or order. */
function exactly(
  route: DoughRoute,
  { stages, ...choice }: Choice,
  services: readonly AdviceService[],
  target: Target,
  nowHour: number,
): Choice | null {
  if (!stages || choice.do === 'flatter' || choice.do === 'use-first') return null;
  return judge(route, { ...choice, stages }, services, target, nowHour, FINE_MIN);
}

/**
 * How many of the balls that are wanted open well.
 *
 * @param share of each service in which all of them are used, from its beginning: 1 is as guests come
 */
function ballsOf(
  way: Simulation,
  services: readonly AdviceService[],
  target: Target,
  nowHour: number,
  share: number,
): Pick<Choice, 'balls' | 'odds' | 'perService'> {
  const perService = services.map((service) => {
    const from = Math.max(service.startHour, nowHour);
    const span = Math.max(0, service.endHour - from) * share;
    let sum = 0;
    for (let i = 0; i < LOOKS; i += 1) {
      const hour = from + ((i + 0.5) / LOOKS) * span;
      sum += pointBetween(way.course, hour, target, way.kinds).odds;
    }
    return (leftOf(service, nowHour) * sum) / LOOKS;
  });
  const balls = perService.reduce((sum, each) => sum + each, 0);
  const wanted = wantedOf(services, nowHour);
  const { window } = way;
  // Where nobody wants any, it is told how well it opens at its best.
  const odds = wanted > 0 ? balls / wanted : window.kind === 'ready' ? window.odds : 0;
  return { balls, odds, perService };
}

/** What can be done with the dough on the way it goes: eaten before other dough, or made into something flatter. */
function sameWay(
  route: DoughRoute,
  keep: Choice,
  services: readonly AdviceService[],
  target: Target,
  nowHour: number,
): Choice[] {
  const { stages } = keep;
  if (!stages) return [];
  const way = simulate({ ...route, stages }, { target, stepMin: STEP_MIN });
  if (!way.ok) return [];
  const first = ballsOf(way.value, services, target, nowHour, 0.5);
  const lower: Target = {
    ...target,
    riseMin: 1 + (target.riseMin - 1) * FLATTER.least,
    riseMax: 1 + (target.riseMax - 1) * FLATTER.most,
  };
  const flat = simulate({ ...route, stages }, { target: lower, stepMin: STEP_MIN });
  const wanted = wantedOf(services, nowHour);
  const isMore = ({ balls }: { readonly balls: number }, fuss: number) =>
    balls > keep.balls + fuss * wanted;
  const choices: Choice[] = [];
  if (isMore(first, FUSS['use-first']))
    choices.push({ ...keep, ...first, do: 'use-first', why: 'eaten-in-time' });
  if (flat.ok) {
    const told = ballsOf(flat.value, services, lower, nowHour, 1);
    const { window } = flat.value;
    if (isMore(told, FUSS.flatter))
      choices.push({ ...keep, ...told, window, do: 'flatter', why: 'asks-less-of-it' });
  }
  return choices;
}

/** What a choice is worth, as a share of all balls; where none is wanted, by how well it opens. */
const worthOf = (choice: Choice, wanted: number): number =>
  (wanted > 0 ? choice.balls / wanted : choice.odds) -
  FUSS[choice.do] -
  (choice.then?.where ? AGAIN : 0);

/** Each action at its best place and hour, the best first. */
function bestOfEach(choices: readonly Choice[], wanted: number): Choice[] {
  const best = new Map<Action, Choice>();
  for (const choice of choices) {
    const before = best.get(choice.do);
    if (!before || worthOf(choice, wanted) > worthOf(before, wanted) + 1e-9)
      best.set(choice.do, choice);
  }
  return [...best.values()].sort((a, b) => worthOf(b, wanted) - worthOf(a, wanted));
}

/** What can be done with dough that is not opened for guests. */
function givenUp(
  route: DoughRoute,
  { past, nowHour }: DoughSoFar,
  target: Target,
  mostOdds: number,
): Choice[] {
  if (mostOdds >= ENOUGH_SHARE) return [];
  const way = simulate({ ...route, stages: past }, { target, stepMin: STEP_MIN });
  if (!way.ok) return [];
  const { course, kinds } = way.value;
  const now = pointBetween(course, nowHour, target, kinds);
  const none = {
    where: null,
    then: null,
    fromHour: nowHour,
    stages: null,
    window: null,
    odds: 0,
    balls: 0,
    perService: [],
  };
  const lends = now.strength >= LENDS_FROM;
  const isEaten = now.odds >= 1 - ENOUGH_SHARE;
  return [
    ...(isEaten ? [{ ...none, do: 'staff' as const, why: 'good-enough' as const }] : []),
    ...(lends ? [{ ...none, do: 'old-dough' as const, why: 'still-ferments' as const }] : []),
    { ...none, do: 'discard' as const, why: isEaten || lends ? 'last-resort' : 'past-use' },
  ];
}

const REASONS: Readonly<Record<Exclude<Action, 'keep'>, AdviceReason>> = {
  'use-first': 'eaten-in-time',
  'pull-now': 'warms-in-time',
  'pull-later': 'waits-in-the-cold',
  colder: 'slows-down',
  chill: 'waits-in-the-cold',
  warmer: 'hurries-up',
  're-ball': 'begins-again',
  flatter: 'asks-less-of-it',
  'old-dough': 'still-ferments',
  staff: 'good-enough',
  discard: 'past-use',
};

function reasonOf(
  action: Action,
  window: ReadyWindow,
  services: readonly AdviceService[],
  nowHour: number,
): AdviceReason {
  if (action !== 'keep') return REASONS[action];
  if (window.kind === 'never') return 'never-opens';
  const ahead = services.filter(({ endHour }) => endHour > nowHour);
  const starts = Math.min(...ahead.map(({ startHour }) => startHour));
  const ends = Math.max(...ahead.map(({ endHour }) => endHour));
  if (window.latestHour < ends) return 'opens-too-soon';
  return window.earliestHour > Math.max(starts, nowHour) ? 'opens-too-late' : 'opens-well';
}
