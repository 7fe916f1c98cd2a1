import Joi from 'joi';

/** Limits that catch slips of the finger, not unusual kitchens. */
export const percent = (max: number) => Joi.number().min(0).max(max);
/** Any temperature a kitchen thermometer can show, °C. */
export const tempC = () => Joi.number().min(-30).max(60);
/** A weight that a kitchen's scales can show, g. */
export const massG = () => Joi.number().min(0.01).max(1_000_000);
/** A piece of dough or a bread, g. */
export const pieceG = () => Joi.number().min(1).max(10_000);
/** A whole number of balls. */
export const ballCount = () => Joi.number().integer().min(0).max(20_000);
/** A version that a write has read. */
export const version = () => Joi.number().integer().min(0).required();
/** Years in which a house of today plans or remembers anything. */
const FIRST_YEAR = '2000';
const LAST_YEAR = '2099';
const isInYears = (value: string) => value >= FIRST_YEAR && value.slice(0, 4) <= LAST_YEAR;

/** A local calendar date of this century. */
export const localDate = () =>
  Joi.string().custom((value: string, helpers) => {
    const isDate = /^\d{4}-\d\d-\d\d$/.test(value) && isInYears(value);
    const parsed = new Date(isDate ? `${value}T00:00:00Z` : NaN);
    const isReal = !Number.isNaN(parsed.getTime()) && parsed.toISOString().startsWith(value);
    return isReal ? value : helpers.error('string.isoDate');
  });

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,9})?)?(Z|[+-]\d\d:\d\d)$/;

/** A moment of this century, with its zone: without one it would be read in whatever zone a machine stands. */
export const instant = () =>
  Joi.string().custom((value: string, helpers) => {
    const isMoment = INSTANT.test(value) && !Number.isNaN(Date.parse(value));
    return isMoment && isInYears(new Date(value).toISOString())
      ? value
      : helpers.error('string.isoDate');
  });

/**
 * A short text in any script, emoji included, without control characters and halves of characters, which no
 * database keeps.
 */
export const text = (max: number) =>
  Joi.string()
    .max(max)
    .pattern(/^(?:[^\p{Cc}\p{Cs}]|[\t\n\r])*$/u, 'printable');

/** A text in which something can be seen: not blanks alone, nor signs of no width. */
export const visibleText = (max: number) =>
  text(max)
    .pattern(/[^\p{Z}\p{C}\p{M}\p{DI}]/u, 'letters')
    .required();

/** The id of a record. */
export const id = () => Joi.string().guid({ separator: '-', wrapper: false });
/** A record's name in addresses. */
export const slug = () => Joi.string().pattern(/^[a-z0-9-]{1,60}$/, 'slug');
/** A step of a method or a route. */
export const stepKey = () => Joi.string().pattern(/^[a-z0-9-]{1,60}$/, 'step');
