import type { Session } from '@calm/contract';
import { DAY_MS } from '@calm/core';
import { BOARD_CACHE } from '../../offline';
import { deviceStorage, isFiniteNumber, isObject } from '../storage';

/*
 * Who is signed in on this device, as far as the device itself can know. The house's answer comes first; this is
 * what stands in its place without a network. No answer about a session is kept anywhere else.
 */

/** Without a network the last one who was let in goes on for so long; the board is kept as long. */
const REMEMBERED_MS = 14 * DAY_MS;

interface SignedIn {
  /** Who the house let in last, and when it last said so; null once they left, or were sent out. */
  readonly last: { readonly session: Session; readonly atMs: number } | null;
  /** Somebody left, and the house could not be told yet: until it is, nobody is signed in here. */
  readonly isLeaving: boolean;
}

const NOBODY: SignedIn = { last: null, isLeaving: false };

function parse(stored: unknown): SignedIn | null {
  if (!isObject(stored)) return null;
  const { last, isLeaving } = stored;
  const isLast =
    isObject(last) &&
    isFiniteNumber(last['atMs']) &&
    isObject(last['session']) &&
    typeof last['session']['id'] === 'string';
  return {
    last: isLast ? (last as unknown as SignedIn['last']) : null,
    isLeaving: isLeaving === true,
  };
}

const storageOf = (house: string) => deviceStorage(`calm-tray.signed-in.${house}`, NOBODY, parse);

/** The house has let somebody in, or says again who it is. */
export const rememberSession = (house: string, session: Session): void =>
  storageOf(house).write({ last: { session, atMs: Date.now() }, isLeaving: false });

/** Nobody is signed in any more, by the house's own word. */
export const forgetSession = (house: string): void => storageOf(house).write(NOBODY);

/** Somebody leaves: at once on this device, whether or not the house can be told. */
export const leaveSession = (house: string): void =>
  storageOf(house).write({ last: null, isLeaving: true });

/** Whether the house has still to be told that somebody left. */
export const isLeaving = (house: string): boolean => storageOf(house).read().isLeaving;

/** Who goes on while the house cannot be asked; null for nobody. */
export function rememberedSession(house: string): Session | null {
  const { last } = storageOf(house).read();
  return last && Date.now() - last.atMs < REMEMBERED_MS ? last.session : null;
}

/** What this device could read without a network was somebody's: it goes with them. */
export async function forgetBoard(): Promise<void> {
  if ('caches' in window) await caches.delete(BOARD_CACHE).catch(() => false);
}
