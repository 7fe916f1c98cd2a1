import type { StepRef } from './editPlan';
import type { PlannedLot, PlannedStep } from '../problem/problem';

/** Names of a step that last as long as it is not renamed. */
export const refOf = ({ id: lotId }: PlannedLot, { stage, serviceId }: PlannedStep): StepRef => ({
  lotId,
  stage,
  serviceId,
});
