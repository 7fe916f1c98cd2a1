import type { House } from '@calm/contract';
import {
  auditQuery,
  changeOf,
  crewSchema,
  ownerSchema,
  params,
  secretSchema,
  shiftExceptionSchema,
  shiftPatternSchema,
  signInSchema,
} from '@calm/contract/schemas';
import type { Response, Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { readAudit } from '../store/access/auditLog';
import {
  personRepository,
  readCrew,
  shiftExceptionRepository,
  shiftRepository,
} from '../store/access/crew';
import type { Database } from '../database/database';
import { closeSessions } from '../store/access/sessions';
import { changePerson, removePerson } from '../use-cases/access/crew';
import { ok } from '../use-cases/result';
import { addRecord } from '../use-cases/recordWrites';
import {
  changeSecret,
  signInOptions,
  startOwner,
  attemptSignIn,
  type SignInAttempt,
} from '../use-cases/access/signIn';
import { defineRoute } from './door';
import { sendProblem } from './problems';
import { repositoryRoutes } from './shelfDoors';
import { authContext, setSessionCookie, clearSessionCookie } from './who';

/** Tries at the doors of one device a minute, whoever it tries to be. */
const TRIES_A_MINUTE = 60;

/** The doors of access: coming in and going out, the crew and its shifts, who did what. */
export function accessRoutes(api: Router, db: Database): void {
  api.get(
    '/houses/:house/sign-in-options',
    defineRoute(db, {
      needs: 'nothing',
      run: async ({ scope, house }) => ok(await signInOptions(scope, house)),
    }),
  );
  api.get('/houses/:house/session', (_req, res) => {
    const { who } = authContext(res);
    if (who) res.json(who);
    else sendProblem(res, 'signed-out', 'Nobody is signed in here.');
  });
  const fewTries = rateLimit({
    windowMs: 60_000,
    limit: TRIES_A_MINUTE,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_req, res) =>
      sendProblem(res, 'rate-limited', 'Too many tries from this device. Wait a minute.'),
  });
  api.post(
    '/houses/:house/session',
    fewTries,
    defineRoute(db, {
      needs: 'nothing',
      body: signInSchema,
      run: async ({ scope, body, now }) => ok(await attemptSignIn(scope, body, now)),
      send: answerTry,
    }),
  );
  api.delete(
    '/houses/:house/session',
    defineRoute(db, {
      needs: 'nothing',
      run: async ({ scope, token }) => {
        if (token !== null) await closeSessions(scope, { token });
        return ok(null);
      },
      send: (res, _value, { slug }) => {
        clearSessionCookie(res, slug);
        res.status(204).end();
      },
    }),
  );
  api.post(
    '/houses/:house/owner',
    fewTries,
    defineRoute(db, {
      needs: 'nothing',
      body: ownerSchema,
      run: ({ scope, body, now }) => startOwner(scope, body, now),
      send: (res, { token }, { slug }) => {
        setSessionCookie(res, slug, token);
        res.status(201).json({});
      },
    }),
  );
  crewRoutes(api, db);
}

/** In, wrong, or shut for a while. Which of name and secret was wrong is nobody's business. */
function answerTry(res: Response, tried: SignInAttempt, { slug }: House): void {
  if (tried.kind === 'in') {
    setSessionCookie(res, slug, tried.token);
    res.status(204).end();
    return;
  }
  if (tried.kind === 'wrong') {
    return sendProblem(res, 'wrong-secret', 'That is not it. Try once more.');
  }
  const seconds = Math.ceil((tried.until.getTime() - authContext(res).now.getTime()) / 1000);
  res.setHeader('Retry-After', String(seconds));
  sendProblem(res, 'rate-limited', `Too many wrong tries. Try again in ${seconds} s.`);
}

function crewRoutes(api: Router, db: Database): void {
  api.get(
    '/houses/:house/crew',
    defineRoute(db, { needs: 'see', run: async ({ scope }) => ok(await readCrew(scope)) }),
  );
  api.post(
    '/houses/:house/people',
    defineRoute(db, {
      needs: 'crew',
      body: crewSchema,
      status: 201,
      run: ({ scope, body }) => addRecord(scope, personRepository, body),
    }),
  );
  api.put(
    '/houses/:house/people/:id',
    defineRoute(db, {
      needs: 'crew',
      params: params.record,
      body: changeOf(crewSchema),
      run: ({ scope, params: { id }, body }) => changePerson(scope, id, body),
    }),
  );
  api.delete(
    '/houses/:house/people/:id',
    defineRoute(db, {
      needs: 'crew',
      params: params.record,
      run: ({ scope, params: { id } }) => removePerson(scope, id),
    }),
  );
  api.put(
    '/houses/:house/people/:id/secret',
    defineRoute(db, {
      needs: 'crew',
      params: params.record,
      body: secretSchema,
      run: ({ scope, params: { id }, body: { secret } }) => changeSecret(scope, id, secret),
    }),
  );
  repositoryRoutes(api, db, 'shift-patterns', 'crew', shiftRepository, shiftPatternSchema);
  repositoryRoutes(
    api,
    db,
    'shift-exceptions',
    'crew',
    shiftExceptionRepository,
    shiftExceptionSchema,
  );
  api.get(
    '/houses/:house/audit',
    defineRoute(db, {
      needs: 'crew',
      query: auditQuery,
      run: async ({ scope, query: { before } }) => ok(await readAudit(scope, before)),
    }),
  );
}
