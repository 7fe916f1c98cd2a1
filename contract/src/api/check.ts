import type { ObjectSchema, ValidationErrorItem } from 'joi';
import type { FieldError } from './problem';

/** A value that passed, or every field that did not. */
export type Checked<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly errors: FieldError[] };

/**
 * Checks a value against a schema and lists every problem with its path, not only the first.
 *
 * @param convert true for text that carries numbers (addresses), false for JSON
 */
export function check<T>(schema: ObjectSchema<T>, value: unknown, convert = false): Checked<T> {
  const result = schema.required().validate(value, { abortEarly: false, convert });
  if (result.error) return { ok: false, errors: result.error.details.map(fieldError) };
  return { ok: true, value: result.value as T };
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
