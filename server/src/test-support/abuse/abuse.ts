import { ROUTE_NAMES, ROUTES, type RouteName } from '@calm/contract';
import { randomOf } from '@calm/core';
import { eq } from 'drizzle-orm';
import { createServer, request as plainRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import * as t from '../../database/schema';
import { addressOfExample } from '../routeAddress';
import { routeExamples, type RouteExample } from '../routeExamples';
import { HOUSE, signedIn, type TestHouse } from '../testHouse';
import type { AbuseRequest, Dice } from './abuseRequest';
import { MUTATIONS } from './mutations';

/** Something that must not happen. */
interface AbuseFault {
  readonly fault: 'error of ours' | 'too slow' | 'nonsense taken' | 'taken from whoever may not';
  readonly request: string;
  readonly status: number;
  readonly ms: number;
}

/** What came of it all. */
export interface AbuseTally {
  readonly sent: number;
  /** Answers by status; 0 is a request that the server would not read. */
  readonly byStatus: Readonly<Record<string, number>>;
  readonly slowestMs: number;
  readonly faults: readonly AbuseFault[];
}

const VIEWER = 'Ossian';
/** An answer takes no longer, ms, or a page stands still. */
const MOST_MS = 1000;
/** A whole house as a file is waited for, not looked at; so is what is calculated on a thread, while others are answered. */
const MOST_MS_WAITED_FOR = 5000;
const CALCULATED: readonly RouteName[] = ['learnNow'];
/** The stream of news stays open, and the owner of a house begins once. */
const LEFT_OUT: readonly RouteName[] = ['live'];
const NAMES = ROUTE_NAMES.filter((name) => !LEFT_OUT.includes(name));

function diceOf(seed: number): Dice {
  const random = randomOf(seed);
  const below = (most: number) => Math.floor(random.uniform() * most);
  return { below, of: <T>(items: readonly T[]) => items[below(items.length)] as T };
}

/**
 * Sends bad requests to every route as everybody, one at a time, and tallies what came of it.
 *
 * @param count how many
 * @param seed the same seed sends the same requests
 */
export async function abuse(house: TestHouse, count: number, seed: number): Promise<AbuseTally> {
  const server = createServer(house.app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const dice = diceOf(seed);
  // The demo house has nobody who only looks on.
  await house.db.update(t.people).set({ role: 'viewer' }).where(eq(t.people.name, VIEWER));
  const examples = await routeExamples(house);
  const byStatus: Record<string, number> = {};
  const faults: AbuseFault[] = [];
  let slowestMs = 0;
  for (let i = 0; i < count; i += 1) {
    const route = NAMES[i % NAMES.length] as RouteName;
    const role = dice.of(ROLES);
    // Somebody may be gone meanwhile: that is among what was asked for.
    const cookie = role ? await signedIn(house.db, role[0], role[1]).catch(() => '') : '';
    const example = await (async () => examples[route]())().catch((): RouteExample => ({}));
    const good: AbuseRequest = {
      route,
      method: ROUTES[route].method.toUpperCase(),
      path: addressOfExample(route, example),
      headers: { cookie, 'content-type': 'application/json' },
      json: example.body,
      body: example.body && JSON.stringify(example.body),
      how: 'as it is',
      isNonsense: false,
    };
    const bad = dice.of(MUTATIONS)(good, dice);
    const { status, ms } = await send(port, bad);
    byStatus[status] = (byStatus[status] ?? 0) + 1;
    slowestMs = Math.max(slowestMs, ms);
    const request = `${role?.[1] ?? 'nobody'}: ${bad.method} ${route}: ${bad.how}`;
    const told = (fault: AbuseFault['fault']) => faults.push({ fault, request, status, ms });
    const isTaken = status >= 200 && status < 300 && !['HEAD', 'OPTIONS'].includes(bad.method);
    if (status >= 500) told('error of ours');
    // Twice, as a busy machine is slow once.
    const isWaitedFor = ROUTES[route].media === 'zip' || CALCULATED.includes(route);
    const mostMs = isWaitedFor ? MOST_MS_WAITED_FOR : MOST_MS;
    if (ms > mostMs && (await send(port, bad)).ms > mostMs) told('too slow');
    if (isTaken && bad.isNonsense && good.body !== undefined) told('nonsense taken');
    if (
      isTaken &&
      role === null &&
      ROUTES[route].permission !== 'public' &&
      bad.method === good.method
    )
      told('taken from whoever may not');
  }
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  return { sent: count, byStatus, slowestMs: Math.round(slowestMs), faults };
}

/** Who asks; null is nobody. */
const ROLES = [
  null,
  [HOUSE, 'Maro'],
  [HOUSE, 'Maro'],
  [HOUSE, 'Tilde'],
  [HOUSE, 'Wren'],
  [HOUSE, VIEWER],
  ['other-yard', 'Maro'],
] as const;

/** Sends one request; status 0 when the server would not read it. */
function send(
  port: number,
  { method, path, headers, body }: AbuseRequest,
): Promise<{ readonly status: number; readonly ms: number }> {
  const began = performance.now();
  return new Promise((resolve) => {
    const done = (status: number) => resolve({ status, ms: performance.now() - began });
    try {
      const req = plainRequest({ port, host: '127.0.0.1', method, path, headers }, (res) => {
        res.resume();
        res.on('end', () => done(res.statusCode ?? 0));
        res.on('error', () => done(0));
      });
      req.on('error', () => done(0));
      req.setTimeout(10_000, () => {
        req.destroy();
        done(0);
      });
      req.end(body);
    } catch {
      // The client itself will not send it.
      done(0);
    }
  });
}
