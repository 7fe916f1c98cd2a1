import { ok, fail } from '@calm/core';
import type { House, SettingsChange } from '@calm/contract';
import { findHouseById, writeSettings } from '../../store/house/houses';
import type { Scope } from '../../database/scope';
import { noteChange } from '../access/recordWrite';
import { type Result } from '../result';

/** Changes some of a house's settings, over the version that was read. */
export async function changeSettings(
  scope: Scope,
  house: House,
  { version, ...change }: SettingsChange,
): Promise<Result<House>> {
  const isWritten = await writeSettings(scope, version, { ...house.settings, ...change });
  const current = await findHouseById(scope);
  if (!current) return fail({ kind: 'not-found', what: 'house' });
  if (!isWritten) return fail({ kind: 'stale', current, sent: change });
  noteChange(scope, 'settings', current.id, house.settings, current.settings);
  return ok(current);
}
