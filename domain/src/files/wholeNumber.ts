/** `12`, `12.0`, `12,0`, `1 200`, `−3`; null when it is no whole number. */
export function wholeNumber(text: string): number | null {
  const plain = text.replace(/[\s\u00a0\u202f]/g, '').replace('\u2212', '-');
  if (!/^-?\d+([.,]0{1,2})?$/.test(plain)) return null;
  return Number(plain.replace(/[.,]0+$/, ''));
}
