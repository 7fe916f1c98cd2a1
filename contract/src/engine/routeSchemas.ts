import type { RestStage, Stage, WorkStage } from '@calm/core';
import {
  AIR_LIMITS_C,
  CONTAINERS,
  COVERS,
  MOST_STAGE_HOURS,
  REST_KEYS,
  SHAPINGS,
  SKILLS,
  UNDERS,
  UNTIL_RISE_LIMITS,
  WORK_KEYS,
} from './vocabulary';
import Joi from 'joi';
import { visibleText } from '../api/fields';

const minutes = () => Joi.number().min(0).max(1440);
const hours = () => Joi.number().min(0).max(MOST_STAGE_HOURS);

const workStage = Joi.object<WorkStage>({
  kind: Joi.valid('work').required(),
  key: Joi.valid(...WORK_KEYS).required(),
  skill: Joi.valid(...SKILLS).required(),
  people: Joi.valid(1, 2).required(),
  rate: Joi.object({
    fixedMin: minutes().required(),
    perLoadMin: minutes(),
    perHundredBallsMin: minutes(),
  }).required(),
});

const restStage = Joi.object<RestStage>({
  kind: Joi.valid('rest').required(),
  key: Joi.valid(...REST_KEYS).required(),
  place: visibleText(80),
  airTempC: Joi.number().min(AIR_LIMITS_C.least).max(AIR_LIMITS_C.most).required(),
  container: Joi.valid(...CONTAINERS).required(),
  hours: Joi.object({
    least: hours().required(),
    preferred: hours().min(Joi.ref('least')).required(),
    most: hours().min(Joi.ref('preferred')).required(),
  }).required(),
  shaping: Joi.valid(...SHAPINGS),
  cover: Joi.valid(...COVERS),
  under: Joi.valid(...UNDERS),
  untilRise: Joi.number().min(UNTIL_RISE_LIMITS.least).max(UNTIL_RISE_LIMITS.most),
});

/** One stage of a route: work or rest. */
export const stageSchema = Joi.object<Stage>({ kind: Joi.valid('work', 'rest').required() })
  .unknown()
  .when(Joi.object({ kind: 'work' }).unknown(), { then: workStage, otherwise: restStage });

/** A route: its stages in order. */
export const routeStagesSchema = Joi.array().items(stageSchema).min(1).max(40);
