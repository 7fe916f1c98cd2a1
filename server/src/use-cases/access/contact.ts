import type { ContactChange, OwnContact, PushDeviceStart, Session } from '@calm/contract';
import { fail, ok } from '@calm/core';
import { randomUUID } from 'node:crypto';
import type { Scope } from '../../database/scope';
import {
  deletePushDevice,
  insertPushDevice,
  readContact,
  readPushDevices,
  writeContact,
} from '../../store/access/contacts';
import { readInstallation } from '../../store/access/installation';
import { insertNotifications, readNotifications } from '../../store/cold/notifications';
import { isTesting, waysTo } from '../cold/waysTo';
import { badInput, type Result } from '../result';
import { noteChange } from './recordWrite';

/** A phone, a tablet, the computer at home. */
const MOST_DEVICES = 10;
/** What somebody was told of late, at most. */
const SHOWN = 6;

/** How whoever is signed in is told of alarms. */
export async function ownContact(
  scope: Scope,
  session: Session | null,
): Promise<Result<OwnContact>> {
  if (!session) return fail({ kind: 'signed-out' });
  const { mailFrom, pushPublicKey } = await readInstallation(scope.tx);
  const devices = await readPushDevices(scope, session.personId);
  return ok({
    contact: await readContact(scope, session.personId),
    devices: devices.map(({ id, name, issuedAt }) => ({ id, name, issuedAt })),
    mailFrom,
    pushKey: pushPublicKey,
    notifications: await readNotifications(scope, SHOWN, session.personId),
  });
}

/** Sets where and when whoever is signed in is told. */
export async function changeContact(
  scope: Scope,
  session: Session | null,
  change: ContactChange,
): Promise<Result<OwnContact>> {
  if (!session) return fail({ kind: 'signed-out' });
  const { personId } = session;
  const before = await readContact(scope, personId);
  if (!(await writeContact(scope, personId, change)))
    return fail({ kind: 'stale', current: before, sent: change });
  // Where somebody reads their mail is none of the record's business.
  const noted = ({ email, quiet, isWeekSent }: ContactChange) => ({
    hasMail: email !== null,
    quiet,
    isWeekSent,
  });
  noteChange(scope, 'contact', personId, noted(before), noted(change));
  return ownContact(scope, session);
}

/** Has a browser of whoever is signed in told, too. Asked again, it is the same one. */
export async function registerPushDevice(
  scope: Scope,
  session: Session | null,
  start: PushDeviceStart,
  now: Date,
): Promise<Result<OwnContact>> {
  if (!session) return fail({ kind: 'signed-out' });
  const { personId } = session;
  const known = await readPushDevices(scope, personId);
  const same = known.find(({ endpoint }) => endpoint === start.endpoint);
  if (same) await deletePushDevice(scope, personId, same.id);
  else if (known.length >= MOST_DEVICES)
    return badInput('', 'push-devices.many', 'Remove a device that is not used any more first.');
  const id = randomUUID();
  await insertPushDevice(scope, personId, { ...start, id }, now);
  noteChange(scope, 'push-device', id, null, { name: start.name });
  return ownContact(scope, session);
}

/** Has a browser of one's own told no more. */
export async function forgetPushDevice(
  scope: Scope,
  session: Session | null,
  id: string,
): Promise<Result<null>> {
  if (!session) return fail({ kind: 'signed-out' });
  if (!(await deletePushDevice(scope, session.personId, id)))
    return fail({ kind: 'not-found', what: 'device' });
  noteChange(scope, 'push-device', id, { id }, null);
  return ok(null);
}

/** Tells whoever is signed in something, by every way they are told. */
export async function testContact(
  scope: Scope,
  session: Session | null,
  now: Date,
): Promise<Result<OwnContact>> {
  if (!session) return fail({ kind: 'signed-out' });
  const { personId } = session;
  if (isTesting(await readNotifications(scope, 1, personId), now))
    return badInput('', 'contact.tested', 'A test is on its way. Wait for it.');
  const { email } = await readContact(scope, personId);
  const devices = await readPushDevices(scope, personId);
  const targets = waysTo({ personId, email, devices: devices.map(({ id }) => id) });
  if (targets.length === 0)
    return badInput('', 'contact.none', 'There is no e-mail address and no device yet.');
  await insertNotifications(scope, 'test', randomUUID(), targets, now);
  return ownContact(scope, session);
}
