import { ERASED_AFTER_DAYS, type Erasure, type House } from '@calm/contract';
import { fail, ok } from '@calm/core';
import { addDays, localDateOf } from '@calm/domain';
import type { Scope } from '../../database/scope';
import { findHouseById, writeEraseOn } from '../../store/house/houses';
import { noteChange } from '../access/recordWrite';
import { badInput, type Result } from '../result';

/** Says on which day a house is erased: in two weeks, of which each is a chance to think again. */
export function eraseHouse(
  scope: Scope,
  house: House,
  { name }: Erasure,
  now: Date,
): Promise<Result<House>> {
  if (name.trim() !== house.name)
    return Promise.resolve(badInput('name', 'house.name', 'That is not what the house is called.'));
  const today = localDateOf(now, house.timeZone);
  return setEraseOn(scope, house, addDays(today, ERASED_AFTER_DAYS));
}

/** Keeps a house that was to be erased. */
export const keepHouse = (scope: Scope, house: House): Promise<Result<House>> =>
  setEraseOn(scope, house, null);

async function setEraseOn(
  scope: Scope,
  { eraseOn: before }: House,
  eraseOn: string | null,
): Promise<Result<House>> {
  await writeEraseOn(scope, eraseOn);
  const house = await findHouseById(scope);
  if (!house) return fail({ kind: 'not-found', what: 'house' });
  noteChange(scope, 'house', house.id, { eraseOn: before }, { eraseOn });
  return ok(house);
}
