import type { Lot } from '@calm/contract';
import { fail, ok } from '@calm/core';
import { addDays } from '@calm/domain';
import type { Scope } from '../../database/scope';
import { findLot, readLots } from '../../store/lots/lots';
import { findPhoto } from '../../store/lots/photos';
import type { Result } from '../result';

/** Lots for services of some days, from a local date. */
export const lotsBetween = (scope: Scope, from: string, days: number): Promise<Lot[]> =>
  readLots(scope, from, addDays(from, days));

/** One lot. */
export async function lotOf(scope: Scope, id: string): Promise<Result<Lot>> {
  const lot = await findLot(scope, id);
  return lot ? ok(lot) : fail({ kind: 'not-found', what: 'lot' });
}

/** A photo's bytes, JPEG. */
export async function photoOf(scope: Scope, id: string): Promise<Result<Uint8Array>> {
  const jpeg = await findPhoto(scope, id);
  return jpeg ? ok(jpeg) : fail({ kind: 'not-found', what: 'photo' });
}
