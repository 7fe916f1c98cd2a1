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
import { personShelf, readCrew, shiftExceptionShelf, shiftShelf } from '../store/access/crew';
import type { Database } from '../database/database';
import { closeSessions } from '../store/access/sessions';
import { changePerson, removePerson } from '../use-cases/access/crew';
import { done } from '../use-cases/result';
import { addRecord } from '../use-cases/recordWrites';
import {
  changeSecret,
  frontDoor,
  startOwner,
  tryDoor,
  type Tried,
} from '../use-cases/access/signIn';
import { houseDoor } from './door';
import { sendProblem } from './problems';
import { shelfDoors } from './shelfDoors';
import { asked, giveSession, takeSession } from './who';

/** Tries at the doors of one device a minute, whoever it tries to be. */
const TRIES_A_MINUTE = 60;

/** The doors of access: coming in and going out, the crew and its shifts, who did what. */
export function accessDoors(api: Router, db: Database): void {
  api.get(
    '/houses/:house/front-door',
    houseDoor(db, {
      needs: 'nothing',
      run: async ({ scope, house }) => done(await frontDoor(scope, house)),
    }),
  );
  api.get('/houses/:house/session', (_req, res) => {
    const { who } = asked(res);
    if (who) res.json(who);
    else sendProblem(res, 'signed-out', 'Nobody is signed in here.');
  });
  const fewTries = rateLimit({
    windowMs: 60_000,
    limit: TRIES_A_MINUTE,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_req, res) =>
      sendProblem(res, 'door-shut', 'Too many tries from this device. Wait a minute.'),
  });
  api.post(
    '/houses/:house/session',
    fewTries,
    houseDoor(db, {
      needs: 'nothing',
      body: signInSchema,
      run: async ({ scope, body, now }) => done(await tryDoor(scope, body, now)),
      send: answerTry,
    }),
  );
  api.delete(
    '/houses/:house/session',
    houseDoor(db, {
      needs: 'nothing',
      run: async ({ scope, token }) => {
        if (token !== null) await closeSessions(scope, { token });
        return done(null);
      },
      send: (res, _value, { slug }) => {
        takeSession(res, slug);
        res.status(204).end();
      },
    }),
  );
  api.post(
    '/houses/:house/owner',
    fewTries,
    houseDoor(db, {
      needs: 'nothing',
      body: ownerSchema,
      run: ({ scope, body, now }) => startOwner(scope, body, now),
      send: (res, { token }, { slug }) => {
        giveSession(res, slug, token);
        res.status(201).json({});
      },
    }),
  );
  crewDoors(api, db);
}

/** In, wrong, or shut for a while. Which of name and secret was wrong is nobody's business. */
function answerTry(res: Response, tried: Tried, { slug }: House): void {
  if (tried.kind === 'in') {
    giveSession(res, slug, tried.token);
    res.status(204).end();
    return;
  }
  if (tried.kind === 'wrong') {
    return sendProblem(res, 'wrong-secret', 'That is not it. Try once more.');
  }
  const seconds = Math.ceil((tried.until.getTime() - asked(res).now.getTime()) / 1000);
  res.setHeader('Retry-After', String(seconds));
  sendProblem(res, 'door-shut', `Too many wrong tries. Try again in ${seconds} s.`);
}

function crewDoors(api: Router, db: Database): void {
  api.get(
    '/houses/:house/crew',
    houseDoor(db, { needs: 'see', run: async ({ scope }) => done(await readCrew(scope)) }),
  );
  api.post(
    '/houses/:house/people',
    houseDoor(db, {
      needs: 'crew',
      body: crewSchema,
      status: 201,
      run: ({ scope, body }) => addRecord(scope, personShelf, body),
    }),
  );
  api.put(
    '/houses/:house/people/:id',
    houseDoor(db, {
      needs: 'crew',
      params: params.record,
      body: changeOf(crewSchema),
      run: ({ scope, params: { id }, body }) => changePerson(scope, id, body),
    }),
  );
  api.delete(
    '/houses/:house/people/:id',
    houseDoor(db, {
      needs: 'crew',
      params: params.record,
      run: ({ scope, params: { id } }) => removePerson(scope, id),
    }),
  );
  api.put(
    '/houses/:house/people/:id/secret',
    houseDoor(db, {
      needs: 'crew',
      params: params.record,
      body: secretSchema,
      run: ({ scope, params: { id }, body: { secret } }) => changeSecret(scope, id, secret),
    }),
  );
  shelfDoors(api, db, 'shift-patterns', 'crew', shiftShelf, shiftPatternSchema);
  shelfDoors(api, db, 'shift-exceptions', 'crew', shiftExceptionShelf, shiftExceptionSchema);
  api.get(
    '/houses/:house/audit',
    houseDoor(db, {
      needs: 'crew',
      query: auditQuery,
      run: async ({ scope, query: { before } }) => done(await readAudit(scope, before)),
    }),
  );
}
