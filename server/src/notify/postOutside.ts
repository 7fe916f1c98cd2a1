import ipaddr from 'ipaddr.js';
import { lookup, type LookupAddress } from 'node:dns';
import { request as requestHttp } from 'node:http';
import { request as requestHttps } from 'node:https';
import { isIP, type LookupFunction } from 'node:net';

/** Longest that the other side may take, ms. */
const WITHIN_MS = 10_000;

/** An address that people gave is not one the server may be sent to. */
export class ForbiddenAddress extends Error {}

const isPublic = (address: string): boolean => ipaddr.process(address).range() === 'unicast';

/** Names are looked up as ever, but lead nowhere inside: a name may change between being looked at and being called. */
const lookupPublic: LookupFunction = (hostname, options, callback) => {
  lookup(hostname, options, (error, found: string | LookupAddress[], family) => {
    const addresses = typeof found === 'string' ? [{ address: found }] : (found ?? []);
    const inside = addresses.find(({ address }) => !isPublic(address));
    if (!error && inside)
      callback(new ForbiddenAddress(`${hostname} is ${inside.address}, an address inside`), '');
    else callback(error, found, family);
  });
};

/**
 * Posts something to an address that people have typed, or that their browsers gave. It follows no redirects and reads
 * nothing of the answer but its status.
 *
 * @param mayBeInside whether it may lie on this machine or its network, and be plain HTTP
 * @returns the status of the answer
 * @throws ForbiddenAddress when it may not be called
 * @throws Error when nothing answers in time
 */
export function postOutside(
  address: string,
  headers: Readonly<Record<string, string | number>>,
  body: Buffer | string,
  mayBeInside: boolean,
): Promise<number> {
  const url = new URL(address);
  const host = url.hostname.replace(/^\[|\]$/g, '');
  const isForbidden = url.protocol !== 'https:' || (isIP(host) !== 0 && !isPublic(host));
  if (isForbidden && !mayBeInside)
    return Promise.reject(
      new ForbiddenAddress(`${url.origin} is not an address outside, with https`),
    );
  const request = url.protocol === 'https:' ? requestHttps : requestHttp;
  return new Promise((resolve, reject) => {
    const asked = request(
      url,
      {
        method: 'POST',
        headers: { ...headers, 'content-length': Buffer.byteLength(body) },
        signal: AbortSignal.timeout(WITHIN_MS),
        agent: false,
        ...(!mayBeInside && { lookup: lookupPublic }),
      },
      (answer) => {
        resolve(answer.statusCode ?? 0);
        answer.destroy();
      },
    );
    asked.once('error', reject);
    asked.end(body);
  });
}
