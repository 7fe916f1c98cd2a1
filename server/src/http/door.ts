import { hasPermission, type Permission, type House } from '@calm/contract';
import { check, params } from '@calm/contract/schemas';
import type { Request, RequestHandler, Response } from 'express';
import type { ObjectSchema } from 'joi';
import { appendAudit } from '../store/access/auditLog';
import { findHouse } from '../store/house/houses';
import type { Database, Queries } from '../database/database';
import type { Scope } from '../database/scope';
import { inTransaction } from '../database/transaction';
import type { Refusal, Result } from '../use-cases/result';
import { onlyOnce, writeKey } from './once';
import { sendBadInput, sendProblem, sendRefusal } from './problems';
import { authContext, type AuthContext } from './who';

/** What has been checked before a use case runs. */
export interface RequestContext<Params, Query, Body> extends AuthContext {
  readonly scope: Scope;
  readonly house: House;
  readonly params: Params;
  readonly query: Query;
  readonly body: Body;
}

/** The schemas at one door, and what is behind it. */
interface RouteDefinition<Params, Query, Body, Answer> {
  /** What somebody must be allowed to do; 'nothing' opens to anybody. */
  readonly needs: Permission | 'nothing';
  readonly params?: ObjectSchema<Params>;
  readonly query?: ObjectSchema<Query>;
  readonly body?: ObjectSchema<Body>;
  /** 200 unless something was made. */
  readonly status?: number;
  /** JSON unless it is a text of another kind. */
  readonly type?: 'text/csv' | 'text/calendar';
  run(context: RequestContext<Params, Query, Body>): Promise<Result<Answer>>;
  /** Answers in another way than with the value. */
  send?(res: Response, value: Answer, house: House): void;
}

/**
 * The server's one way in: who asks → schema → use case → store, in a transaction, within one house. What
 * was written is on record with who did it, in the same transaction.
 */
export function defineRoute<Params = object, Query = object, Body = object, Answer = unknown>(
  db: Database,
  route: RouteDefinition<Params, Query, Body, Answer>,
): RequestHandler {
  return async (req: Request, res: Response) => {
    const house = check(params.house, { house: req.params['house'] }, true);
    if (!house.ok) return sendRefusal(res, { kind: 'not-found', what: 'house' });
    const { who } = authContext(res);
    if (route.needs !== 'nothing') {
      if (!who) return sendStranger(db, req, res);
      if (!hasPermission(who.role, route.needs)) {
        return sendProblem(res, 'not-allowed', `A ${who.role} may not do this. Ask a manager.`);
      }
    }
    const path = checked(route.params, req.params, true);
    const query = checked(route.query, req.query, true);
    const body = checked(route.body, req.body, false);
    const errors = [path, query, body].flatMap((part) => (part.ok ? [] : part.errors));
    if (!path.ok || !query.ok || !body.ok) return sendBadInput(res, errors);

    let there: House | null = null;
    const result = await inTransactionOrNot(db, async (tx): Promise<Result<Answer>> => {
      const found = await findHouse(tx, String(req.params['house']));
      if (!found) return { kind: 'not-found', what: 'house' };
      there = found;
      const scope = { tx, houseId: found.id };
      const write = async () => {
        const answer = await route.run({
          ...authContext(res),
          scope,
          house: found,
          params: path.value,
          query: query.value,
          body: body.value,
        });
        if (answer.kind === 'done' && req.method !== 'GET')
          await noteWrite(scope, route.needs, req, res);
        return answer;
      };
      // At the door nothing is kept: an answer there may be somebody's session.
      const key = route.needs === 'nothing' ? null : writeKey(req);
      return onlyOnce(scope, key, authContext(res).now, write);
    });
    if (result.kind !== 'done') return sendRefusal(res, result);
    if (route.send && there) return route.send(res, result.value, there);
    res.status(route.status ?? 200);
    if (route.type) res.type(route.type).send(result.value);
    else res.json(result.value);
  };
}

/** Somebody who is not signed in: told so, unless there is no such house at all. */
async function sendStranger(db: Database, req: Request, res: Response): Promise<void> {
  if (!(await findHouse(db, String(req.params['house'])))) {
    return sendRefusal(res, { kind: 'not-found', what: 'house' });
  }
  sendProblem(res, 'signed-out', 'Sign in first.');
}

/** Puts on record who has written what. */
async function noteWrite(
  scope: Scope,
  needs: Permission | 'nothing',
  req: Request,
  res: Response,
): Promise<void> {
  const { who, now } = authContext(res);
  await appendAudit(scope, {
    at: now,
    personId: who?.personId ?? null,
    permission: needs === 'nothing' ? 'sign-in' : needs,
    method: req.method,
    path: req.path.replace(/^\/houses\/[^/]+/, ''),
  });
}

/** Carries a refusal out of a transaction, so that the database takes back whatever came before it. */
class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.kind);
  }
}

async function inTransactionOrNot<T>(
  db: Database,
  work: (tx: Queries) => Promise<Result<T>>,
): Promise<Result<T>> {
  try {
    return await inTransaction(db, async (tx) => {
      const result = await work(tx);
      if (result.kind !== 'done') throw new Refused(result);
      return result;
    });
  } catch (error) {
    if (error instanceof Refused) return error.refusal;
    throw error;
  }
}

function checked<T>(schema: ObjectSchema<T> | undefined, value: unknown, convert: boolean) {
  if (!schema) return { ok: true as const, value: {} as T };
  return check(schema, value ?? {}, convert);
}

/** Anything under the API that is no door. */
export const noSuchRoute: RequestHandler = (req, res) => {
  sendProblem(res, 'not-found', `Nothing at ${req.method} ${req.path}.`);
};
