import { signsOf, type DiagnosedLot, type Sign } from './signs';
import { BY_CHANCE, SETTLED_BY, SPREADS, SUSPECTS, UNSUSPECTED, type Spread } from './suspects';
import {
  FAULT_CAUSES,
  SIGNS,
  type FaultCause,
  type Fault,
  type SettleBy,
  type SignName,
} from './vocabulary';

/** What a sign says of a cause. */
export interface SignEvidence {
  readonly sign: SignName;
  readonly value: number;
  /** How far that is from what is usual, standard deviations; nothing for what is so or is not. */
  readonly off: number;
  /** ln of how much likelier the sign is under the cause than under sound dough. */
  readonly weight: number;
}

/** What may have been behind a fault. */
export interface SuspectedCause {
  readonly cause: FaultCause;
  /** 0–1; all add up to 1. */
  readonly odds: number;
  /** The strongest first. */
  readonly for: readonly SignEvidence[];
  readonly against: readonly SignEvidence[];
  readonly settleBy: SettleBy;
}

/** What a lot's record says of its faults. */
export interface Diagnosis {
  /** The likeliest first. */
  readonly causes: readonly SuspectedCause[];
  /** False where too little was written down to tell one from the other. */
  readonly isTold: boolean;
  /** What would tell, where it was not written down; the most telling first. */
  readonly missing: readonly SignName[];
}

/** Of lots that something is seen of, so many are as they should be. */
const NONE_SHARE = 0.3;
/** So seldom a sign means nothing at all: a slip. */
const SLIP_SHARE = 0.03;
/** What a slip scatters by, in standard deviations of the usual. */
const SLIP_WIDTH = 15;
/** Evidence that says less than this, ln, is none. */
const LEAST_WEIGHT = 0.5;
/** The likeliest is told where it is this likely. */
const TOLD_ODDS = 0.5;
/** Causes that are still in question. */
const IN_QUESTION_ODDS = 0.08;

/**
 * What may have been behind some faults of a lot: how often each cause shows itself so (naïve Bayes), times how well
 * the lot's own record agrees with it.
 *
 * @param faults at least one
 * @param lastGood lots of the same dough that were as they should be
 * @throws RangeError without a fault
 */
export function diagnose(
  faults: readonly Fault[],
  lot: DiagnosedLot | null,
  lastGood: readonly DiagnosedLot[] = [],
): Diagnosis {
  if (faults.length === 0) throw new RangeError('a fault is needed');
  const signs = lot ? signsOf(lot, lastGood) : [];
  const weighed = FAULT_CAUSES.map((cause) => {
    const evidence = signs.map(({ name, value }) => ({
      sign: name,
      value,
      off: offOf({ name, value }),
      weight: weightOf({ name, value }, cause),
    }));
    const ln =
      Math.log(priorOf(cause)) +
      faults.reduce((sum, fault) => sum + Math.log(shownBy(fault, cause)), 0) +
      evidence.reduce((sum, { weight }) => sum + weight, 0);
    return { cause, evidence, ln };
  });
  const most = Math.max(...weighed.map(({ ln }) => ln));
  const all = weighed.reduce((sum, { ln }) => sum + Math.exp(ln - most), 0);
  const causes = weighed
    .map(({ cause, evidence, ln }): SuspectedCause => ({
      cause,
      odds: Math.exp(ln - most) / all,
      for: evidence
        .filter(({ weight }) => weight >= LEAST_WEIGHT)
        .sort((a, b) => b.weight - a.weight),
      against: evidence
        .filter(({ weight }) => weight <= -LEAST_WEIGHT)
        .sort((a, b) => a.weight - b.weight),
      settleBy: SETTLED_BY[cause],
    }))
    .sort((a, b) => b.odds - a.odds);
  const isTold = (causes[0]?.odds ?? 0) >= TOLD_ODDS;
  return { causes, isTold, missing: isTold ? [] : missingOf(causes, signs) };
}

const priorOf = (cause: FaultCause): number =>
  cause === 'none' ? NONE_SHARE : (1 - NONE_SHARE) / (FAULT_CAUSES.length - 1);

const shownBy = (fault: Fault, cause: FaultCause): number =>
  cause === 'none' ? BY_CHANCE : (SUSPECTS[fault][cause] ?? UNSUSPECTED);

function offOf({ name, value }: Sign): number {
  const { usual } = SPREADS[name];
  return 'sd' in usual ? (value - usual.mean) / usual.sd : 0;
}

/** ln of how much likelier a sign is under a cause than under sound dough; nothing where the cause does not show in it. */
function weightOf({ name, value }: Sign, cause: FaultCause): number {
  const { usual, under } = SPREADS[name];
  const spread = under[cause];
  return spread ? Math.log(likelihood(spread, usual, value) / likelihood(usual, usual, value)) : 0;
}

/** How likely a sign is, slips among them. */
function likelihood(spread: Spread, usual: Spread, value: number): number {
  if ('yes' in spread) return value > 0.5 ? spread.yes : 1 - spread.yes;
  const slip = 'sd' in usual ? density(value, usual.mean, SLIP_WIDTH * usual.sd) : 0;
  return (1 - SLIP_SHARE) * density(value, spread.mean, spread.sd) + SLIP_SHARE * slip;
}

const density = (value: number, mean: number, sd: number): number =>
  Math.exp(-0.5 * ((value - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));

/** Signs that are not on record and in which causes in question differ, the most telling first. */
function missingOf(causes: readonly SuspectedCause[], signs: readonly Sign[]): SignName[] {
  const there = new Set(signs.map(({ name }) => name));
  const inQuestion = causes.filter(({ odds }) => odds >= IN_QUESTION_ODDS);
  const telling = (name: SignName) =>
    inQuestion.reduce((sum, { cause, odds }) => sum + (SPREADS[name].under[cause] ? odds : 0), 0);
  return SIGNS.filter((name) => !there.has(name) && telling(name) > 0).sort(
    (a, b) => telling(b) - telling(a),
  );
}
