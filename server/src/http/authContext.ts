import type { Session } from '@calm/contract';
import type { CookieOptions, Request, RequestHandler, Response } from 'express';
import type { Clock } from '../clock';
import type { Writing } from '../use-cases/lots/records';
import type { Database } from '../database/database';
import { machineOf, type KnownMachine } from '../use-cases/access/machines';
import { arrivalAt, SESSION_HOURS, type Arrival } from '../use-cases/access/session';
import { DEVICE_KEPT_MS } from '../use-cases/access/signIn';
import { sendProblem } from './problems';
import type { Site } from './site';

/** Who asks, and when; every route of a house knows it. */
export interface AuthContext {
  /** Null when there is no such house. */
  readonly arrival: Arrival | null;
  readonly who: Session | null;
  /** The machine whose token came with the request; null is no machine. */
  readonly machine: KnownMachine | null;
  /** Of the session; null without one. */
  readonly token: string | null;
  /** What the device is known by; null where nobody has signed in on it yet. */
  readonly device: string | null;
  /** What its browser calls itself. */
  readonly agent: string;
  readonly now: Date;
}

/**
 * Each house has cookies of its own: one tablet may be signed in to several. Over TLS their names hold them to
 * this host, this address and TLS, whatever a neighbouring site sends.
 */
const cookieName = ({ secure }: Request, house: string, what: 'session' | 'device') =>
  `${secure ? '__Host-' : ''}calm_${what === 'device' ? 'device_' : ''}${house}`;

/** Pages cannot read it, other sites cannot send it. Behind HTTPS it never leaves HTTPS. */
const cookieOptions = (req: Request): CookieOptions => ({
  httpOnly: true,
  sameSite: 'strict',
  secure: req.secure,
  path: '/',
});

export function setSessionCookie(res: Response, house: string, token: string): void {
  const maxAge = SESSION_HOURS * 3_600_000;
  res.cookie(cookieName(res.req, house, 'session'), token, { ...cookieOptions(res.req), maxAge });
}

/** The device is known from now on, also once it is signed out. */
export function setDeviceCookie(res: Response, house: string, device: string): void {
  const name = cookieName(res.req, house, 'device');
  res.cookie(name, device, { ...cookieOptions(res.req), maxAge: DEVICE_KEPT_MS });
}

export function clearSessionCookie(res: Response, house: string): void {
  res.clearCookie(cookieName(res.req, house, 'session'), cookieOptions(res.req));
}

const BEARER = /^Bearer ([\w-]{43})$/i;

/** Finds out who asks: somebody by the house's cookie, or a machine by its token. */
export function authenticate(db: Database, clock: Clock): RequestHandler {
  return async (req, res, next) => {
    const house = String(req.params['house']);
    const token = cookieOf(req, house, 'session');
    const now = clock.now();
    const arrival = await arrivalAt(db, house, token, now);
    const device = cookieOf(req, house, 'device');
    const agent = req.get('user-agent') ?? '';
    const bearer = BEARER.exec(req.get('authorization') ?? '')?.[1];
    const machine = bearer === undefined ? null : await machineOf(db, house, bearer);
    const who = arrival?.session ?? null;
    const authContext: AuthContext = { arrival, who, machine, token, device, agent, now };
    res.locals['asked'] = authContext;
    next();
  };
}

/** A cookie's text; one may say that it holds JSON, but ours do not. */
function cookieOf(req: Request, house: string, what: 'session' | 'device'): string | null {
  const cookie: unknown = (req.cookies as Record<string, unknown>)[cookieName(req, house, what)];
  return typeof cookie === 'string' ? cookie : null;
}

export const authContext = (res: Response): AuthContext => res.locals['asked'] as AuthContext;

const HARMLESS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Turns away what another site's page sends: browsers say where a request comes from, and a write must come
 * from our own pages. Programs that are no browser say nothing and carry no cookie of anybody's.
 */
export const sameSiteOnly =
  (own: Site): RequestHandler =>
  (req, res, next) => {
    if (HARMLESS.has(req.method)) return next();
    const site = req.get('sec-fetch-site');
    const origin = req.get('origin');
    const isForeignSite = site !== undefined && site !== 'same-origin' && site !== 'none';
    const isForeignOrigin = origin !== undefined && !isOwnOrigin(own, origin, req);
    if (isForeignSite || isForeignOrigin) {
      return sendProblem(res, 'cross-site', 'Only pages of this house may change anything in it.');
    }
    next();
  };

/** Behind a proxy that renames hosts only the configured origin is our own. */
function isOwnOrigin({ origin: own }: Site, origin: string, req: Request): boolean {
  return own === null ? hostOf(origin) === req.get('host') : origin === own;
}

function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null;
}

/** Who writes, and when the house takes it. */
export const writing = ({ who, now }: Pick<AuthContext, 'who' | 'now'>): Writing => ({
  personId: who?.personId ?? null,
  now,
});
