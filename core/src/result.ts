/**
 * What a computation hands back when "it cannot be done" is an ordinary answer.
 * Reasons are plain data; wording lives in the catalogues. Exceptions are for bugs.
 */
export type Result<Value, Reason> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly reasons: readonly Reason[] };

/** A computation that worked. */
export function ok<Value>(value: Value): { ok: true; value: Value } {
  return { ok: true, value };
}

/** A computation that cannot be done, and why. */
export function fail<Reason>(...reasons: Reason[]): { ok: false; reasons: Reason[] } {
  return { ok: false, reasons };
}
