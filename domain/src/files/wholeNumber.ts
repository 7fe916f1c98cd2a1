/** Digits in threes, with a mark between them: `1,000`, `12.500`, `1'000'000`. */
const IN_THREES = /^(-?)(\d{1,3})((?:([,.'’])\d{3})(?:\4\d{3})*)$/;

/**
 * A whole number as people and tills write it; null when it is none. Of one mark before three noughts a comma and an
 * apostrophe part thousands (`1,000` is a thousand); after a point such noughts are decimals (`2.000` is two).
 *
 * @example
 * ['12', '12.0', '12,0', '1 200', '1,000', '1.250', '2.000', '−3', '1.5'].map(wholeNumber);
 * // [12, 12, 12, 1200, 1000, 1250, 2, -3, null]
 */
export function wholeNumber(text: string): number | null {
  const plain = text.replace(/[\s\u00a0\u202f]/g, '').replace('\u2212', '-');
  if (/^-?\d+(,0{1,2}|\.0+)?$/.test(plain)) return Number(plain.replace(/[.,]0+$/, ''));
  return IN_THREES.test(plain) ? Number(plain.replace(/[^\d-]/g, '')) : null;
}
