import type { Decision } from '@calm/core';
import { deviceStorage, isFiniteNumber, isObject } from '../../../../state/storage';

/** An evening that is being run, as this device keeps it. */
export interface EveningRun {
  readonly decisions: readonly Decision[];
  readonly moment: number;
  /** Whether how it went is kept already. */
  readonly isKept: boolean;
}

/** An evening that has not begun. */
export const FRESH: EveningRun = { decisions: [], moment: 0, isKept: false };

const DEEDS = ['trays', 'stop', 'mix', 'look', 'call'] as const;

/** Whether what a device kept is a decision. */
export const isDecision = (value: unknown): value is Decision =>
  isObject(value) &&
  isFiniteNumber(value['moment']) &&
  isFiniteNumber(value['dough']) &&
  isObject(value['deed']) &&
  (DEEDS as readonly unknown[]).includes(value['deed']['kind']);

/** Somebody's run of an evening, so that a reload loses nothing. */
export const runOf = (house: string, personId: string, situation: string) =>
  deviceStorage<EveningRun>(
    `calm.practice.${house}.${personId}.evening.${situation}`,
    FRESH,
    (stored) =>
      isObject(stored) &&
      Array.isArray(stored['decisions']) &&
      stored['decisions'].every(isDecision) &&
      isFiniteNumber(stored['moment'])
        ? {
            decisions: stored['decisions'],
            moment: stored['moment'],
            isKept: stored['isKept'] === true,
          }
        : null,
  );

/** Takes back what was decided last, as long as the clock has not moved since. */
export function takenBack(run: EveningRun): EveningRun {
  return mayTakeBack(run) ? { ...run, decisions: run.decisions.slice(0, -1) } : run;
}

/** Whether something was decided at this moment that has shown nothing yet: what is seen cannot be unseen. */
export function mayTakeBack({ decisions, moment }: EveningRun): boolean {
  const last = decisions.at(-1);
  return last?.moment === moment && last.deed.kind !== 'look' && last.deed.kind !== 'call';
}
