import type { KeptFor, RouteDefinition } from '@calm/contract';
import { localDateOf } from '@calm/domain';
import type { Request, Response } from 'express';
import { LRUCache } from 'lru-cache';
import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { Arrival } from '../use-cases/access/session';
import type { AuthContext } from './authContext';

const packed = promisify(gzip);
/** Shorter answers are sent as they are, bytes. */
const WORTH_PACKING = 1024;
/** All that is kept at once, bytes. */
const MOST_KEPT = 96 * 1024 * 1024;

/** An answer as it is sent. */
interface Kept {
  readonly etag: string;
  readonly plain: Buffer;
  readonly gzip: Buffer | null;
}

/**
 * Answers that are good until something they hang on is written: worked out once, however many devices ask. The key is
 * read before an answer is worked out, so that one never stands for a version that it was not made from.
 */
export class KeptAnswers {
  private readonly answers = new LRUCache<string, Promise<Kept | null>>({
    maxSize: MOST_KEPT,
    sizeCalculation: () => 1024,
    max: 5000,
  });

  /** What an answer's key is now; null when the route's answers are not kept, or there is no such house. */
  keyOf(req: Request, { kept }: RouteDefinition, { arrival, now }: AuthContext): string | null {
    if (!kept || !arrival) return null;
    const versions = kept.on.map((part) => arrival.versions.get(part) ?? 0).join('.');
    return [arrival.houseId, req.originalUrl, versions, timeOf(kept, now, arrival)].join(' ');
  }

  /**
   * Sends the answer of a key.
   *
   * @param work works its value out; null when it came to something else, which is answered already
   */
  async send(
    req: Request,
    res: Response,
    key: string,
    work: () => Promise<{ readonly value: unknown } | null>,
  ): Promise<void> {
    let isOurs = false;
    let making = this.answers.get(key);
    if (!making) {
      isOurs = true;
      making = made(work);
      this.answers.set(key, making);
      void making.then(
        (kept) => this.keep(key, kept),
        () => this.answers.delete(key),
      );
    }
    // Whoever came to nothing has answered that already; others, who waited for it in vain, ask for themselves.
    const kept = (await making) ?? (isOurs ? null : await made(work));
    if (kept) sendKept(req, res, kept);
  }

  private keep(key: string, kept: Kept | null): void {
    if (kept === null) {
      this.answers.delete(key);
      return;
    }
    const size = 512 + kept.plain.length + (kept.gzip?.length ?? 0);
    this.answers.set(key, Promise.resolve(kept), { size });
  }
}

/** The moment, as far as an answer hangs on it. */
function timeOf({ until }: KeptFor, now: Date, { timeZone }: Arrival): string {
  if (until === 'written') return '';
  return until === 'day' ? localDateOf(now, timeZone) : now.toISOString().slice(0, 16);
}

async function made(work: () => Promise<{ readonly value: unknown } | null>): Promise<Kept | null> {
  const done = await work();
  if (!done) return null;
  const plain = Buffer.from(JSON.stringify(done.value));
  const etag = `"${createHash('sha256').update(plain).digest('base64url').slice(0, 27)}"`;
  return { etag, plain, gzip: plain.length < WORTH_PACKING ? null : await packed(plain) };
}

function sendKept(req: Request, res: Response, { etag, plain, gzip: small }: Kept): void {
  res.set({ 'Cache-Control': 'private, no-cache', ETag: etag, Vary: 'Accept-Encoding, Cookie' });
  if (req.get('if-none-match') === etag) {
    res.status(304).end();
    return;
  }
  res.type('json');
  const isSmall = small !== null && Boolean(req.acceptsEncodings('gzip'));
  if (isSmall) res.set('Content-Encoding', 'gzip');
  const body = isSmall ? small : plain;
  res.set('Content-Length', String(body.length));
  res.end(req.method === 'HEAD' ? undefined : body);
}
