import {
  STANDARD_ALARM_CALLS,
  type AlarmCalls,
  type ColdAlarm,
  type House,
  type NotificationEvent,
  type WebhookIssued,
  type WebhookStart,
} from '@calm/contract';
import { fail, ok } from '@calm/core';
import { localMinuteOf, nextToTell } from '@calm/domain';
import { randomBytes, randomUUID } from 'node:crypto';
import type { Scope } from '../../database/scope';
import { readReached, type ReachedPerson } from '../../store/access/contacts';
import { readInstallation } from '../../store/access/installation';
import { readPersonName } from '../../store/access/crew';
import {
  deleteWebhook,
  findWebhook,
  insertWebhook,
  readWebhooks,
} from '../../store/access/webhooks';
import { findAlarm, readAlarms } from '../../store/cold/alarms';
import { insertNotifications, readNotifications, readTold } from '../../store/cold/notifications';
import { readProbes } from '../../store/cold/probes';
import { readPlaces } from '../../store/house/places';
import type { AlarmAbout } from '../../notify/texts';
import { noteChange } from '../access/recordWrite';
import { badInput, type Result } from '../result';
import { isTesting, waysTo } from './waysTo';

const MOST_WEBHOOKS = 10;
/** What the house told of late, at most. */
const SHOWN = 20;
/** Alarms that began longer ago are looked at no more, ms. */
const LOOK_BACK_MS = 36 * 3_600_000;
const SECRET_BYTES = 24;

/** Everybody of the crew who can be told now: an e-mail address is no way where this server sends none. */
async function reachedNow(scope: Scope): Promise<ReachedPerson[]> {
  const { mailFrom } = await readInstallation(scope.tx);
  const people = await readReached(scope);
  if (mailFrom !== null) return people;
  return people
    .filter(({ devices }) => devices.length > 0)
    .map((person) => ({ ...person, email: null }));
}

/** Whom the house can tell of alarms, where else it posts them, and what it told of late. */
export async function alarmCallsOf(scope: Scope): Promise<AlarmCalls> {
  const reached = await reachedNow(scope);
  return {
    people: reached.map(({ personId, email, devices, quiet }) => ({
      personId,
      hasMail: email !== null,
      devices: devices.length,
      quiet,
    })),
    webhooks: await readWebhooks(scope),
    notifications: await readNotifications(scope, SHOWN),
  };
}

/** Has alarms posted to an address. The secret that signs them is told this once. */
export async function issueWebhook(
  scope: Scope,
  start: WebhookStart,
  now: Date,
): Promise<Result<WebhookIssued>> {
  if ((await readWebhooks(scope)).length >= MOST_WEBHOOKS)
    return badInput('', 'webhooks.many', 'Remove one that is not used any more first.');
  const id = randomUUID();
  const secret = randomBytes(SECRET_BYTES).toString('base64');
  await insertWebhook(scope, { ...start, id }, secret, now);
  noteChange(scope, 'webhook', id, null, start);
  return ok({ webhook: { ...start, id, issuedAt: now.toISOString() }, secret });
}

/** Has them posted there no more. */
export async function revokeWebhook(scope: Scope, id: string): Promise<Result<null>> {
  const before = (await readWebhooks(scope)).find((each) => each.id === id);
  if (!before || !(await deleteWebhook(scope, id)))
    return fail({ kind: 'not-found', what: 'webhook' });
  noteChange(scope, 'webhook', id, { name: before.name, url: before.url }, null);
  return ok(null);
}

/** Posts something there that is about no alarm. */
export async function testWebhook(
  scope: Scope,
  id: string,
  now: Date,
): Promise<Result<AlarmCalls>> {
  if (!(await findWebhook(scope, id))) return fail({ kind: 'not-found', what: 'webhook' });
  const ofPrograms = (await readNotifications(scope, SHOWN)).filter(
    ({ channel }) => channel === 'webhook',
  );
  if (isTesting(ofPrograms, now))
    return badInput('', 'contact.tested', 'A test is on its way. Wait for it.');
  const target = { channel: 'webhook', targetId: id, personId: null } as const;
  await insertNotifications(scope, 'test', randomUUID(), [target], now);
  return ok(await alarmCallsOf(scope));
}

