import type { PushDeviceStart } from '@calm/contract';
import webPush from 'web-push';
import type { PushKeys } from '../store/access/installation';
import { faultOf, outcomeOf, type Outcome } from './outcome';
import { ForbiddenAddress, postOutside } from './postOutside';

/** A browser that is not there is told for so long, s: an alarm of yesterday wakes nobody. */
const KEPT_S = 3600;

/** What a browser shows. */
export interface PushMessage {
  readonly title: string;
  readonly body: string;
  /** Where a press on it leads. */
  readonly url: string;
  /** What is about the same replaces what is there. */
  readonly tag: string;
}

/** Keys of a server that has none yet. */
export const newPushKeys = (): PushKeys => webPush.generateVAPIDKeys();

/** @returns a sender to browsers, by way of whoever made them */
export function pusher(
  { publicKey, privateKey }: PushKeys,
  subject: string,
  mayBeInside: boolean,
): (device: PushDeviceStart, message: PushMessage) => Promise<Outcome> {
  return async ({ endpoint, p256dh, auth }, message) => {
    try {
      const { headers, body } = webPush.generateRequestDetails(
        { endpoint, keys: { p256dh, auth } },
        JSON.stringify(message),
        {
          vapidDetails: { subject, publicKey, privateKey },
          TTL: KEPT_S,
          urgency: 'high',
          topic: message.tag.replaceAll('-', ''),
        },
      );
      return outcomeOf(await postOutside(endpoint, headers, body ?? '', mayBeInside));
    } catch (error) {
      const fault = faultOf(error);
      return { kind: error instanceof ForbiddenAddress ? 'never' : 'later', fault };
    }
  };
}
