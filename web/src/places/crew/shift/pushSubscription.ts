import type { PushDeviceStart } from '@calm/contract';

/** Whether this browser can be told while its pages are closed. */
export const canBeTold = (): boolean => 'serviceWorker' in navigator && 'PushManager' in globalThis;

/** Somebody has told their browser not to let this page tell them anything. */
export class ToldNotTo extends Error {}

/** What somebody would call this device: its kind, as far as a browser says. */
const deviceKind = (): 'tablet' | 'phone' | 'computer' =>
  /iPad|Tablet/i.test(navigator.userAgent) || navigator.maxTouchPoints > 4
    ? 'tablet'
    : /Mobi/i.test(navigator.userAgent)
      ? 'phone'
      : 'computer';

/**
 * Asks the browser for an address to tell it at.
 *
 * @param key the server's public key, base64url
 * @param nameOf what a kind of device is called
 * @throws ToldNotTo when whoever is here has said no
 */
export async function subscribe(
  key: string,
  nameOf: (kind: 'tablet' | 'phone' | 'computer') => string,
): Promise<PushDeviceStart> {
  if ((await Notification.requestPermission()) !== 'granted') throw new ToldNotTo();
  const worker = await navigator.serviceWorker.ready;
  const subscription = await worker.pushManager.subscribe({
    userVisibleOnly: true,
    applicationServerKey: key,
  });
  const { endpoint = '', keys = {} } = subscription.toJSON();
  const { p256dh = '', auth = '' } = keys;
  return { name: nameOf(deviceKind()), endpoint, p256dh, auth };
}
