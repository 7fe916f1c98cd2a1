import { LIVE_HEARTBEAT, type LiveEvent } from '@calm/contract';
import type { RequestHandler, Response } from 'express';
import type { Database } from '../../database/database';
import { houseNamed, writesOfHouse } from '../../use-cases/live';
import { sendRefusals } from '../problems';
import type { LiveHub } from './liveHub';

/** A write may be told after one with a higher number: whoever comes back is told so many again. */
const AGAIN = 50;

/**
 * GET what is written in a house, as it happens (server-sent events). A device that comes back says the last
 * number it has seen and is told what it missed; some of it twice, which does no harm.
 */
export function liveStream(db: Database, live: LiveHub): RequestHandler {
  return async (req, res) => {
    const slug = String(req.params['house']);
    const house = await houseNamed(db, slug);
    if (!house) return sendRefusals(res, [{ kind: 'not-found', what: 'house' }]);
    res.writeHead(200, {
      'Content-Type': 'text/event-stream; charset=utf-8',
      // Nothing on the way may hold it back to pack it.
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    });
    res.write('retry: 1000\n\n');
    const unsubscribe = await live.subscribe(
      house.id,
      (event) => write(res, event),
      () => res.end(),
    );
    const heartbeat = `event: ${LIVE_HEARTBEAT.event}\ndata:\n\n`;
    const alive = setInterval(() => res.write(heartbeat), LIVE_HEARTBEAT.everyMs).unref();
    res.on('close', () => {
      unsubscribe();
      clearInterval(alive);
    });
    const seen = Number(req.get('last-event-id') ?? NaN);
    if (!Number.isInteger(seen)) return;
    const missed = await writesOfHouse(db, house.id, Math.max(0, seen - AGAIN));
    for (const permission of missed) write(res, permission);
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
