import Joi from 'joi';

/** Limits that catch slips of the finger, not unusual kitchens. */
export const percent = (max: number) => Joi.number().min(0).max(max);
/** Any temperature a kitchen thermometer can show, °C. */
export const tempC = () => Joi.number().min(-30).max(60);
/** A weight in grams, more than nothing, less than a lorry. */
export const massG = () => Joi.number().greater(0).max(10_000_000);
/** A whole number of balls. */
export const ballCount = () => Joi.number().integer().min(0).max(20_000);
/** A version that a write has read. */
export const version = () => Joi.number().integer().min(0).required();
/** A local calendar date. */
export const localDate = () =>
  Joi.string().custom((value: string, helpers) => {
    const parsed = new Date(`${value}T00:00:00Z`);
    const isReal = !Number.isNaN(parsed.getTime()) && parsed.toISOString().startsWith(value);
    return isReal && value.length === 10 ? value : helpers.error('string.isoDate');
  });
/** A short text in any script, emoji included, without control characters. */
export const text = (max: number) =>
  Joi.string()
    .max(max)
    // eslint-disable-next-line no-control-regex
    .pattern(/^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]*$/, 'printable');
/** The id of a record. */
export const id = () => Joi.string().guid();
/** A record's name in addresses. */
export const slug = () => Joi.string().pattern(/^[a-z0-9-]{1,60}$/, 'slug');
/** A step of a method or a route. */
export const stepKey = () => Joi.string().pattern(/^[a-z0-9-]{1,60}$/, 'step');
