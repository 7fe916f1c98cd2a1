import { doughForLoadsG, splitLoads } from '../../scale';
import { routeMixedIn, workMinutes, type RestStage, type WorkStage } from '../../formula/route';
import { QUARTER, type DoughMixer, type WeekDough, type WeekProblem } from '../problem/problem';

/** One stage of work as it is planned, with how many quarters it takes. */
export interface VariantWork {
  readonly stage: number;
  readonly work: WorkStage;
  readonly quarters: number;
  /** Quarters from the start of its block. */
  readonly offset: number;
}

/** Work that is done in one go, without a rest in between. Without work it only marks a moment. */
export interface Block {
  readonly works: readonly VariantWork[];
  readonly quarters: number;
  /** Balls of one service; null is the whole lot. */
  readonly serviceId: string | null;
  /** A block of no work that marks the opening of doors, quarters since 1970. */
  readonly anchor: number | null;
  /** What follows, each after a rest. */
  readonly next: readonly Edge[];
  /** First and last quarter at which it may start, by the doors it leads to; null when there is none. */
  readonly domain: readonly [first: number, last: number] | null;
}

/** A block knows when it may start from what follows it. Fields are named one by one: there are thousands. */
function blockOf(
  works: readonly VariantWork[],
  quarters: number,
  serviceId: string | null,
  anchor: number | null,
  next: readonly Edge[],
): Block {
  const domain = anchor === null ? domainBefore(next, quarters) : ([anchor, anchor] as const);
  return { works, quarters, serviceId, anchor, next, domain };
}

function domainBefore(next: readonly Edge[], quarters: number): Block['domain'] {
  let [first, last] = [-Infinity, Infinity];
  for (const { least, most, to } of next) {
    if (!to.domain) return null;
    first = Math.max(first, to.domain[0] - most - quarters);
    last = Math.min(last, to.domain[1] - least - quarters);
  }
  return first <= last && Number.isFinite(first) ? [first, last] : null;
}

/** A rest between two blocks, quarters. */
export interface Edge {
  readonly stage: number;
  readonly rest: RestStage;
  readonly least: number;
  readonly preferred: number;
  readonly most: number;
  readonly trays: number;
  readonly tubs: number;
  /** Share of the lot's balls that rest so. */
  readonly share: number;
  readonly to: Block;
}

/** One way to make a dough for some services: in which mixer, how many loads, and the tree of its work. */
export interface LotVariant {
  readonly doughId: string;
  readonly serviceIds: readonly string[];
  readonly mixerId: string;
  readonly loads: number;
  readonly doughKg: number;
  /** The first block; everything hangs on it. */
  readonly root: Block;
}

/** What a dough makes for one service. */
export interface DoughService {
  readonly serviceId: string;
  readonly day: string | null;
  readonly startMin: number;
  readonly balls: number;
  /** Balls and what is trimmed off them, g. */
  readonly neededG: number;
  readonly trays: number;
}

/** What a dough makes, service by service, in time's order. */
export function servicesOfDough(problem: WeekProblem, dough: WeekDough): DoughService[] {
  return [...problem.services]
    .sort((a, b) => a.startMin - b.startMin)
    .flatMap(({ id, startMin, day = null }): DoughService[] => {
      const made = problem.wanted.flatMap(({ serviceId, productId, count }) => {
        if (serviceId !== id || count <= 0) return [];
        const product = problem.products.find((each) => each.id === productId);
        return product?.doughId === dough.id ? [{ product, count }] : [];
      });
      if (made.length === 0) return [];
      const neededG = made.reduce(
        (sum, { product, count }) =>
          sum + (count * product.ballWeightG) / (1 - product.trimPercent / 100),
        0,
      );
      return [
        {
          serviceId: id,
          day,
          startMin,
          balls: made.reduce((sum, { count }) => sum + count, 0),
          neededG,
          trays: made.reduce(
            (sum, { product, count }) => sum + Math.ceil(count / product.ballsPerTray),
            0,
          ),
        },
      ];
    });
}

/**
 * A dough's way for a run of services, or null when no load of this mixer fits, or when the services lie
 * farther apart than the route can hold balls.
 */
export function lotVariantOf(
  problem: WeekProblem,
  dough: WeekDough,
  run: readonly DoughService[],
  { mixerId, minDoughKg, maxDoughKg, perLoadMin }: DoughMixer,
): LotVariant | null {
  const neededG = run.reduce((sum, service) => sum + service.neededG, 0);
  const made = splitLoads((n) => doughForLoadsG(neededG, n, dough), { minDoughKg, maxDoughKg });
  if (!made.ok) return null;
  const { loads, totalG } = made.value;
  const doughKg = totalG / 1000;
  const route = perLoadMin === undefined ? dough.route : routeMixedIn(dough.route, perLoadMin);
  const cold = route.findLastIndex(({ kind, key }) => kind === 'rest' && key === 'cold');
  const split = cold >= 0 ? cold : route.findLastIndex(({ kind }) => kind === 'rest');
  const balls = run.reduce((sum, service) => sum + service.balls, 0);
  const size = { loads, balls };
  const whole = {
    trays: run.reduce((sum, service) => sum + service.trays, 0),
    tubs: Math.ceil(doughKg / problem.tubKg),
  };
  const branches = run.map((service): Edge[] =>
    chainOf(
      route.slice(Math.max(0, split)),
      Math.max(0, split),
      { loads, balls: service.balls },
      {
        serviceId: service.serviceId,
        share: service.balls / balls,
        trays: service.trays,
        tubs: Math.ceil((doughKg * service.neededG) / neededG / problem.tubKg),
      },
      anchorAt(Math.floor(service.startMin / QUARTER), service.serviceId),
    ).next.slice(),
  );
  const trunk = chainOf(
    route.slice(0, Math.max(0, split)),
    0,
    size,
    { serviceId: null, share: 1, ...whole },
    null,
    branches.flat(),
  );
  const variant = {
    doughId: dough.id,
    serviceIds: run.map(({ serviceId }) => serviceId),
    mixerId,
    loads,
    doughKg,
    root: trunk,
  };
  return trunk.domain ? variant : null;
}

