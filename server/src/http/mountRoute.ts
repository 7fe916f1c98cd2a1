import type { House, RouteDefinition, RouteMedia } from '@calm/contract';
import { check, paramsSchema } from '@calm/contract/schemas';
import type { Request, RequestHandler, Response } from 'express';
import { createHash } from 'node:crypto';
import type { ObjectSchema } from 'joi';
import type { Database } from '../database/database';
import type { Scope } from '../database/scope';
import { inHouse } from '../use-cases/inHouse';
import type { WriteKey } from '../use-cases/onlyOnce';
import type { Result } from '../use-cases/result';
import { authContext, writing, type AuthContext } from './authContext';
import type { KeptAnswers } from './keptAnswers';
import { sendBadInput, sendRefusals } from './problems';
import type { Writing } from '../use-cases/lots/records';

/** What a route reads besides its address. */
interface Schemas {
  readonly query?: ObjectSchema;
  readonly body?: ObjectSchema;
}

/** What a handler is given, without the types of its route. */
interface AnyContext extends AuthContext {
  readonly scope: Scope;
  readonly house: House;
  readonly params: object;
  readonly query: object;
  readonly body: object;
  readonly writing: Writing;
}

/** A handler and, where a document is not the answer, what sends it. */
export interface Mounted {
  readonly run: (context: AnyContext) => Promise<Result<unknown>>;
  readonly send?: ((res: Response, value: unknown, house: House) => void) | undefined;
}

const CONTENT_TYPE: Readonly<Partial<Record<RouteMedia, string>>> = {
  csv: 'text/csv',
  calendar: 'text/calendar',
};

/**
 * A route of the table as Express takes it, once it is known who may: schema → use case → store, in a
 * transaction, within one house. What was written is on record with who did it, in the same transaction.
 */
export function mountRoute(
  db: Database,
  route: RouteDefinition,
  schemas: Schemas,
  { run, send }: Mounted,
  kept: KeptAnswers,
): RequestHandler {
  const params = paramsSchema(route.path);
  return async (req: Request, res: Response) => {
    const slug = String(req.params['house']);
    const auth = authContext(res);
    const path = checked(params, req.params, true);
    const query = checked(schemas.query, req.query, true);
    const body = checked(schemas.body, req.body, false);
    if (!path.ok && path.errors.some((error) => error.path === 'house')) {
      return sendRefusals(res, [{ kind: 'not-found', what: 'house' }]);
    }
    const errors = [path, query, body].flatMap((part) => (part.ok ? [] : part.errors));
    if (!path.ok || !query.ok || !body.ok) return sendBadInput(res, errors);

    const request = {
      slug,
      now: auth.now,
      // With a machine's token nobody else counts, whoever's cookie came along.
      personId: auth.machine ? null : (auth.who?.personId ?? null),
      machineId: auth.machine?.id ?? null,
      permission: route.permission === 'public' ? ('sign-in' as const) : route.permission,
      method: req.method,
      path: req.path.replace(/^\/houses\/[^/]+/, ''),
      // Whoever is not signed in has nothing to end: that is no line of who did what.
      isWrite: route.method !== 'get' && !(route.method === 'delete' && auth.who === null),
      // Of what is open to anybody no answer is kept: it may be somebody's session. A token is told once.
      key:
        route.permission === 'public' || route.hasSecretAnswer
          ? null
          : writeKey(req, auth.machine?.id ?? auth.who?.personId ?? ''),
    };
    const given = {
      ...auth,
      params: path.value,
      query: query.value,
      body: body.value,
      writing: writing(auth),
    };
    const work = () => inHouse(db, request, (scope, house) => run({ ...given, scope, house }));
    const key = kept.keyOf(req, route, auth);
    if (key !== null) {
      return kept.send(req, res, key, async () => {
        const result = await work();
        if (!result.ok) sendRefusals(res, result.reasons);
        return result.ok ? result.value : null;
      });
    }
    const result = await work();
    if (!result.ok) return sendRefusals(res, result.reasons);
    const { value, house } = result.value;
    if (send) return send(res, value, house);
    sendValue(res, route, value);
  };
}

function sendValue(res: Response, { status, media }: RouteDefinition, value: unknown): void {
  const type = CONTENT_TYPE[media];
  res.status(status);
  if (type) res.type(type).send(value);
  else if (media === 'none') res.end();
  else res.json(value);
}

/** As much of a method and an address as is kept beside a key. */
const LONGEST_ADDRESS = 230;
const KEY = /^[0-9a-f-]{36}$/;

/** The key that a device gave its write, so that it may send it again; null when it gave none. */
function writeKey(req: Request, personId: string): WriteKey | null {
  const key = req.get('idempotency-key') ?? '';
  if (req.method === 'GET' || req.method === 'HEAD' || !KEY.test(key)) return null;
  const of = createHash('sha256')
    .update(`${personId} ${JSON.stringify(req.body ?? null)}`)
    .digest('hex');
  return { key, what: `${req.method} ${req.path}`.slice(0, LONGEST_ADDRESS), of };
}

function checked(schema: ObjectSchema | undefined, value: unknown, convert: boolean) {
  if (!schema) return { ok: true as const, value: {} };
  return check(schema, value ?? {}, convert);
}
