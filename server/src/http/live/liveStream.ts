import { LIVE_HEARTBEAT, type LiveEvent } from '@calm/contract';
import type { RequestHandler, Response } from 'express';
import type { Clock } from '../../clock';
import type { Database } from '../../database/database';
import { arrivalAt } from '../../use-cases/access/session';
import { houseNamed, writesOfHouse } from '../../use-cases/live';
import { authContext } from '../authContext';
import { sendProblem, sendRefusals } from '../problems';
import type { LiveHub } from './liveHub';

/** A write may be told after one with a higher number: whoever comes back is told so many again. */
const AGAIN = 50;
/** Whether somebody still is signed in is looked up this often, and whenever anybody's signing in changes, ms. */
const LOOK_AGAIN_MS = 30_000;
const CHANGES_SESSIONS = /^\/(session|sessions|people)(\/|$)/;
/** Most lines of one session: tabs of a browser, not of a flood. */
const MOST_LINES = 12;

/**
 * GET what is written in a house, as it happens (server-sent events). A device that comes back says the last
 * number it has seen and is told what it missed; some of it twice, which does no harm. The line ends with the
 * session it was opened in.
 */
export function liveStream(db: Database, clock: Clock, live: LiveHub): RequestHandler {
  const lines = new Map<string, number>();
  return async (req, res) => {
    const slug = String(req.params['house']);
    const token = authContext(res).token ?? '';
    const house = await houseNamed(db, slug);
    if (!house) return sendRefusals(res, [{ kind: 'not-found', what: 'house' }]);
    const open = lines.get(token) ?? 0;
    if (open >= MOST_LINES) {
      res.set('Retry-After', '10');
      return sendProblem(res, 'rate-limited', 'This device has too many live lines open.');
    }
    lines.set(token, open + 1);
    res.writeHead(200, {
      'Content-Type': 'text/event-stream; charset=utf-8',
      // Nothing on the way may hold it back to pack it.
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    });
    res.write('retry: 1000\n\n');
    const endWhenOut = async () => {
      const arrival = await arrivalAt(db, slug, token, clock.now());
      if (!arrival?.session) res.end();
    };
    const look = () => void endWhenOut().catch(() => res.end());
    const unsubscribe = await live.subscribe(
      house.id,
      (event) => {
        write(res, event);
        if (CHANGES_SESSIONS.test(event.path)) look();
      },
      () => res.end(),
    );
    const heartbeat = `event: ${LIVE_HEARTBEAT.event}\ndata:\n\n`;
    const alive = setInterval(() => res.write(heartbeat), LIVE_HEARTBEAT.everyMs).unref();
    const looking = setInterval(look, LOOK_AGAIN_MS).unref();
    res.on('close', () => {
      unsubscribe();
      clearInterval(alive);
      clearInterval(looking);
      const left = (lines.get(token) ?? 1) - 1;
      if (left > 0) lines.set(token, left);
      else lines.delete(token);
    });
    const seen = Number(req.get('last-event-id') ?? NaN);
    if (!Number.isInteger(seen)) return;
    const missed = await writesOfHouse(db, house.id, Math.max(0, seen - AGAIN));
    for (const event of missed) write(res, event);
  };
}

/** Once a write is answered, devices are told of it. */
export function tellsLive(live: LiveHub): RequestHandler {
  return (req, res, next) => {
    if (req.method !== 'GET') res.on('finish', () => live.nudge());
    next();
  };
}

function write(res: Response, { id, path }: LiveEvent): void {
  res.write(`id: ${id}\ndata: ${JSON.stringify({ id, path })}\n\n`);
}
