import { ok, fail } from '@calm/core';
import type { House, SettingsChange } from '@calm/contract';
import { findHouseById, writeHouse } from '../../store/house/houses';
import type { Scope } from '../../database/scope';
import { noteChange } from '../access/recordWrite';
import { type Result } from '../result';

/** Changes some of a house's settings, what it is called or where it is, over the version that was read. */
export async function changeSettings(
  scope: Scope,
  house: House,
  { version, name = house.name, timeZone = house.timeZone, ...change }: SettingsChange,
): Promise<Result<House>> {
  const settings = { ...house.settings, ...change };
  const isWritten = await writeHouse(scope, version, { name, timeZone, settings });
  const current = await findHouseById(scope);
  if (!current) return fail({ kind: 'not-found', what: 'house' });
  if (!isWritten) return fail({ kind: 'stale', current, sent: change });
  const shown = ({ name: called, timeZone: zone, settings: all }: House) => ({
    name: called,
    timeZone: zone,
    ...all,
  });
  noteChange(scope, 'settings', current.id, shown(house), shown(current));
  return ok(current);
}
