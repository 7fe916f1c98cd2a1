import Joi from 'joi';
import type { DiagnoseDocument, FaultyLotDocument } from './diagnosis';
import { doughSchema } from './doughSchemas';
import { FAULTS } from './vocabulary';

/** What nobody can have measured is still taken in: it speaks against itself. */
const hour = () => Joi.number().min(0).max(1000).required();
const many = <T>(item: Joi.ObjectSchema<T>) => Joi.array().items(item).max(1000);
const grams = () => Joi.number().min(0).max(1_000_000).required();

const lot = Joi.object<FaultyLotDocument>({
  dough: doughSchema.required(),
  weighed: many(
    Joi.object({ ingredient: Joi.string().max(80).required(), grams: grams(), wantedG: grams() }),
  ),
  scaleStepG: Joi.number().greater(0).max(1000),
  waterTempC: Joi.number().min(-20).max(120),
  readings: many(
    Joi.object({ hour: hour(), coreTempC: Joi.number().min(-100).max(200).required() }),
  ),
  marks: many(Joi.object({ hour: hour(), rise: Joi.number().min(0).max(1000).required() })),
  opened: Joi.object({ hour: hour(), coreTempC: Joi.number().min(-100).max(200) }),
  shapedHour: Joi.number().min(0).max(1000),
  cover: Joi.valid('closed', 'open'),
  checks: Joi.object({
    tears: Joi.boolean(),
    drySkin: Joi.boolean(),
    openSeam: Joi.boolean(),
    wetSpots: Joi.boolean(),
    yeastStill: Joi.boolean(),
    alcohol: Joi.boolean(),
  }),
  pieces: Joi.array().items(Joi.number().greater(0).max(100_000)).max(10_000),
  oven: Joi.object({
    tempC: Joi.number().min(0).max(700).required(),
    minutes: Joi.number().greater(0).max(600).required(),
  }),
});

/** Input of `calm diagnose`. */
export const diagnoseSchema = Joi.object<DiagnoseDocument>({
  faults: Joi.array()
    .items(Joi.valid(...FAULTS))
    .min(1)
    .unique()
    .required(),
  lot,
  lastGood: Joi.array().items(lot).max(50),
});
