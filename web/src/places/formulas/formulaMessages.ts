import { HOUR_MS, type DoseAlternative, type DoseLimit } from '@calm/core';
import type { DoughProblem } from '@calm/contract';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import type { Formats } from '@calm/domain';
import { useFormats } from '../../parts/format/useFormats';
import type { PlannedDough } from './what-if/whatIf';

const QUARTER_MS = HOUR_MS / 4;

/** The name of one of the dough's stages: its rest, as the route calls it. */
function stageName(t: TFunction, { way }: PlannedDough, index: number): string {
  return t(`rest.${way.stages[index]?.rest.key ?? 'rest'}`);
}

/** Why the engine says no, as a sentence. */
export function formatProblemMessage(
  t: TFunction,
  problem: DoughProblem | DoseLimit,
  dough: PlannedDough,
): string {
  if (problem.kind === 'takes-too-much') return t(`reasons.${problem.kind}`, { ...problem });
  const where = 'stage' in problem ? stageName(t, dough, problem.stage) : '';
  return t([`limits.${problem.kind}`, `faults.${problem.kind}`], { ...problem, where });
}

const DAYS_FROM_H = 48;

/** A stage's time to the quarter of an hour, also where it lasts for days. */
export function formatRange(f: Formats, hours: number): string {
  if (hours < DAYS_FROM_H) return f.duration(hours * 60);
  return f.hours(hours, hours % 1 === 0 ? 0 : 2);
}

/** When it could peak instead: a quarter of the clock, on the side away from what was asked. */
export function wouldPeakMs(dough: PlannedDough, hour: number, askedMs: number): number {
  const ms = dough.mixedMs + hour * HOUR_MS;
  const round = ms > askedMs ? Math.ceil : Math.floor;
  return round(ms / QUARTER_MS) * QUARTER_MS;
}

/** What would work instead, by the names and the clock of the house. */
export function useAlternativeMessage(
  dough: PlannedDough,
  askedMs: number,
): (change: DoseAlternative) => string {
  const { t } = useTranslation();
  const f = useFormats();
  const messageOf = (change: DoseAlternative): string => {
    switch (change.kind) {
      case 'peak-hour':
        return t('formulas.whatIf.would.peak', {
          at: f.moment(wouldPeakMs(dough, change.hour, askedMs)),
        });
      case 'stage-hours':
        return t('formulas.whatIf.would.hours', {
          where: stageName(t, dough, change.stage),
          hours: formatRange(
            f,
            change.hours - (dough.way.stages[change.stage]?.handsMin ?? 0) / 60,
          ),
        });
      case 'air-temp':
        return t('formulas.whatIf.would.air', {
          where: stageName(t, dough, change.stage),
          temp: f.temperature(change.tempC),
        });
      case 'dough-temp':
        return t('formulas.whatIf.would.dough', { temp: f.temperature(change.tempC) });
      case 'flour-strength':
        return t('formulas.whatIf.would.flour', { strength: change.strengthW });
      case 'together':
        return change.changes.map(messageOf).join(t('formulas.whatIf.would.and'));
    }
  };
  return messageOf;
}
