import type { AdvicePlace, AdviceService } from '@calm/core';
import Joi from 'joi';
import { visibleText } from '../api/fields';
import type { AdviseDocument, EquivalentDocument } from './advice';
import { dough } from './doughSchemas';
import { formulaSchema } from './formulaSchemas';
import { AIR_LIMITS_C, CONTAINERS, DOUGH_TROUBLES } from './vocabulary';

const hour = () => Joi.number().min(0).max(1000).required();
const airC = () => Joi.number().min(AIR_LIMITS_C.least).max(AIR_LIMITS_C.most).required();

/** Input of `calm advise`. */
export const adviseSchema = Joi.object<AdviseDocument>({
  formula: formulaSchema.required(),
  ...dough,
  nowHour: hour(),
  services: Joi.array()
    .items(
      Joi.object<AdviceService>({
        startHour: hour(),
        endHour: hour().greater(Joi.ref('startHour')),
        balls: Joi.number().min(0).max(100_000).required(),
      }),
    )
    .max(20)
    .required(),
  places: Joi.array()
    .items(
      Joi.object<AdvicePlace>({
        name: visibleText(80),
        airTempC: airC(),
        container: Joi.valid(...CONTAINERS).required(),
      }),
    )
    .max(30)
    .unique('name')
    .required(),
  problem: Joi.valid(...DOUGH_TROUBLES),
});

/** Input of `calm equivalent`. */
export const equivalentSchema = Joi.object<EquivalentDocument>({
  formula: formulaSchema.required(),
  ...dough,
  stage: Joi.number().integer().min(0).max(23).required(),
  tempsC: Joi.array().items(airC()).min(1).max(100).required(),
});
