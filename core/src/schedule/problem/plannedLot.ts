import { isAtMixer } from '../search/ledger';
import type { Block, Edge, Mode, ModeWork } from '../search/lotVariants';
import { QUARTER, type PlannedRest, type PlannedStep } from './problem';

/** A work of a mode as a plan says it. @param startMin minutes since 1970 */
export const plannedStep = (
  { mixerId }: Mode,
  { serviceId }: Block,
  modeWork: ModeWork,
  startMin: number,
  personIds: readonly string[],
): PlannedStep => ({
  stage: modeWork.stage,
  key: modeWork.work.key,
  skill: modeWork.work.skill,
  startMin,
  endMin: startMin + modeWork.quarters * QUARTER,
  personIds,
  mixerId: isAtMixer(modeWork) ? mixerId : null,
  serviceId,
});

/** A rest of a mode as a plan says it. @param startMin, endMin minutes since 1970 */
export const plannedRest = (
  { stage, rest, trays, tubs, to }: Edge,
  startMin: number,
  endMin: number,
): PlannedRest => ({
  stage,
  key: rest.key,
  place: rest.place,
  container: rest.container,
  startMin,
  endMin,
  trays,
  tubs,
  serviceId: to.serviceId,
});
