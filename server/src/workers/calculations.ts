import { forecastSeries, type ReadyWindow, type SeriesForecast, type SoldDay } from '@calm/core';
import type { LearnDocument } from '@calm/contract';
import {
  learnFrom,
  simulateCold,
  windowErrors,
  type ColdQuestion,
  type Learned,
  type SimulatedPortion,
} from '@calm/domain';

/*
 * What takes longer than other requests may wait runs on a thread of its own. Plain data goes in and comes out.
 */

/** What one product sold at one kind of service, and what the house expected of its events. */
export interface SeriesToFit {
  readonly days: readonly SoldDay[];
  /** By the name of the event; one that is not here is taken to change nothing. */
  readonly expected: Readonly<Record<string, number>>;
}

export const fitSeries = ({ days, expected }: SeriesToFit): SeriesForecast =>
  forecastSeries(days, (event) => expected[event] ?? 1);

/** How the house's dough goes on in the cold as it is; nothing where that cannot be told. */
export function coldPortions(question: ColdQuestion): readonly SimulatedPortion[] {
  const simulated = simulateCold(question);
  return simulated.ok ? simulated.value.parts : [];
}

/** When the same parts would open well, had every room held its set temperature; in the same order. */
export function windowsAsSet(question: ColdQuestion): readonly ReadyWindow[] {
  const simulated = simulateCold(question, [], true);
  return simulated.ok ? simulated.value.parts.map(({ window }) => window) : [];
}

/** What a house's lots say of its numbers. */
export const learn = (lots: LearnDocument['lots']): Learned => learnFrom(lots);

/** How much later than foretold lots began to open well, by what was seen of them, minutes; by the lots' ids. */
export const windowsOff = (lots: LearnDocument['lots']): Record<string, number> =>
  windowErrors(lots);

export { isGuessable } from './guessable';
