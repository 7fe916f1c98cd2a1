/** What a field may hold. */
export interface NumberRule {
  readonly min: number;
  readonly max: number;
  /** Digits after the point; 0 is a whole number. */
  readonly decimals: number;
  readonly mayBeEmpty?: boolean;
}

/** A number, or why the text is none. `limit` is the bound that was passed. */
export type ReadNumber =
  | { readonly ok: true; readonly value: number | null }
  | {
      readonly ok: false;
      readonly reason: 'empty' | 'not-a-number' | 'whole' | 'too-small' | 'too-large';
      readonly limit?: number;
    };

const bad = (reason: Extract<ReadNumber, { ok: false }>['reason'], limit?: number): ReadNumber =>
  limit === undefined ? { ok: false, reason } : { ok: false, reason, limit };

/**
 * Reads what a person typed: point or comma, spaces between digits, a real or a typed minus.
 *
 * @example readNumber('12 571,5', { min: 0, max: 99999, decimals: 1 }) // 12571.5
 */
export function readNumber(text: string, rule: NumberRule): ReadNumber {
  const plain = text
    .replace(/[\s\u00a0\u202f]/g, '')
    .replace('\u2212', '-')
    .replace(',', '.');
  if (plain === '') return rule.mayBeEmpty ? { ok: true, value: null } : bad('empty');
  if (!/^-?(\d+\.?\d*|\.\d+)$/.test(plain)) return bad('not-a-number');
  const value = Number(plain);
  if (rule.decimals === 0 && !Number.isInteger(value)) return bad('whole');
  if (value < rule.min) return bad('too-small', rule.min);
  if (value > rule.max) return bad('too-large', rule.max);
  return { ok: true, value: Number(value.toFixed(rule.decimals)) };
}

/** A whole number of balls. */
export const BALLS: NumberRule = { min: 0, max: 20_000, decimals: 0 };
/** A temperature in a kitchen, °C. */
export const KITCHEN_TEMP: NumberRule = { min: -5, max: 55, decimals: 1 };
/** A temperature of tap water, °C. */
export const TAP_TEMP: NumberRule = { min: 0, max: 55, decimals: 1 };
