/** A lot's code in what was typed or read: alone, or in the address that its label carries. */
export function codeIn(text: string): string {
  const inAddress = /[?&]lot=([^&#\s]+)/.exec(text)?.[1];
  return (inAddress ? decodeURIComponent(inAddress) : text).trim().toUpperCase();
}

/** The address that a tray's label carries. */
export const addressOfTrays = (origin: string, house: string, code: string): string =>
  `${origin}/${house}/walk-in?lot=${encodeURIComponent(code)}`;
