import { and, eq, lt } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { newToken, tokenHash } from './token';

/** Wrong tries in a row, and until when nothing is tried. */
export interface Tries {
  readonly failedTries: number;
  readonly lockedUntil: Date | null;
}

/** Nothing went wrong of late. */
export const NO_TRIES: Tries = { failedTries: 0, lockedUntil: null };

const here = ({ houseId }: Scope, token: string) =>
  and(eq(t.devices.houseId, houseId), eq(t.devices.tokenHash, tokenHash(token)));

/** The tries of a device that signed in before, held until the transaction ends; null for one that never did. */
export async function beginDeviceTry(scope: Scope, token: string | null): Promise<Tries | null> {
  if (token === null) return null;
  const [row] = await scope.tx.select().from(t.devices).where(here(scope, token)).for('update');
  return row ?? null;
}

/** Notes how a try on a known device came out. */
export async function recordDeviceTry(scope: Scope, token: string, tries: Tries): Promise<void> {
  await scope.tx.update(t.devices).set(tries).where(here(scope, token));
}

/** Knows a device from now on. Gives back what it is known by. */
export async function keepDevice({ tx, houseId }: Scope, now: Date): Promise<string> {
  const token = newToken();
  const known = { tokenHash: tokenHash(token), firstAt: now, lastAt: now };
  await tx.insert(t.devices).values({ houseId, ...known });
  return token;
}

/** Somebody signed in on a known device. */
export async function touchDevice(scope: Scope, token: string, now: Date): Promise<void> {
  await scope.tx
    .update(t.devices)
    .set({ ...NO_TRIES, lastAt: now })
    .where(here(scope, token));
}

/** Forgets devices of a house on which nobody signed in since a moment. */
export async function forgetDevices({ tx, houseId }: Scope, before: Date): Promise<void> {
  await tx
    .delete(t.devices)
    .where(and(eq(t.devices.houseId, houseId), lt(t.devices.lastAt, before)));
}

/** Every known device of a house may try again. */
export async function clearDeviceTries({ tx, houseId }: Scope): Promise<void> {
  await tx.update(t.devices).set(NO_TRIES).where(eq(t.devices.houseId, houseId));
}
