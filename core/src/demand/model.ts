import { dayNumber, weekdayIndex, type SoldDay } from './soldDay';
import { STANDARD_SPREAD } from './distribution';
import { grossedUp, wantedOn } from './wanted';

/** How fast the parts of a model follow what happens; each per service that was held. */
export interface Smoothing {
  readonly level: number;
  /** Of the trend, which is counted per week. */
  readonly trend: number;
  readonly weekday: number;
}

/** What a house's sales of one product at one kind of service come to. */
export interface DemandModel {
  /** Balls on an average day, without its weekday and without an event. */
  readonly level: number;
  /** Change of the level, balls a week; it fades (see `TREND_KEEPS`). */
  readonly trendPerWeek: number;
  /** Day of the last service in it, days since 1970. */
  readonly lastDay: number;
  /** Factor of each weekday, Monday first; 1 on average over the weekdays that are open. */
  readonly weekdays: readonly number[];
  /** Factor of each event, by its name, as often as it was seen. */
  readonly events: Readonly<Record<string, { readonly logFactors: readonly number[] }>>;
  /** Services it has seen. */
  readonly seen: number;
}

/** Share of a trend that is still there a week later: no kitchen grows for ever. Plausible 0.8–0.95. */
export const TREND_KEEPS = 0.85;
/** Services before the filter starts: about three weeks of five or six. */
export const START_SERVICES = 15;
/** Choices among which a series' own smoothing is found (least squared logarithmic error a week ahead). */
export const SMOOTHINGS: readonly Smoothing[] = [0.05, 0.1, 0.2].flatMap((level) =>
  [0, 0.02, 0.05].flatMap((trend) => [0.04, 0.12].map((weekday) => ({ level, trend, weekday }))),
);
/** A count that is almost nothing is read as this: its logarithm must stay finite. */
const LEAST_BALLS = 0.5;

/** A service with its day read once: models go over the same days many times. */
interface DatedDay extends SoldDay {
  /** Days since 1970. */
  readonly at: number;
  /** 0 = Monday … 6 = Sunday. */
  readonly weekday: number;
}

const datedOf = (days: readonly SoldDay[]): DatedDay[] =>
  days.map((day) => ({ ...day, at: dayNumber(day.date), weekday: weekdayIndex(day.date) }));

/** A model's first state, from plain means of the first services. */
function startOf(days: readonly DatedDay[]): DemandModel {
  const plain = days.filter(({ event }) => event === undefined);
  const sums = Array.from({ length: 7 }, () => ({ sold: 0, days: 0 }));
  for (const day of plain) {
    const sum = sums[day.weekday];
    if (sum) {
      sum.sold += grossedUp(day);
      sum.days += 1;
    }
  }
  const means = sums.map(({ sold, days: n }) => (n > 0 ? sold / n : null));
  const open = means.filter((mean) => mean !== null);
  const level = Math.max(LEAST_BALLS, open.reduce((a, b) => a + b, 0) / Math.max(1, open.length));
  return {
    level,
    trendPerWeek: 0,
    lastDay: days.at(-1)?.at ?? 0,
    weekdays: means.map((mean) =>
      mean === null ? 1 : Math.max(LEAST_BALLS / level, mean / level),
    ),
    events: {},
    seen: days.length,
  };
}

/** How much of a trend is felt after some weeks: 1 + k + k² … for fractions of weeks too. */
const trendWeeks = (weeks: number): number => (1 - TREND_KEEPS ** weeks) / (1 - TREND_KEEPS);

/** The level on a later day. */
export function levelAt({ level, trendPerWeek, lastDay }: DemandModel, day: number): number {
  const weeks = Math.max(0, day - lastDay) / 7;
  return Math.max(LEAST_BALLS, level + trendPerWeek * trendWeeks(weeks));
}

