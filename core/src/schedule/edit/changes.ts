import type { PlannedLot, PlannedStep } from '../problem/problem';

/** What becomes of one person's step from one plan to the next. */
export interface StepChange {
  readonly kind: 'new' | 'gone' | 'moved' | 'same';
  readonly personId: string;
  readonly lot: PlannedLot;
  /** As it is in the later plan, or was in the earlier one when it is gone. */
  readonly step: PlannedStep;
  /** Where it was; null when it is new. */
  readonly wasMin: number | null;
}

/**
 * What a plan changes for each person.
 *
 * @param fromMin what has begun by then is left out
 */
export function changesBetween(
  before: readonly PlannedLot[],
  after: readonly PlannedLot[],
  fromMin: number,
): StepChange[] {
  const was = byPerson(before);
  const is = byPerson(after);
  const changes: StepChange[] = [];
  for (const [key, one] of is) {
    const old = was.get(key);
    const { startMin } = one.step;
    const kind = !old ? 'new' : old.step.startMin === startMin ? 'same' : 'moved';
    changes.push({ kind, ...one, wasMin: old?.step.startMin ?? null });
  }
  for (const [key, one] of was) {
    if (!is.has(key)) changes.push({ kind: 'gone', ...one, wasMin: one.step.startMin });
  }
  return changes
    .filter(({ step, wasMin }) => Math.max(step.startMin, wasMin ?? 0) >= fromMin)
    .sort((a, b) => a.step.startMin - b.step.startMin);
}

function byPerson(lots: readonly PlannedLot[]) {
  return new Map(
    lots.flatMap((lot) =>
      lot.steps.flatMap((step) =>
        step.personIds.map(
          (personId) =>
            [
              [lot.id, step.stage, step.serviceId ?? '', personId].join('|'),
              { personId, lot, step },
            ] as const,
        ),
      ),
    ),
  );
}
