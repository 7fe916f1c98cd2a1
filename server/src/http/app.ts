import { API } from '@calm/contract';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import { randomBytes, randomUUID } from 'node:crypto';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Clock } from '../clock';
import type { Database } from '../database/database';
import { apiRouter } from './api';
import { health, type Health } from './health';
import type { LiveHub } from './live/liveHub';
import { problemHandler, sendProblem } from './problems';
import { onlyTls, trustProxies, type Site } from './site';
import { tellsVersion } from './appVersion';
import { webFiles } from './webFiles';

/** What is logged of a request. */
interface Line {
  readonly id: string;
  readonly method: string;
  readonly url: string;
}

/** The address of a calendar link is its secret. */
const withoutSecret = (url: string): string => url.replace(/(\/calendars\/)[^/?]+/, '$1…');

/** What an application is made of. */
export interface AppParts {
  readonly db: Database;
  readonly clock: Clock;
  readonly log: Logger;
  readonly live: LiveHub;
  readonly site: Site;
  /** Built web files; null serves the API alone. */
  readonly webDir: string | null;
  readonly health: Health;
  /** Counts requests; null where nobody watches. */
  readonly counts: RequestHandler | null;
}

/** The Express application: log, headers, health, API, web files, problems. */
export function createApp(parts: AppParts): Express {
  const { db, clock, log, live, site, webDir, counts } = parts;
  const app = express();
  app.disable('x-powered-by');
  trustProxies(app, site);
  app.use(
    pinoHttp({
      logger: log,
      // No headers: they carry whose session it is.
      serializers: {
        req: ({ id, method, url }: Line) => ({ id, method, url: withoutSecret(url) }),
        res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      },
      genReqId: (_req, res) => {
        const id = randomUUID();
        res.setHeader('X-Request-Id', id);
        return id;
      },
      customLogLevel: (_req, res, error) =>
        error || res.statusCode >= 500 ? 'error' : res.statusCode >= 400 ? 'warn' : 'debug',
    }),
  );
  if (counts) app.use(counts);
  app.use((_req, res, next) => {
    res.locals['cspNonce'] = randomBytes(16).toString('base64');
    next();
  });
  const ownNonce = (_req: unknown, res: unknown) =>
    `'nonce-${(res as express.Response).locals['cspNonce']}'`;
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'", ownNonce],
          styleSrc: ["'self'", ownNonce],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      // Ours: it depends on whether this request came over TLS.
      strictTransportSecurity: false,
    }),
  );
  app.use(onlyTls);

  app.use(compression());

  app.use(health(parts.health));
  app.use(API, tellsVersion(webDir), apiRouter({ db, clock, live, site }));
  if (webDir) app.use(webFiles(webDir));
  app.use((req, res) => sendProblem(res, 'not-found', `Nothing at ${req.path}.`));
  app.use(problemHandler);
  return app;
}
