/** Whom the house tells of an alarm nobody has acknowledged: one after the other, until somebody has. */
export interface AlarmCallRules {
  /** People by their ids, who is told first first. */
  readonly order: readonly string[];
  /** Minutes for which nobody acknowledges it until the next is told. */
  readonly nextAfterMin: number;
}

/** Nobody is told outside the application until the house has said whom. */
export const STANDARD_ALARM_CALLS: AlarmCallRules = { order: [], nextAfterMin: 15 };

/** Hours in which somebody is not told, minutes from local midnight; the end may be on the next day. */
export interface QuietHours {
  readonly fromMin: number;
  readonly untilMin: number;
}

/** Where and when somebody wants to be told. */
export interface ContactContent {
  /** Null is not by e-mail. */
  readonly email: string | null;
  readonly quiet: QuietHours | null;
  /** Whether they want a review of each week by e-mail once it is over. */
  readonly isWeekSent: boolean;
}

/** A change over the version it has read; 0 where nothing was said yet. */
export interface ContactChange extends ContactContent {
  readonly version: number;
}

/** A device of somebody's that can be told, also while its pages are closed. */
export interface PushDevice {
  readonly id: string;
  readonly name: string;
  readonly issuedAt: string;
}

/** What a browser gives out for being told: an address of its maker's, and keys. */
export interface PushDeviceStart {
  readonly name: string;
  readonly endpoint: string;
  /** The browser's public key and secret, base64url. */
  readonly p256dh: string;
  readonly auth: string;
}

/** How somebody is told, as they see and change it. */
export interface OwnContact {
  readonly contact: ContactChange;
  readonly devices: readonly PushDevice[];
  /** Whom e-mails come from; null where the server sends none. */
  readonly mailFrom: string | null;
  /** With which a browser is asked for an address to tell it at, base64url. */
  readonly pushKey: string | null;
  /** What they were told of late, newest first. */
  readonly notifications: readonly Notification[];
}

/** Where else alarms are posted to: a program of the house's. */
export interface WebhookStart {
  readonly name: string;
  readonly url: string;
}
export interface Webhook extends WebhookStart {
  readonly id: string;
  readonly issuedAt: string;
}

/** A webhook with the secret that signs what is posted, which is told this once. */
export interface WebhookIssued {
  readonly webhook: Webhook;
  readonly secret: string;
}

/** What somebody is told of: how it went with an alarm, what became of a week; `test` is of nothing. */
export type NotificationEvent = 'begun' | 'acknowledged' | 'ended' | 'week' | 'test';
export type NotificationChannel = 'mail' | 'push' | 'webhook';

/** Something that was told, or is to be. Instants are ISO 8601, UTC. */
export interface Notification {
  readonly id: string;
  readonly event: NotificationEvent;
  /** Null for a test and a week. */
  readonly alarmId: string | null;
  readonly channel: NotificationChannel;
  /** Null for what goes to a webhook. */
  readonly personId: string | null;
  readonly at: string;
  /** Null until it was taken. */
  readonly sentAt: string | null;
  /**
   * Why it did not get through: `no-mail`, `removed`, `undone`, or as the other side says it in English; null when it
   * did, or is on its way.
   */
  readonly fault: string | null;
  /** Whether it is not tried any more. */
  readonly isGivenUp: boolean;
}

/** How one of the crew is told. */
export interface PersonReached {
  readonly personId: string;
  readonly hasMail: boolean;
  readonly devices: number;
  readonly quiet: QuietHours | null;
}

/** Whom the house can tell, where else it posts, and what it told of late. */
export interface AlarmCalls {
  readonly people: readonly PersonReached[];
  readonly webhooks: readonly Webhook[];
  readonly notifications: readonly Notification[];
}