/** One more service: events teach their own factor and leave the rest alone. */
function follow(model: DemandModel, day: DatedDay, by: Smoothing): DemandModel {
  const { at, weekday } = day;
  const weeks = Math.max(0, at - model.lastDay) / 7;
  const level = levelAt(model, at);
  const factor = model.weekdays[weekday] ?? 1;
  const trendPerWeek = model.trendPerWeek * TREND_KEEPS ** weeks;
  const seen = model.seen + 1;
  const { weekdays, events } = model;
  if (day.event !== undefined) {
    const before = events[day.event]?.logFactors ?? [];
    const guess = level * factor * Math.exp(meanOf(before));
    const wanted = wantedOn(day, guess, STANDARD_SPREAD).mean;
    const logFactor = Math.log(Math.max(LEAST_BALLS, wanted) / (level * factor));
    const taught = { ...events, [day.event]: { logFactors: [...before, logFactor] } };
    return { level, trendPerWeek, lastDay: at, weekdays, events: taught, seen };
  }
  const sold = wantedOn(day, level * factor, STANDARD_SPREAD).mean;
  const off = sold / factor - level;
  const nextLevel = Math.max(LEAST_BALLS, level + by.level * off);
  const moved = weekdays.slice();
  moved[weekday] = Math.max(0.02, factor + by.weekday * (sold / nextLevel - factor));
  return {
    level: nextLevel,
    trendPerWeek: trendPerWeek + by.trend * off,
    lastDay: at,
    weekdays: moved,
    events,
    seen,
  };
}

const meanOf = (list: readonly number[]): number =>
  list.length > 0 ? list.reduce((a, b) => a + b, 0) / list.length : 0;

/**
 * A model after each service, in time's order: `states[i]` has seen the first `START_SERVICES + i`.
 *
 * @param days in time's order, at most one a day
 */
export const filterDemand = (days: readonly SoldDay[], by: Smoothing): DemandModel[] =>
  filterDated(datedOf(days), by);

function filterDated(days: readonly DatedDay[], by: Smoothing): DemandModel[] {
  let model = startOf(days.slice(0, START_SERVICES));
  const states = [model];
  for (const day of days.slice(START_SERVICES)) {
    model = follow(model, day, by);
    states.push(model);
  }
  return states;
}

/** What an event on that day is expected to do, before and after it was seen. */
export interface EventGuess {
  readonly name: string;
  /** Factor the house expects; 1 says nothing. */
  readonly expectedFactor: number;
}

/** An expectation counts like this many times of having seen it. */
const EXPECTATION_WEIGHT = 2;

/** An event's factor: the house's expectation, moved by what was seen. */
export function eventFactor(model: DemandModel, { name, expectedFactor }: EventGuess): number {
  const seen = model.events[name]?.logFactors ?? [];
  const sum = seen.reduce((a, b) => a + b, 0);
  const prior = EXPECTATION_WEIGHT * Math.log(Math.max(0.05, expectedFactor));
  return Math.exp((prior + sum) / (EXPECTATION_WEIGHT + seen.length));
}

/** Balls to expect on a day. */
export const expectedOn = (model: DemandModel, date: string, event?: EventGuess): number =>
  plainOn(model, dayNumber(date), weekdayIndex(date)) * (event ? eventFactor(model, event) : 1);

/** The same for a day without an event. */
const plainOn = (model: DemandModel, at: number, weekday: number): number =>
  levelAt(model, at) * (model.weekdays[weekday] ?? 1);

/**
 * The smoothing that would have told a series best a week ahead: least mean squared logarithmic error
 * of services without an event.
 */
export function bestSmoothing(days: readonly SoldDay[]): Smoothing {
  const dated = datedOf(days);
  let best = { by: SMOOTHINGS[0] as Smoothing, error: Infinity };
  for (const by of SMOOTHINGS) {
    const states = filterDated(dated, by);
    let error = 0;
    let ago = 0;
    for (let i = START_SERVICES; i < dated.length; i += 1) {
      const day = dated[i] as DatedDay;
      while (ago + 1 < states.length && stateDay(states, ago + 1) <= day.at - 7) ago += 1;
      const model = states[ago];
      if (!model || day.event !== undefined || day.isSoldOut) continue;
      const expected = plainOn(model, day.at, day.weekday);
      error += Math.log(Math.max(LEAST_BALLS, day.sold) / expected) ** 2;
    }
    if (error < best.error - 1e-12) best = { by, error };
  }
  return best.by;
}

const stateDay = (states: readonly DemandModel[], i: number) => states[i]?.lastDay ?? Infinity;
