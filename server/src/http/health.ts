import type { Readiness } from '../database/readiness';
import { Router } from 'express';
import { sendProblem } from './problems';

/** Whether this process may be sent work, and what it is about. */
export interface Health {
  /** False once the server has been told to stop. */
  readonly isTakingWork: () => boolean;
  /** How its database is; never takes much over a second. */
  readonly database: () => Promise<Readiness>;
}

/** What is wrong, and what whoever looks after the server does about it. */
const WRONG: Readonly<Record<Exclude<Readiness, 'ready'>, string>> = {
  away: 'The database does not answer within a second: see whether it runs, and DATABASE_URL.',
  behind: 'The database’s tables are of an earlier version: run "npm run admin -- migrate".',
  ahead: 'The database’s tables are of a later version than this server: update the server.',
};

/** Alive: the process answers. Ready: it takes work, and its database does, with tables of this version. */
export function health({ isTakingWork, database }: Health): Router {
  const router = Router();
  router.get('/healthz', (_req, res) => {
    res.json({ is: 'alive' });
  });
  router.get('/readyz', async (_req, res) => {
    if (!isTakingWork())
      return sendProblem(res, 'not-ready', 'The server is starting or stopping.');
    const readiness = await database();
    if (readiness !== 'ready') return sendProblem(res, 'not-ready', WRONG[readiness]);
    res.json({ is: 'ready' });
  });
  return router;
}
