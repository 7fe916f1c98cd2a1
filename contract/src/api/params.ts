import Joi, { type ObjectSchema, type Schema } from 'joi';
import { RETIRABLE, type Retirable } from '../house/retirement';
import { id, localDate, slug, stepKey } from './fields';
import { paramNames, type PathParams, type RouteName } from './routes';
import type { ROUTES } from './routeTable';

/** Longest range of days one request may ask for. */
export const MOST_DAYS = 62;

/** What each parameter of an address may be; a parameter of one name is the same everywhere. */
const PARAMS = {
  house: slug(),
  formula: slug(),
  lot: id(),
  lotOrCode: Joi.string().pattern(/^[A-Za-z0-9-]{1,40}$/, 'lot'),
  id: id(),
  patternId: id(),
  productId: id(),
  date: localDate(),
  number: Joi.number().integer().min(1).max(200),
  loadNumber: Joi.number().integer().min(0).max(200),
  stepKey: stepKey(),
  retirable: Joi.string().valid(...RETIRABLE),
  session: Joi.string().hex().length(64),
  /** Of a calendar link. */
  secret: Joi.string().pattern(/^[\w-]{43}$/, 'secret'),
} as const satisfies Readonly<Record<string, Schema>>;

type NumberParams = 'number' | 'loadNumber';

/** The parameters of a route, once checked. */
export type RouteParams<Name extends RouteName> = {
  readonly [Key in PathParams<(typeof ROUTES)[Name]['path']>]: Key extends NumberParams
    ? number
    : Key extends 'retirable'
      ? Retirable
      : string;
};

/**
 * What the parameters of a path must be.
 *
 * @throws RangeError for a path with a parameter that has no schema
 */
export function paramsSchema(path: string): ObjectSchema {
  const known: Readonly<Record<string, Schema>> = PARAMS;
  return Joi.object(
    Object.fromEntries(
      paramNames(path).map((name) => {
        const schema = known[name];
        if (!schema) throw new RangeError(`no schema for :${name} of ${path}`);
        return [name, schema.required()];
      }),
    ),
  );
}

/** Some days, from a local date. */
export const daysQuery = Joi.object<{ from: string; days: number }>({
  from: localDate().required(),
  days: Joi.number().integer().min(1).max(MOST_DAYS).required(),
});

/** A calendar of one person, or of everybody. */
export const calendarQuery = Joi.object<{ person?: string }>({ person: id() });
