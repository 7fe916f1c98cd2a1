import { WORK_KEYS } from '../engine/vocabulary';
import Joi from 'joi';
import { version } from '../api/fields';
import { PROPOSAL_STATES, type ProposalDecision, type WorkToPlan } from './learned';

/** POST work to be planned as it was learned to take. */
export const workToPlanSchema = Joi.object<WorkToPlan>({
  kind: Joi.valid(...WORK_KEYS).required(),
});

/** PUT what becomes of a proposal. */
export const proposalDecisionSchema = Joi.object<ProposalDecision>({
  version: version(),
  state: Joi.valid(...PROPOSAL_STATES.filter((state) => state !== 'proposed')).required(),
});