const anchorAt = (anchor: number, serviceId: string): Block =>
  blockOf([], 0, serviceId, anchor, []);

interface Whose {
  readonly serviceId: string | null;
  readonly share: number;
  readonly trays: number;
  readonly tubs: number;
}

/**
 * Stages as blocks and rests one after another. It begins with a block, of no work when the first stage is
 * a rest, and ends at the anchor or with what follows.
 */
function chainOf(
  stages: WeekDough['route'],
  firstStage: number,
  size: { readonly loads: number; readonly balls: number },
  whose: Whose,
  anchor: Block | null,
  after: readonly Edge[] = [],
): Block {
  const works: VariantWork[] = [];
  let offset = 0;
  let until = 0;
  for (; until < stages.length; until += 1) {
    const stage = stages[until];
    if (stage?.kind !== 'work') break;
    const quarters = Math.ceil(workMinutes(stage.rate, size) / QUARTER);
    works.push({ stage: firstStage + until, work: stage, quarters, offset });
    offset += quarters;
  }
  const stage = stages[until];
  if (stage?.kind !== 'rest') {
    // The last work ends as the doors open: its anchor follows without a rest.
    const next = anchor ? [direct(anchor, firstStage + until)] : after;
    return blockOf(works, offset, whose.serviceId, null, next);
  }
  const isLast = until + 1 === stages.length;
  const to =
    isLast && anchor
      ? anchor
      : chainOf(stages.slice(until + 1), firstStage + until + 1, size, whose, anchor, after);
  const edge = edgeOf(stage, firstStage + until, whose, to);
  return blockOf(works, offset, whose.serviceId, null, [edge]);
}

const NO_REST: RestStage = {
  kind: 'rest',
  key: 'rest',
  place: '',
  airTempC: 0,
  container: 'lidded-tray',
  hours: { least: 0, preferred: 0, most: 0 },
};

const direct = (to: Block, stage: number): Edge => ({
  stage,
  rest: NO_REST,
  least: 0,
  preferred: 0,
  most: 0,
  trays: 0,
  tubs: 0,
  share: 0,
  to,
});

function edgeOf(rest: RestStage, stage: number, whose: Whose, to: Block): Edge {
  const inQuarters = (hours: number) => (hours * 60) / QUARTER;
  const least = Math.ceil(inQuarters(rest.hours.least) - 1e-9);
  const most = Math.max(least, Math.floor(inQuarters(rest.hours.most) + 1e-9));
  const preferred = Math.min(most, Math.max(least, Math.round(inQuarters(rest.hours.preferred))));
  const isTub = rest.container === 'tub';
  return {
    stage,
    rest,
    least,
    preferred,
    most,
    trays: isTub ? 0 : whose.trays,
    tubs: !isTub ? 0 : rest.key === 'preferment' ? 1 : whose.tubs,
    share: whose.share,
    to,
  };
}

/** Longest run of services without a day that one mix may be for. */
const MOST_SERVICES = 4;

/** Whether a run holds all of one day, or only services that name none. */
function isWholeDays(services: readonly DoughService[], from: number, until: number): boolean {
  const days = new Set(services.slice(from, until).map(({ day }) => day));
  const [day = null] = days;
  if (days.size > 1) return false;
  return day === null || (services[from - 1]?.day !== day && services[until]?.day !== day);
}

/** Every way to make a dough for a run of its services: by where the run begins, and how long it is. */
export function lotVariantsOfDough(problem: WeekProblem, dough: WeekDough): LotVariant[][] {
  const services = servicesOfDough(problem, dough);
  return services.map(({ day }, from) =>
    Array.from(
      { length: Math.min(day === null ? MOST_SERVICES : Infinity, services.length - from) },
      (_x, i) =>
        isWholeDays(services, from, from + i + 1)
          ? variantsOfRun(problem, dough, services.slice(from, from + i + 1))
          : [],
    ).flat(),
  );
}

/** A lot in each mixer that takes it; in one that stands in only where no other does. */
function variantsOfRun(
  problem: WeekProblem,
  dough: WeekDough,
  services: readonly DoughService[],
): LotVariant[] {
  const inMixers = (isStandIn: boolean) =>
    dough.mixers
      .filter((mixer) => (mixer.isStandIn ?? false) === isStandIn)
      .flatMap((mixer) => lotVariantOf(problem, dough, services, mixer) ?? []);
  const own = inMixers(false);
  return own.length > 0 ? own : inMixers(true);
}
