import type { ObjectSchema, ValidationErrorItem } from 'joi';
import type { FieldError } from './problem';

/** A value that passed, or every field that did not. */
export type Checked<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly errors: FieldError[] };

/**
 * Checks a value against a schema and lists every problem with its path, not only the first; of a large value
 * the first, as a list of a million problems costs more than anybody reads.
 *
 * @param convert true for text that carries numbers (addresses), false for JSON
 */
export function check<T>(schema: ObjectSchema<T>, value: unknown, convert = false): Checked<T> {
  const abortEarly = isLarge(value);
  const result = schema.required().validate(value, { abortEarly, convert });
  if (result.error) return { ok: false, errors: result.error.details.map(fieldError) };
  return { ok: true, value: result.value as T };
}

/** More values than any form has. */
const LARGE = 5000;

function isLarge(value: unknown): boolean {
  const open = [value];
  for (let seen = 0; open.length > 0; seen += 1) {
    if (seen + open.length > LARGE) return true;
    const next = open.pop();
    if (typeof next === 'object' && next !== null) {
      const inside: readonly unknown[] = Array.isArray(next) ? next : Object.values(next);
      if (inside.length > LARGE) return true;
      open.push(...inside);
    }
  }
  return false;
}

function fieldError({ path, type, message, context }: ValidationErrorItem): FieldError {
  const limit: unknown = context?.['limit'];
  return {
    path: path.join('/'),
    code: type,
    ...((typeof limit === 'number' || typeof limit === 'string') && { limit }),
    message,
  };
}
