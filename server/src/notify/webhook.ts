import { createHmac } from 'node:crypto';
import { faultOf, outcomeOf, type Outcome } from './outcome';
import { ForbiddenAddress, postOutside } from './postOutside';

/**
 * What signs a post: HMAC SHA-256 over its id, its time and its text, base64.
 *
 * @param secret as it was told, base64
 * @param id of the post: the same one may come again, under the same id
 * @param atS when it was posted, seconds since the epoch
 */
export const signatureOf = (secret: string, id: string, atS: number, body: string): string =>
  createHmac('sha256', Buffer.from(secret, 'base64'))
    .update(`${id}.${atS}.${body}`)
    .digest('base64');

/** Posts something to a program of the house's, signed. */
export async function postWebhook(
  { url, secret }: { readonly url: string; readonly secret: string },
  id: string,
  content: object,
  mayBeInside: boolean,
): Promise<Outcome> {
  const body = JSON.stringify(content);
  const atS = Math.floor(Date.now() / 1000);
  const headers = {
    'content-type': 'application/json',
    'webhook-id': id,
    'webhook-timestamp': atS,
    'webhook-signature': `v1,${signatureOf(secret, id, atS, body)}`,
  };
  try {
    const outcome = outcomeOf(await postOutside(url, headers, body, mayBeInside));
    // A program that is not there now may be there again.
    return outcome.kind === 'gone' ? { ...outcome, kind: 'later' } : outcome;
  } catch (error) {
    const fault = faultOf(error);
    return { kind: error instanceof ForbiddenAddress ? 'never' : 'later', fault };
  }
}
