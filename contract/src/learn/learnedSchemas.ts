import Joi from 'joi';
import { version } from '../api/fields';
import { PROPOSAL_STATES, type ProposalDecision } from './learned';

/** PUT what becomes of a proposal. */
export const proposalDecisionSchema = Joi.object<ProposalDecision>({
  version: version(),
  state: Joi.valid(...PROPOSAL_STATES.filter((state) => state !== 'proposed')).required(),
});
