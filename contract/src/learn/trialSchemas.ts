import Joi from 'joi';
import { id, version, visibleText } from '../api/fields';
import { TRIAL_JUDGES, VERDICTS, type TrialEnd, type TrialStart, type VerdictStart } from './trial';

/** POST a trial. */
export const trialStartSchema = Joi.object<TrialStart>({
  change: visibleText(200),
  judge: Joi.valid(...TRIAL_JUDGES).required(),
  controlLotId: id().required(),
  changedLotId: id().disallow(Joi.ref('controlLotId')).required(),
});

/** POST a verdict. */
export const verdictStartSchema = Joi.object<VerdictStart>({
  id: id().required(),
  choice: Joi.valid(...VERDICTS).required(),
});

/** PUT the end of a trial. */
export const trialEndSchema = Joi.object<TrialEnd>({ version: version() });
