import express, { type Express, type RequestHandler } from 'express';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import type { Readiness } from '../database/readiness';

/** Answers that take up to so many seconds stand together. */
const BUCKETS_S = [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10];

/** What is counted beside the requests. */
export interface Counted {
  readonly liveLines: () => number;
  readonly database: () => Promise<Readiness>;
}

/** What a server is about, counted for whoever watches over it. No house, person or address is named in it. */
export interface Metrics {
  /** Counts a request when it has been answered. */
  readonly counts: RequestHandler;
  /** Serves what was counted, in the text that monitoring reads; on a port of its own, never beside the API. */
  readonly app: Express;
}

export function createMetrics({ liveLines, database }: Counted): Metrics {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry, prefix: 'calm_' });
  const requests = new Histogram({
    name: 'calm_http_request_seconds',
    help: 'How long answers took, by method, route and status',
    labelNames: ['method', 'route', 'status'],
    buckets: BUCKETS_S,
    registers: [registry],
  });
  new Gauge({
    name: 'calm_live_lines',
    help: 'Devices that follow a house at this moment',
    registers: [registry],
    collect() {
      this.set(liveLines());
    },
  });
  new Gauge({
    name: 'calm_database_ready',
    help: '1 when the database answers with the tables of this version',
    registers: [registry],
    async collect() {
      this.set((await database()) === 'ready' ? 1 : 0);
    },
  });

  const app = express();
  app.disable('x-powered-by');
  app.get('/metrics', async (_req, res) => {
    res.type(registry.contentType).send(await registry.metrics());
  });
  return {
    app,
    counts: (req, res, next) => {
      const end = requests.startTimer({ method: req.method });
      res.once('finish', () => {
        const route: unknown = (req.route as { path?: unknown } | undefined)?.path;
        // As it stands in the table of routes, so that there are only so many; a live line lasts as long as a shift.
        const name = typeof route === 'string' ? `${req.baseUrl}${route}` : 'none';
        if (!name.endsWith('/live')) end({ route: name, status: res.statusCode });
      });
      next();
    },
  };
}
