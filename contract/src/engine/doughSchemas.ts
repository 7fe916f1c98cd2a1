import type { AcceptedConstant } from './acceptedConstant';
import type { DoughStage, Target } from '@calm/core';
import {
  AIR_LIMITS_C,
  BALL_LIMITS_G,
  BULK_LIMITS_KG,
  CONTAINERS,
  DOUGH_LIMITS_C,
  MOST_STAGE_HOURS,
  SHAPINGS,
  STANDARD_TARGET,
  UNTIL_RISE_LIMITS,
} from './vocabulary';
import Joi from 'joi';
import type { DoseDocument, DoughDocument, SimulateDocument } from './dough';
import { formulaSchema, undosedFormulaSchema } from './formulaSchemas';

const within = ({ least, most }: { readonly least: number; readonly most: number }) =>
  Joi.number().min(least).max(most);

const stage = Joi.object<DoughStage>({
  kind: Joi.valid('bulk', 'ball').required(),
  hours: Joi.number().min(0).max(MOST_STAGE_HOURS).required(),
  airTempC: within(AIR_LIMITS_C).required(),
  container: Joi.valid(...CONTAINERS).required(),
  massKg: within(BULK_LIMITS_KG).when('kind', { is: 'ball', then: Joi.forbidden() }),
  shaping: Joi.valid(...SHAPINGS),
  untilRise: within(UNTIL_RISE_LIMITS),
});

const stages = Joi.array().items(stage).min(1).max(24);

const history = Joi.object({
  doughTempC: within(DOUGH_LIMITS_C).required(),
  stages: stages.required(),
});

/** Bounds of a target, in the order they must stand. */
export const targetSchema = Joi.object<Target>({
  riseMin: Joi.number().min(1).max(5),
  riseMax: Joi.number().min(1).max(6),
  risePeak: Joi.number().min(1).max(6),
  openTempC: Joi.number().min(0).max(35),
  maturityMinH: Joi.number().min(0).max(72),
})
  .custom((given: Partial<Target>, helpers) => {
    const { riseMin, risePeak, riseMax } = { ...STANDARD_TARGET, ...given };
    return riseMin <= risePeak && risePeak <= riseMax ? given : helpers.error('target.order');
  })
  .messages({ 'target.order': '{{#label}} needs riseMin ≤ risePeak ≤ riseMax' });

/** What a house has learned of its own numbers. */
export const acceptedConstants = Joi.array()
  .items(
    Joi.object<AcceptedConstant>({
      name: Joi.string()
        .pattern(/^(yeast-activity|cold-end|film:.{1,40}|endurance:.{1,80})$/)
        .required(),
      factor: Joi.number().min(0.2).max(5),
      shift: Joi.number().min(-5).max(5),
    }).xor('factor', 'shift'),
  )
  .max(100)
  .unique('name');

/** Of any document that is a dough and its way. */
export const dough = {
  ballWeightG: within(BALL_LIMITS_G).required(),
  doughTempC: within(DOUGH_LIMITS_C).required(),
  stages: stages.required(),
  histories: Joi.object({ preferment: history, oldDough: history }),
  target: targetSchema,
  maltPercent: Joi.number().min(0).max(10),
  altitudeM: Joi.number().min(-500).max(6000),
  constants: acceptedConstants,
  conversion: Joi.object({
    activeDry: Joi.number().min(0.1).max(1),
    instant: Joi.number().min(0.1).max(1),
  }),
};

/** A dough and its way, within another document. */
export const doughSchema = Joi.object<DoughDocument>({
  formula: formulaSchema.required(),
  ...dough,
});

/** Input of `calm simulate`. */
export const simulateSchema = Joi.object<SimulateDocument>({
  formula: formulaSchema.required(),
  ...dough,
  stepMinutes: Joi.number().min(1).max(240).default(15),
});

/** Input of `calm dose`. */
export const doseSchema = Joi.object<DoseDocument>({
  formula: undosedFormulaSchema.required(),
  ...dough,
  peakHour: Joi.number().min(0).max(1000).required(),
});
