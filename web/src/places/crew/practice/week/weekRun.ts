import type { Decision } from '@calm/core';
import { deviceStorage, isFiniteNumber, isObject } from '../../../../state/storage';
import { isDecision } from '../evening/eveningRun';

/** What an evening of a week came to. */
export interface EveningSum {
  /** In guests sent away: as it was run, as well as could be, and by the plain rule. */
  readonly cost: number;
  readonly best: number;
  readonly plain: number;
  readonly guests: number;
  readonly short: number;
  readonly thrown: number;
}

/** A week that is being run, as this device keeps it. */
export interface WeekRun {
  /** What was decided on each evening that is over, and what it came to. */
  readonly decisions: readonly (readonly Decision[])[];
  readonly told: readonly EveningSum[];
  /** Trays that were made for each evening, dough by dough; null as planned. */
  readonly made: readonly (readonly (number | null)[])[];
}

/** A week that has not begun. */
export const FRESH_WEEK: WeekRun = { decisions: [], told: [], made: [] };

const SUMS = ['cost', 'best', 'plain', 'guests', 'short', 'thrown'] as const;

const isSum = (value: unknown): value is EveningSum =>
  isObject(value) && SUMS.every((key) => isFiniteNumber(value[key]));

const isMade = (value: unknown): value is readonly (number | null)[] =>
  Array.isArray(value) && value.every((each) => each === null || isFiniteNumber(each));

const isWeekRun = (value: unknown): value is WeekRun =>
  isObject(value) &&
  Array.isArray(value['decisions']) &&
  value['decisions'].every((each) => Array.isArray(each) && each.every(isDecision)) &&
  Array.isArray(value['told']) &&
  value['told'].every(isSum) &&
  value['told'].length === value['decisions'].length &&
  Array.isArray(value['made']) &&
  value['made'].every(isMade);

/** Somebody's run of a week, so that a reload loses nothing. */
export const weekRunOf = (house: string, personId: string, week: string) =>
  deviceStorage<WeekRun>(`calm.practice.${house}.${personId}.week.${week}`, FRESH_WEEK, (stored) =>
    isWeekRun(stored) ? stored : null,
  );

/** A week with so many trays made of a dough for one of its evenings. */
export const withMade = (run: WeekRun, evening: number, dough: number, count: number): WeekRun => {
  const made = Array.from({ length: Math.max(run.made.length, evening + 1) }, (_, i) => [
    ...(run.made[i] ?? []),
  ]);
  const own = made[evening] as (number | null)[];
  while (own.length <= dough) own.push(null);
  own[dough] = count;
  return { ...run, made };
};
