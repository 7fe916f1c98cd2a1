import { randomInt } from 'node:crypto';

/** Letters and digits of which none is read as another. */
export const PLAIN_SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
export const DIGITS = '0123456789';

/** Signs drawn by a chance that nobody foretells. */
export const drawSigns = (signs: string, count: number): string =>
  Array.from({ length: count }, () => signs[randomInt(signs.length)]).join('');
