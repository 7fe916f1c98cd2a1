import type { Session } from '@calm/contract';
import type { CookieOptions, Request, RequestHandler, Response } from 'express';
import type { Clock } from '../clock';
import type { Writing } from '../use-cases/lots/records';
import type { Database } from '../database/database';
import { SESSION_HOURS, sessionOf } from '../use-cases/access/session';
import { sendProblem } from './problems';

/** Who asks, and when; every route of a house knows it. */
export interface AuthContext {
  readonly who: Session | null;
  /** Of the session; null without one. */
  readonly token: string | null;
  readonly now: Date;
}

/** Each house has a cookie of its own: one tablet may be signed in to several. */
const cookieName = (house: string) => `calm_${house}`;

/** Pages cannot read it, other sites cannot send it. Behind HTTPS it never leaves HTTPS. */
const cookieOptions = (req: Request): CookieOptions => ({
  httpOnly: true,
  sameSite: 'strict',
  secure: req.secure,
  path: '/',
});

export function setSessionCookie(res: Response, house: string, token: string): void {
  const maxAge = SESSION_HOURS * 3_600_000;
  res.cookie(cookieName(house), token, { ...cookieOptions(res.req), maxAge });
}

export function clearSessionCookie(res: Response, house: string): void {
  res.clearCookie(cookieName(house), cookieOptions(res.req));
}

/** Finds out who asks, from the house's cookie. */
export function authenticate(db: Database, clock: Clock): RequestHandler {
  return async (req, res, next) => {
    const house = String(req.params['house']);
    const cookie: unknown = (req.cookies as Record<string, unknown>)[cookieName(house)];
    // A cookie may say that it holds JSON; ours are texts.
    const token = typeof cookie === 'string' ? cookie : null;
    const now = clock.now();
    const who = token === null ? null : await sessionOf(db, house, token, now);
    const authContext: AuthContext = { who, token, now };
    res.locals['asked'] = authContext;
    next();
  };
}

export const authContext = (res: Response): AuthContext => res.locals['asked'] as AuthContext;

const HARMLESS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Turns away what another site's page sends: browsers say where a request comes from, and a write must come
 * from our own pages. Programs that are no browser say nothing and carry no cookie of anybody's.
 */
export const sameSiteOnly: RequestHandler = (req, res, next) => {
  if (HARMLESS.has(req.method)) return next();
  const site = req.get('sec-fetch-site');
  const origin = req.get('origin');
  const isForeignSite = site !== undefined && site !== 'same-origin' && site !== 'none';
  const isForeignOrigin = origin !== undefined && hostOf(origin) !== req.get('host');
  if (isForeignSite || isForeignOrigin) {
    return sendProblem(res, 'cross-site', 'Only pages of this house may change anything in it.');
  }
  next();
};

function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null;
}

/** Who writes, and when the house takes it. */
export const writing = ({ who, now }: Pick<AuthContext, 'who' | 'now'>): Writing => ({
  personId: who?.personId ?? null,
  now,
});
