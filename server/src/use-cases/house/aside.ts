import type { House } from '@calm/contract';
import { fail, ok } from '@calm/core';
import { localDateOf } from '@calm/domain';
import type { Scope } from '../../database/scope';
import { findHouseById, writeAsideOn } from '../../store/house/houses';
import { noteChange } from '../access/recordWrite';
import type { Result } from '../result';

/** Puts a house aside: it can be read, nothing is written in it, and nobody watches its cold. */
export const putAside = (scope: Scope, house: House, now: Date): Promise<Result<House>> =>
  setAsideOn(scope, house, house.asideOn ?? localDateOf(now, house.timeZone));

/** Takes up a house that was put aside. */
export const takeUp = (scope: Scope, house: House): Promise<Result<House>> =>
  setAsideOn(scope, house, null);

async function setAsideOn(
  scope: Scope,
  { asideOn: before }: House,
  asideOn: string | null,
): Promise<Result<House>> {
  await writeAsideOn(scope, asideOn);
  const house = await findHouseById(scope);
  if (!house) return fail({ kind: 'not-found', what: 'house' });
  noteChange(scope, 'house', house.id, { asideOn: before }, { asideOn });
  return ok(house);
}
