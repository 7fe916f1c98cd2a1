import {
  MOMENT_MIN,
  momentsOf,
  playOfWays,
  type DoughPlay,
  type Evening,
  type EveningDough,
  type TrayWay,
} from './evening';

/** How a kitchen that looks at nothing does it: warming as always, half for doors and half for later. */
export interface PlainRule {
  /** Minutes that balls are taken to warm. */
  readonly warmsMin: number;
  /** When the second half is wanted, minutes from doors. */
  readonly laterMin: number;
}

/** Starting values: two hours of warming, the second half two hours into the service. */
export const USUAL_RULE: PlainRule = { warmsMin: 120, laterMin: 120 };

/** What the plain rule does with an evening: the same on every evening, whatever is seen. */
export const byPlainRule = (evening: Evening, rule: PlainRule = USUAL_RULE): DoughPlay[] =>
  evening.doughs.map((dough) => playOfWays(ofDough(evening, dough, rule)));

function ofDough(
  evening: Evening,
  { trays }: EveningDough,
  { warmsMin, laterMin }: PlainRule,
): TrayWay[] {
  const pullAt = (readyMin: number): TrayWay => {
    const moment = Math.max(0, Math.round((evening.doorsMin + readyMin - warmsMin) / MOMENT_MIN));
    return moment < momentsOf(evening) ? [{ act: 'pull', moment }] : [];
  };
  const first = Math.ceil(trays.length / 2);
  return trays.map((_, i) => pullAt(i < first ? 0 : laterMin));
}
