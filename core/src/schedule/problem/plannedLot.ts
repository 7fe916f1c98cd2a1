import { isAtMixer } from '../search/ledger';
import type { Block, Edge, LotVariant, VariantWork } from '../search/lotVariants';
import { QUARTER, type PlannedRest, type PlannedStep } from './problem';

/** A work of a mode as a plan says it. @param startMin minutes since 1970 */
export const plannedStep = (
  { mixerId }: LotVariant,
  { serviceId }: Block,
  variantWork: VariantWork,
  startMin: number,
  personIds: readonly string[],
): PlannedStep => ({
  stage: variantWork.stage,
  key: variantWork.work.key,
  skill: variantWork.work.skill,
  startMin,
  endMin: startMin + variantWork.quarters * QUARTER,
  personIds,
  mixerId: isAtMixer(variantWork) ? mixerId : null,
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
