import { createHash, randomBytes } from 'node:crypto';

/** A token that nobody guesses; only whoever it is given to keeps it. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What the house keeps of a token: SHA-256, hexadecimal. */
export const tokenHash = (token: string): string =>
  createHash('sha256').update(token).digest('hex');
