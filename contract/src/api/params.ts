import Joi from 'joi';
import { id, localDate } from './fields';
import { slug } from '../book/bookSchemas';

/** Longest stretch of days one request may ask for. */
export const MOST_DAYS = 62;

/** Parts of an address. */
export const params = {
  house: Joi.object({ house: slug().required() }),
  count: Joi.object({
    house: slug().required(),
    date: localDate().required(),
    patternId: id().required(),
    productId: id().required(),
  }),
  lot: Joi.object({ house: slug().required(), lot: id().required() }),
  load: Joi.object({
    house: slug().required(),
    lot: id().required(),
    number: Joi.number().integer().min(1).max(200).required(),
  }),
  formula: Joi.object({ house: slug().required(), formula: slug().required() }),
  record: Joi.object({ house: slug().required(), id: id().required() }),
  mark: Joi.object({
    house: slug().required(),
    lot: id().required(),
    loadNumber: Joi.number().integer().min(0).max(200).required(),
    stepKey: Joi.string()
      .pattern(/^[a-z0-9-]{1,60}$/, 'step')
      .required(),
  }),
} as const;

/** A stretch of days, from a local date. */
export const daysQuery = Joi.object<{ from: string; days: number }>({
  from: localDate().required(),
  days: Joi.number().integer().min(1).max(MOST_DAYS).required(),
});

/** A calendar of one person, or of everybody. */
export const calendarQuery = Joi.object<{ person?: string }>({ person: id() });
