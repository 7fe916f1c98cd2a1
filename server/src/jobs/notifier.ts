import { STANDARD_ALARM_CALLS, type House, type PushDeviceStart } from '@calm/contract';
import { MINUTE_MS } from '@calm/core';
import type { Logger } from 'pino';
import type { Clock } from '../clock';
import type { Database } from '../database/database';
import type { Scope } from '../database/scope';
import { inTransaction } from '../database/transaction';
import type { Mail } from '../notify/mail';
import type { Outcome } from '../notify/outcome';
import type { PushMessage } from '../notify/push';
import { reader } from '../notify/texts';
import { deletePushDevice, findTarget, readToldHouses } from '../store/access/contacts';
import { findWebhook } from '../store/access/webhooks';
import {
  forgetNotifications,
  readDue,
  takeNotification,
  writeNotification,
  type DueNotification,
} from '../store/cold/notifications';
import { findHouseById } from '../store/house/houses';
import { addWrite } from '../store/writes';
import { aboutAlarm, callAbout, isAnybodyLeft } from '../use-cases/cold/alarmCalls';
import { callAboutWeek } from '../use-cases/learn/callAboutWeek';
import { weekReviewOf } from '../use-cases/learn/consistency';
import { startLeasedJob } from './leasedJob';

/** So often it is looked at what is to be told, ms. */
const EVERY_MS = 2000;
/** Whoever tells does so until they have not for so long, s: then another process does. */
const LEASE_S = 60;
const RENEWED_MS = 15_000;
/** What was told is known for so long, ms. */
const KEPT_MS = 90 * 24 * 60 * MINUTE_MS;
/** Waits before something is tried again, ms; after the last it is given up. */
const AGAIN_MS = [MINUTE_MS / 2, 2 * MINUTE_MS, 10 * MINUTE_MS, 30 * MINUTE_MS];
/** Told at one look, at most. */
const MOST = 40;

/** The ways out of this server. */
export interface Ways {
  /** Null where the server has no mail server. */
  readonly mail: ((mail: Mail) => Promise<Outcome>) | null;
  readonly push: (device: PushDeviceStart, message: PushMessage) => Promise<Outcome>;
  readonly webhook: (
    target: { readonly url: string; readonly secret: string },
    id: string,
    content: object,
  ) => Promise<Outcome>;
  /** What people's browsers call this server. */
  readonly origin: string;
}

/**
 * Tells people and programs of alarms, and people of the week. Of several processes on one database one does.
 *
 * @returns how to stop; resolves when nothing runs any more
 */
export function startNotifier(
  db: Database,
  clock: Clock,
  log: Logger,
  ways: Ways,
  onTold: () => void,
): () => Promise<void> {
  return startLeasedJob(db, {
    name: 'notifier',
    everyMs: EVERY_MS,
    leaseS: LEASE_S,
    renewedMs: RENEWED_MS,
    work: async (isRenewed) => {
      if (isRenewed) await forgetNotifications(db, new Date(clock.now().getTime() - KEPT_MS));
      if ((await notifyOnce(db, clock.now(), ways)) > 0) onTold();
    },
    onFault: (error) => log.warn({ err: error }, 'nobody could be told of alarms'),
  });
}

/** Puts down who is to be told by now, of alarms and of the week, and tells them. @returns how many things were tried */
export async function notifyOnce(db: Database, now: Date, ways: Ways): Promise<number> {
  for (const houseId of await readToldHouses(db)) {
    await inTransaction(db, async (tx) => {
      const scope = { tx, houseId };
      const house = await findHouseById(scope);
      if (!house) return;
      await callAbout(scope, house, now);
      await callAboutWeek(scope, house, now);
    });
  }
  const due = await readDue(db, now, MOST);
  const told = await Promise.all(due.map((each) => tell(db, each, now, ways)));
  return told.filter(Boolean).length;
}

async function tell(
  db: Database,
  notification: DueNotification,
  now: Date,
  ways: Ways,
): Promise<boolean> {
  if (!(await takeNotification(db, notification.id))) return false;
  const scope = { tx: db, houseId: notification.houseId };
  const house = await findHouseById(scope);
  const outcome = house
    ? await sent(scope, house, notification, now, ways)
    : ({ kind: 'never', fault: 'removed' } as const);
  if (outcome.kind === 'gone' && notification.personId)
    await deletePushDevice(scope, notification.personId, notification.targetId);
  const waitMs = outcome.kind === 'later' ? AGAIN_MS[notification.tries] : undefined;
  await inTransaction(db, async (tx) => {
    await writeNotification(tx, notification, {
      sentAt: outcome.kind === 'sent' ? now : null,
      fault: outcome.kind === 'sent' ? null : outcome.fault,
      dueAt: waitMs === undefined ? null : new Date(now.getTime() + waitMs),
    });
    await addWrite({ ...scope, tx }, '/notifications', now);
  });
  return true;
}

async function sent(
  scope: Scope,
  house: House,
  notification: DueNotification,
  now: Date,
  ways: Ways,
): Promise<Outcome> {
  const { channel, event, aboutId, targetId, id } = notification;
  if (event === 'week') return sentWeek(scope, house, notification, now, ways);
  const about = event === 'test' ? null : await aboutAlarm(scope, aboutId);
  if (event !== 'test' && !about) return { kind: 'never', fault: 'undone' };
  const link = about
    ? `${ways.origin}/${house.slug}/walk-in/alarms/${aboutId}`
    : `${ways.origin}/${house.slug}`;
  if (channel === 'webhook') {
    const target = await findWebhook(scope, targetId);
    if (!target) return { kind: 'never', fault: 'removed' };
    const { test, sentence } = reader(house, null);
    const text = about ? sentence(about) : test().body;
    const { alarm = null, subject = null } = about ?? {};
    return ways.webhook(target, id, { id, event, house: house.slug, text, link, alarm, subject });
  }
  const target = await findTarget(scope, channel, targetId);
  if (!target) return { kind: 'never', fault: 'removed' };
  const { nextAfterMin } = house.settings.alarmCalls ?? STANDARD_ALARM_CALLS;
  const words = reader(house, target.person.preferences);
  const nextMs = notification.madeAt.getTime() + nextAfterMin * MINUTE_MS;
  const told = about
    ? words.alarm(about, link, (await isAnybodyLeft(scope, house, aboutId)) ? nextMs : null)
    : words.test();
  if (target.channel === 'push') {
    const { subject: title, body } = told;
    return ways.push(target.device, { title, body, url: link, tag: aboutId });
  }
  if (!ways.mail) return { kind: 'never', fault: 'no-mail' };
  return ways.mail({ id, to: target.email, subject: told.subject, text: told.text });
}

/** A week's review goes by e-mail alone: it wakes nobody. */
async function sentWeek(
  scope: Scope,
  house: House,
  { id, aboutId: lastDay, targetId }: DueNotification,
  now: Date,
  ways: Ways,
): Promise<Outcome> {
  const target = await findTarget(scope, 'mail', targetId);
  if (target?.channel !== 'mail') return { kind: 'never', fault: 'removed' };
  if (!ways.mail) return { kind: 'never', fault: 'no-mail' };
  const { week } = reader(house, target.person.preferences);
  const review = await weekReviewOf(scope, house, lastDay, now);
  const { subject, text } = week(review, `${ways.origin}/${house.slug}/log/consistency`);
  return ways.mail({ id, to: target.email, subject, text });
}
