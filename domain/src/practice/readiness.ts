import type { PracticeNeed, ReadinessRule, ReadinessWork } from '@calm/contract';
import { DAY_MS, MINUTE_MS, type PlannedLot, type PlannedStep, type WorkKey } from '@calm/core';
import type { PersonSkill } from './practiceSkills';

/** A planned step that somebody is given alone, and what they still lack for it. */
export interface NotReady {
  readonly personId: string;
  readonly lot: PlannedLot;
  readonly step: PlannedStep;
  readonly work: ReadinessWork;
  /** What is still to be practised. */
  readonly needs: readonly PracticeNeed[];
}

/** What of its needs somebody does not meet at a moment. */
export const unmetNeeds = (
  needs: readonly PracticeNeed[],
  skills: readonly PersonSkill[],
  personId: string,
  atMs: number,
): PracticeNeed[] =>
  needs.filter(({ skill, leastScore, times, withinDays }) => {
    const own = skills.find((each) => each.personId === personId && each.skill === skill);
    return !(
      own &&
      own.count >= times &&
      100 * own.mean >= leastScore &&
      own.lastAtMs >= atMs - withinDays * DAY_MS
    );
  });

/** Of which work a step is, for whoever does it; the first step of somebody's day opens it. */
function worksOf(
  key: WorkKey,
  loadKg: number,
  isFirst: boolean,
  { work, fromKg }: ReadinessRule,
): boolean {
  switch (work) {
    case 'opens':
      return isFirst;
    case 'large-loads':
      return key === 'mix' && loadKg >= fromKg;
    case 'divides':
      return key === 'divide-ball' || key === 'sheet' || key === 'pan';
    case 'pulls':
      return key === 'pull';
  }
}

/**
 * Steps of a plan that are given to somebody alone who is not there yet, in time's order; what is over is not looked at.
 *
 * @param dateAt the house's local date at an instant, ms
 */
export function notReady(
  lots: readonly PlannedLot[],
  rules: readonly ReadinessRule[],
  skills: readonly PersonSkill[],
  nowMin: number,
  dateAt: (ms: number) => string,
): NotReady[] {
  if (rules.length === 0) return [];
  const dateOf = (minute: number) => dateAt(minute * MINUTE_MS);
  const steps = lots
    .flatMap((lot) => lot.steps.map((step) => ({ lot, step })))
    .sort((a, b) => a.step.startMin - b.step.startMin);
  const firstOfDay = new Map<string, number>();
  for (const { step } of steps) {
    const date = dateOf(step.startMin);
    firstOfDay.set(date, Math.min(firstOfDay.get(date) ?? Infinity, step.startMin));
  }
  return steps.flatMap(({ lot, step }): NotReady[] => {
    const [personId, ...others] = step.personIds;
    if (personId === undefined || others.length > 0 || step.endMin <= nowMin) return [];
    const isFirst = firstOfDay.get(dateOf(step.startMin)) === step.startMin;
    const loadKg = lot.doughKg / Math.max(1, lot.loads);
    return rules.flatMap((rule): NotReady[] => {
      if (!worksOf(step.key, loadKg, isFirst, rule)) return [];
      const needs = unmetNeeds(rule.needs, skills, personId, step.startMin * MINUTE_MS);
      return needs.length > 0 ? [{ personId, lot, step, work: rule.work, needs }] : [];
    });
  });
}
