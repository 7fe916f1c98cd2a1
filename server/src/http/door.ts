import type { House } from '@calm/contract';
import { check, params } from '@calm/contract/schemas';
import type { Request, RequestHandler, Response } from 'express';
import type { ObjectSchema } from 'joi';
import { findHouse } from '../store/book';
import type { Database, Queries } from '../store/database';
import type { Scope } from '../store/scope';
import { inTransaction } from '../store/transaction';
import type { Refusal, Result } from '../use-cases/result';
import { sendBadInput, sendProblem, sendRefusal } from './problems';

/** What has been checked before a use case runs. */
export interface Visit<Params, Query, Body> {
  readonly scope: Scope;
  readonly house: House;
  readonly params: Params;
  readonly query: Query;
  readonly body: Body;
}

/** The schemas at one door, and what is behind it. */
interface Door<Params, Query, Body, Answer> {
  readonly params?: ObjectSchema<Params>;
  readonly query?: ObjectSchema<Query>;
  readonly body?: ObjectSchema<Body>;
  /** 200 unless something was made. */
  readonly status?: number;
  /** JSON unless it is a text of another kind. */
  readonly type?: 'text/csv' | 'text/calendar';
  run(visit: Visit<Params, Query, Body>): Promise<Result<Answer>>;
}

/**
 * The server's one way in: schema → use case → store, in a transaction, within one house.
 */
export function houseDoor<Params = object, Query = object, Body = object, Answer = unknown>(
  db: Database,
  door: Door<Params, Query, Body, Answer>,
): RequestHandler {
  return async (req: Request, res: Response) => {
    const house = check(params.house, { house: req.params['house'] }, true);
    if (!house.ok) return sendRefusal(res, { kind: 'not-found', what: 'house' });
    const path = checked(door.params, req.params, true);
    const query = checked(door.query, req.query, true);
    const body = checked(door.body, req.body, false);
    const errors = [path, query, body].flatMap((part) => (part.ok ? [] : part.errors));
    if (!path.ok || !query.ok || !body.ok) return sendBadInput(res, errors);

    const result = await inTransactionOrNot(db, async (tx): Promise<Result<Answer>> => {
      const found = await findHouse(tx, String(req.params['house']));
      if (!found) return { kind: 'not-found', what: 'house' };
      return door.run({
        scope: { tx, houseId: found.id },
        house: found,
        params: path.value,
        query: query.value,
        body: body.value,
      });
    });
    if (result.kind !== 'done') return sendRefusal(res, result);
    res.status(door.status ?? 200);
    if (door.type) res.type(door.type).send(result.value);
    else res.json(result.value);
  };
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
export const noSuchDoor: RequestHandler = (req, res) => {
  sendProblem(res, 'not-found', `Nothing at ${req.method} ${req.path}.`);
};
