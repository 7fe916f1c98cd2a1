import type { FieldError, Problem, ProblemKind } from '@calm/contract';
import type { ErrorRequestHandler, Response } from 'express';
import {
  CommitInDoubt,
  DatabaseBusy,
  errorNumber,
  isConnectionLost,
} from '../database/transaction';
import { TooNested } from './requestBody';
import type { Refusal } from '../use-cases/result';

const STATUS: Readonly<Record<ProblemKind, number>> = {
  'bad-input': 400,
  'not-json': 400,
  'not-readable': 415,
  'signed-out': 401,
  'wrong-secret': 401,
  'not-allowed': 403,
  'cross-site': 403,
  'not-found': 404,
  stale: 409,
  'already-started': 409,
  'in-use': 409,
  'put-aside': 409,
  'too-large': 413,
  'cannot-scale': 422,
  'rate-limited': 429,
  unexpected: 500,
  'not-ready': 503,
};

const TITLE: Readonly<Record<ProblemKind, string>> = {
  'bad-input': 'Some of what was sent is not right',
  'not-json': 'What was sent is not JSON',
  'not-readable': 'What was sent cannot be read',
  'signed-out': 'Nobody is signed in here',
  'wrong-secret': 'That is not the password or PIN',
  'not-allowed': 'Your role may not do this',
  'cross-site': 'This came from another site',
  'rate-limited': 'Too many tries',
  'not-found': 'There is no such thing here',
  stale: 'Somebody changed this in the meantime',
  'already-started': 'This dough is already under way for that date',
  'in-use': 'Something still refers to this',
  'put-aside': 'This house is put aside',
  'too-large': 'What was sent is too large',
  'cannot-scale': 'This lot cannot be made as asked',
  unexpected: 'Something went wrong on our side',
  'not-ready': 'The house is not ready yet',
};

type Extras = Partial<Pick<Problem, 'errors' | 'current' | 'sent' | 'reasons'>>;

/** Sends a problem document (RFC 9457). Every error of the API leaves through here. */
export function sendProblem(
  res: Response,
  kind: ProblemKind,
  detail: string,
  extras: Extras = {},
): void {
  const problem: Problem = {
    type: `/problems/${kind}`,
    title: TITLE[kind],
    status: STATUS[kind],
    detail,
    requestId: String(res.req.id ?? ''),
    ...extras,
  };
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
}

/** Sends why a use case did nothing: the first of its reasons. */
export function sendRefusals(res: Response, [refusal]: readonly Refusal[]): void {
  if (refusal) sendRefusal(res, refusal);
  else sendProblem(res, 'unexpected', 'It has been logged under this request id. Try once more.');
}

function sendRefusal(res: Response, refusal: Refusal): void {
  switch (refusal.kind) {
    case 'signed-out':
      return sendProblem(res, 'signed-out', 'Nobody is signed in here.');
    case 'put-aside':
      return sendProblem(res, 'put-aside', 'Nothing is written in it. Take it up again first.');
    case 'bad-input':
      return sendBadInput(res, refusal.errors);
    case 'not-found':
      return sendProblem(res, 'not-found', `No ${refusal.what} with this address.`);
    case 'stale':
      return sendProblem(res, 'stale', 'Nothing was written. Choose which of the two to keep.', {
        current: refusal.current,
        sent: refusal.sent,
      });
    case 'in-use':
      return sendProblem(res, 'in-use', `The ${refusal.what} is in use; nothing was taken away.`);
    case 'already-started':
      return sendProblem(res, 'already-started', 'Nothing was written. Open the lot there is.', {
        current: refusal.current,
      });
    case 'cannot-scale':
      return sendProblem(res, 'cannot-scale', 'Nothing was written. The reasons say what fits.', {
        reasons: refusal.reasons,
      });
  }
}

/** Sends every bad field with its path. */
export function sendBadInput(res: Response, errors: readonly FieldError[]): void {
  const detail = errors.map((error) => error.message).join(' ');
  sendProblem(res, 'bad-input', detail, { errors });
}

/** The last layer: bodies that could not be read, and bugs. */
export const problemHandler: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error);
  const type = (error as { type?: string }).type ?? '';
  if (type === 'entity.too.large') {
    return sendProblem(res, 'too-large', 'That is more than one request may hold.');
  }
  if (type === 'entity.parse.failed') {
    return sendProblem(res, 'not-json', (error as Error).message);
  }
  if (error instanceof TooNested) {
    return sendProblem(res, 'bad-input', 'Lists and objects stand too deep in each other here.');
  }
  const { status = 500 } = error as { status?: number };
  if (status === 415) {
    return sendProblem(res, 'not-readable', 'Send JSON in UTF-8, as it is and not packed.');
  }
  if (type.startsWith('request.')) return sendProblem(res, 'not-json', 'It did not come whole.');
  if (error instanceof URIError || (status >= 400 && status < 500)) {
    return sendProblem(res, 'not-found', `Nothing at ${req.path} can be had so.`);
  }
  // A database that takes too long, is gone, or does not take part (1047): it may be sent again, and is done once.
  if (isAway(error)) {
    req.log.warn({ err: error }, 'the database is not ready');
    res.set('Retry-After', '2');
    return sendProblem(res, 'not-ready', 'The database is busy. Send it again in a moment.');
  }
  req.log.error({ err: error }, 'unexpected error');
  sendProblem(res, 'unexpected', 'It has been logged under this request id. Try once more.');
};

const isAway = (error: unknown): boolean =>
  error instanceof DatabaseBusy ||
  error instanceof CommitInDoubt ||
  errorNumber(error) === 1047 ||
  isConnectionLost(error);