/**
 * Puts down who is to be told what of a house's alarms by now.
 *
 * @returns of how many things
 */
export async function callAbout(scope: Scope, house: House, now: Date): Promise<number> {
  const alarms = await readAlarms(scope, new Date(now.getTime() - LOOK_BACK_MS));
  if (alarms.length === 0) return 0;
  return (await callPeople(scope, house, alarms, now)) + (await callWebhooks(scope, alarms, now));
}

async function callPeople(
  scope: Scope,
  house: House,
  alarms: readonly ColdAlarm[],
  now: Date,
): Promise<number> {
  const rules = house.settings.alarmCalls ?? STANDARD_ALARM_CALLS;
  const open = alarms.filter(
    ({ untilAt, acknowledged }) => untilAt === null && acknowledged === null,
  );
  if (open.length === 0 || rules.order.length === 0) return 0;
  const people = new Map((await reachedNow(scope)).map((each) => [each.personId, each]));
  const quiet = new Map([...people].map(([id, each]) => [id, each.quiet] as const));
  const told = await readTold(
    scope,
    open.map(({ id }) => id),
  );
  const minute = localMinuteOf(now, house.timeZone);
  let put = 0;
  for (const { id } of open) {
    const ofThis = told.filter(({ alarmId }) => alarmId === id);
    const next = people.get(nextToTell(rules, quiet, ofThis, now.getTime(), minute) ?? '');
    if (next) put += await insertNotifications(scope, 'begun', id, waysTo(next), now);
  }
  return put;
}

/** Whether there is somebody left to be told of an alarm, should nobody acknowledge it. */
export async function isAnybodyLeft(scope: Scope, house: House, alarmId: string): Promise<boolean> {
  const { order } = house.settings.alarmCalls ?? STANDARD_ALARM_CALLS;
  const reached = new Set((await reachedNow(scope)).map(({ personId }) => personId));
  const told = new Set((await readTold(scope, [alarmId])).map(({ personId }) => personId));
  return order.some((id) => reached.has(id) && !told.has(id));
}

/** Programs are told that an alarm began, that somebody has acknowledged it, and that it is over. */
async function callWebhooks(
  scope: Scope,
  alarms: readonly ColdAlarm[],
  now: Date,
): Promise<number> {
  let put = 0;
  for (const { id: targetId, issuedAt } of await readWebhooks(scope)) {
    const target = { channel: 'webhook', targetId, personId: null } as const;
    for (const { id, fromAt, untilAt, acknowledged } of alarms) {
      // What was over before there was such an address is none of its business.
      if ((untilAt ?? now.toISOString()) < issuedAt || fromAt > now.toISOString()) continue;
      const events: NotificationEvent[] = ['begun'];
      if (acknowledged) events.push('acknowledged');
      if (untilAt !== null) events.push('ended');
      for (const event of events) put += await insertNotifications(scope, event, id, [target], now);
    }
  }
  return put;
}

/** What there is to be told of an alarm; null when late readings have undone it. */
export async function aboutAlarm(scope: Scope, id: string): Promise<AlarmAbout | null> {
  const alarm = await findAlarm(scope, id);
  if (!alarm) return null;
  const probe = (await readProbes(scope)).find((each) => each.probe.id === alarm.probeId)?.probe;
  const places = await readPlaces(scope);
  const place = [...places.now, ...places.retired].find(({ id }) => id === probe?.placeId);
  const by = alarm.acknowledged?.personId;
  return {
    alarm,
    subject: { place: place?.name ?? '', zone: probe?.zone ?? '', probe: probe?.name ?? '' },
    acknowledgedBy: by ? ((await readPersonName(scope, by)) ?? null) : null,
  };
}
