import { SUSPECTS } from '../diagnose/suspects';
import type { DiagnosedLot } from '../diagnose/signs';
import { FAULTS, type Fault, type FaultCause } from '../diagnose/vocabulary';
import { STANDARD_TARGET } from '../ferment/dough/state';
import type { DoughRoute } from '../ferment/route/doughRoute';
import { pointBetween } from '../ferment/run/course';
import { simulate, type Simulation } from '../ferment/run/simulate';
import type { Random } from '../numerics';

/** A made-up lot with one thing that was wrong with it, and how it shows. */
export interface FaultyLot {
  readonly cause: FaultCause;
  readonly fault: Fault;
  readonly lot: DiagnosedLot;
  readonly lastGood: readonly DiagnosedLot[];
}

const route: DoughRoute = {
  formula: {
    flours: [{ name: 'strong white', percent: 100, strengthW: 290 }],
    waterPercent: 62,
    saltPercent: 2.6,
    sugarPercent: 0.5,
    yeast: { form: 'fresh', percent: 0.22 },
  },
  ballWeightG: 275,
  doughTempC: 24,
  stages: [
    { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 12 },
    { kind: 'ball', hours: 20, airTempC: 4, container: 'lidded-tray' },
    { kind: 'ball', hours: 4, airTempC: 22, container: 'lidded-tray' },
  ],
};
const OVEN = { tempC: 400, minutes: 2.5 };

/** What really was, beside what was planned. */
interface Truth {
  readonly route: DoughRoute;
  readonly openedHour: number;
}

/** How far each thing was off, so that somebody sees it. */
const off = (random: Random, least: number, most: number) =>
  least + (most - least) * random.uniform();

/**
 * A lot with a cause that was put into it, and a fault that the cause shows itself by, drawn by the craft's table. Each
 * thing is on record as often as `kept`; what would settle the matter always is.
 */
export function faultyLot(cause: FaultCause, random: Random, kept = 0.85): FaultyLot {
  const plan = route;
  const truth = truthOf(cause, plan, random);
  const way = run(truth.route);
  const at = (hour: number) => pointBetween(way.course, hour, STANDARD_TARGET, way.kinds);
  const isKept = () => random.uniform() < kept;
  const maybe = <T extends object>(part: T): Partial<T> => (isKept() ? part : {});
  const is = (which: FaultCause, isAlways = true) =>
    cause === which ? isAlways || isKept() : random.uniform() < 0.03;
  const coreAt = (hour: number) => at(hour).coreTempC + 0.7 * random.normal();
  const settled = (which: FaultCause, part: object) => (cause === which ? part : maybe(part));
  const { openedHour } = truth;
  const shapedHour = cause === 'just-shaped' ? openedHour - off(random, 0.5, 1.5) : 2;
  const checks = {
    ...settled('under-kneaded', { tears: is('under-kneaded') }),
    ...settled('uncovered', { drySkin: is('uncovered') }),
    ...settled('seam-open', { openSeam: is('seam-open') }),
    ...settled('salt-undissolved', { wetSpots: is('salt-undissolved') }),
    ...settled('yeast-dead', { yeastStill: is('yeast-dead') }),
    ...maybe({ alcohol: ['too-old', 'sugar-gone'].includes(cause) || random.uniform() < 0.05 }),
  };
  const lot: DiagnosedLot = {
    route: {
      ...plan,
      formula: {
        ...plan.formula,
        flours: truth.route.formula.flours,
        ...(cause === 'sugar-high' && { sugarPercent: off(random, 3, 6) }),
      },
    },
    ...settled(cause, { weighed: weighedOf(cause, random) }),
    ...maybe({ scaleStepG: cause === 'yeast-short' ? 10 : 0.5 }),
    ...settled('water-too-hot', {
      waterTempC: cause === 'water-too-hot' ? off(random, 50, 65) : 14 + 4 * random.normal(),
    }),
    ...settled(cause, {
      readings: [1, 12].map((hour) => ({ hour, coreTempC: coreAt(hour) })),
    }),
    ...maybe({
      marks: [openedHour - 0.5].map((hour) => ({
        hour,
        rise: at(hour).rise * Math.exp(0.08 * random.normal()),
      })),
    }),
    opened: { hour: openedHour, ...settled('cold-core', { coreTempC: coreAt(openedHour) }) },
    ...settled('just-shaped', { shapedHour }),
    ...maybe({ isCovered: cause !== 'uncovered' }),
    checks,
    ...settled('not-weighed', {
      pieces: Array.from(
        { length: 12 },
        () => 275 * (1 + (cause === 'not-weighed' ? 0.06 : 0.014) * random.normal()),
      ),
    }),
    ...settled(cause, {
      oven: {
        tempC:
          OVEN.tempC + 8 * random.normal() - (cause === 'oven-cool' ? off(random, 50, 110) : 0),
        minutes:
          OVEN.minutes *
          Math.exp(
            0.05 * random.normal() - (cause === 'thick-or-short-bake' ? off(random, 0.25, 0.5) : 0),
          ),
      },
    }),
  };
  return { cause, fault: faultOf(cause, random), lot, lastGood: [{ route: plan, oven: OVEN }] };
}

