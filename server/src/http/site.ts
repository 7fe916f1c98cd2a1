import type { Express, RequestHandler } from 'express';

/** Where the application is to be found, and what stands before it. */
export interface Site {
  /** As browsers name it, e.g. `https://dough.example.org`; null is whatever host a request names. */
  readonly origin: string | null;
  /**
   * The proxies before it whose word on address and TLS is taken: how many, or their addresses, as Express takes
   * them; null when there is none.
   */
  readonly trustProxy: number | string | null;
}

export const LOOPBACK_SITE: Site = { origin: null, trustProxy: null };

/** A year, as browsers take it. */
const HSTS = 'max-age=31536000';

/** Takes the word of the proxies that stand before the application. */
export function trustProxies(app: Express, { trustProxy }: Site): void {
  if (trustProxy !== null) app.set('trust proxy', trustProxy);
}

/** Once over TLS, always over TLS. */
export const onlyTls: RequestHandler = (req, res, next) => {
  if (req.secure) res.set('Strict-Transport-Security', HSTS);
  next();
};
