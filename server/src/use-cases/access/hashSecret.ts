import { hash } from '@node-rs/argon2';

/** Argon2id of a password or PIN, with the library's own cost: 19 MiB, two passes. */
export const hashSecret = (secret: string): Promise<string> => hash(secret);