function run(of: DoughRoute): Simulation {
  const way = simulate(of, { beyondH: 8 });
  if (!way.ok) throw new Error(JSON.stringify(way.reasons));
  return way.value;
}

/** A fault that a cause shows itself by; of nothing, any. */
function faultOf(cause: FaultCause, random: Random): Fault {
  const shares = FAULTS.map((fault) => SUSPECTS[fault][cause] ?? (cause === 'none' ? 1 : 0));
  let left = random.uniform() * shares.reduce((sum, share) => sum + share, 0);
  return FAULTS.find((_, i) => (left -= shares[i] ?? 0) <= 0) ?? 'tears';
}

function weighedOf(cause: FaultCause, random: Random): DiagnosedLot['weighed'] {
  const ratio = {
    yeast:
      cause === 'yeast-over'
        ? off(random, 1.5, 2.5)
        : cause === 'yeast-short'
          ? off(random, 0.4, 0.7)
          : 1,
    salt: cause === 'salt-missing' ? 0 : cause === 'salt-double' ? 2 : 1,
    water:
      cause === 'too-wet'
        ? off(random, 1.05, 1.1)
        : cause === 'too-stiff'
          ? off(random, 0.9, 0.95)
          : 1,
  };
  const wanted = { yeast: 25, salt: 300, water: 7000 };
  return (['yeast', 'salt', 'water'] as const).map((ingredient) => ({
    ingredient,
    wantedG: wanted[ingredient],
    grams: wanted[ingredient] * ratio[ingredient] * (1 + 0.01 * random.normal()),
  }));
}

function truthOf(cause: FaultCause, from: DoughRoute, random: Random): Truth {
  const { window } = run(from);
  if (window.kind !== 'ready') throw new Error('the plan opens well');
  const half = (window.latestHour - window.earliestHour) / 2;
  const middle = (window.latestHour + window.earliestHour) / 2 + 0.3 * half * random.normal();
  const { formula, stages } = from;
  const [flour] = formula.flours;
  const flours = (change: object) =>
    ({ ...formula, flours: [{ ...flour, percent: 100, ...change }] }) as DoughRoute['formula'];
  const yeast = (factor: number) => ({
    ...formula,
    yeast: { ...formula.yeast, percent: formula.yeast.percent * factor },
  });
  const air = (byC: number) =>
    stages.map((stage) => ({ ...stage, airTempC: stage.airTempC + byC }));
  const made = (change: Partial<DoughRoute>, openedHour = middle): Truth => ({
    route: { ...from, ...change },
    openedHour,
  });
  switch (cause) {
    case 'yeast-dead':
    case 'water-too-hot':
      return made({ formula: yeast(off(random, 0.05, 0.2)) });
    case 'yeast-short':
      return made({ formula: yeast(off(random, 0.4, 0.7)) });
    case 'yeast-over':
      return made({ formula: yeast(off(random, 1.5, 2.5)) });
    case 'too-warm':
      return made({ stages: air(off(random, 3, 6)) });
    case 'too-cold':
      return made({ stages: air(-off(random, 3, 5)) });
    case 'cold-core':
      return made({
        stages: stages.map((stage, i) =>
          i === 2 ? { ...stage, airTempC: stage.airTempC - off(random, 10, 14) } : stage,
        ),
      });
    case 'too-young':
      return made({}, middle - half * off(random, 1.4, 2.4));
    case 'too-old':
      return made({}, middle + half * off(random, 1.5, 2.8));
    case 'sugar-gone':
      return made({}, middle + half * off(random, 1.2, 2));
    case 'flour-weak':
      return made({ formula: flours({ strengthW: off(random, 190, 230) }) });
    case 'flour-strong':
      return made({ formula: flours({ strengthW: off(random, 350, 410) }) });
    case 'flour-changed':
      return made({ formula: flours({ name: 'another white', strengthW: off(random, 270, 310) }) });
    case 'salt-missing':
      return made({ formula: { ...formula, saltPercent: 0.1 } });
    case 'salt-double':
      return made({ formula: { ...formula, saltPercent: 5.2 } });
    default:
      return made({});
  }
}
