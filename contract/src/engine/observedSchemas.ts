import Joi from 'joi';
import { localDate } from '../api/fields';
import { acceptedConstants, doughSchema } from './doughSchemas';
import type { LearnDocument, NarrowDocument } from './observedLot';
import { LOOKS, OPENINGS } from './vocabulary';

/** What nobody can have measured is still taken in: it is doubted there, and said. */
const hour = () => Joi.number().min(0).max(1000).required();
const many = <T>(item: Joi.ObjectSchema<T>) => Joi.array().items(item).max(1000);

const observed = {
  dough: doughSchema.required(),
  readings: many(
    Joi.object({ hour: hour(), coreTempC: Joi.number().min(-100).max(200).required() }),
  ),
  marks: many(Joi.object({ hour: hour(), rise: Joi.number().min(0).max(1000).required() })),
  looks: many(Joi.object({ hour: hour(), found: Joi.valid(...LOOKS).required() })),
  opened: Joi.object({
    hour: hour(),
    found: Joi.valid(...OPENINGS).required(),
  }),
};

/** Input of `calm learn`. */
export const learnSchema = Joi.object<LearnDocument>({
  lots: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().max(100).required(),
        day: localDate().required(),
        ...observed,
      }),
    )
    .max(500)
    .unique('id')
    .required(),
});

/** Input of `calm narrow`. */
export const narrowSchema = Joi.object<NarrowDocument>({
  ...observed,
  constants: acceptedConstants,
});
