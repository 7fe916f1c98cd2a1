import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { pino } from 'pino';
import { ownClock, systemClock } from './clock';
import { StartError, type Config } from './config';
import { createApp } from './http/app';
import { startColdWatch } from './jobs/coldWatch';
import { createMetrics } from './http/metrics';
import { LiveHub } from './http/live/liveHub';
import { addressFault } from './database/addressFault';
import { OTHER_PORT } from './ports.mjs';
import { openDatabase, type Database } from './database/database';
import { inTransaction } from './database/transaction';
import { startLearning } from './jobs/learning';
import { startNotifier, type Ways } from './jobs/notifier';
import { mailer } from './notify/mail';
import { newPushKeys, pusher } from './notify/push';
import { postWebhook } from './notify/webhook';
import { keepOutlets } from './store/access/installation';
import { databaseReadiness } from './database/readiness';
import { readyThreads, stopThreads } from './workers/threads';
import { issueSetupCodes, type SetupCode } from './use-cases/access/setupCode';

/** A server that listens. */
export interface Serving {
  readonly url: string;
  /** For houses that never had an owner: with these their owners begin. */
  readonly setupCodes: readonly SetupCode[];
  /** Takes no new work, finishes what runs, closes the database. */
  stop(): Promise<void>;
}

/** Longest that a request may take to come in whole, and its head alone, ms: slower ones hold a place for nothing. */
const REQUEST_MS = 60_000;
const HEADERS_MS = 10_000;
/** A connection on which nothing is asked stays so long, ms: longer than proxies keep theirs, or they would ask on closed ones. */
const IDLE_MS = 75_000;
/** Longest wait for running requests when stopping, ms. */
const STOP_WITHIN_MS = 10_000;

/**
 * Starts serving.
 *
 * @throws StartError with one sentence when the port or the database is not to be had
 */
export async function serve(config: Config): Promise<Serving> {
  const log = pino({ level: config.logLevel });
  const { db, pool } = openDatabase(config.databaseUrl);
  const live = new LiveHub(db, log);
  let isTakingWork = false;
  const clock = config.ownNow ? ownClock(config.ownNow, config.clockSpeed) : systemClock;
  const database = () => databaseReadiness(config.databaseUrl);
  const metrics =
    config.metricsPort === null ? null : createMetrics({ database, liveLines: () => live.lines });
  const app = createApp({
    db,
    log,
    live,
    clock,
    site: config.site,
    webDir: config.webDir,
    health: { isTakingWork: () => isTakingWork, database },
    counts: metrics?.counts ?? null,
  });
  const server = config.tls ? createTlsServer(tlsFiles(config.tls), app) : createServer(app);
  const metricsServer = metrics && createServer(metrics.app);
  server.requestTimeout = REQUEST_MS;
  server.headersTimeout = HEADERS_MS;
  server.keepAliveTimeout = IDLE_MS;
  const origin = config.site.origin ?? urlOf(config);
  let begun: readonly [readonly SetupCode[], Ways];
  try {
    await pool.query('select 1 from houses limit 1');
    // The port first: where another server has it, its set-up codes stay good.
    await listen(server, config.host, config.port);
    if (metricsServer && config.metricsPort !== null)
      await listen(metricsServer, config.host, config.metricsPort);
    begun = [await issueSetupCodes(db), await waysOf(db, config, origin)];
  } catch (error) {
    metricsServer?.close();
    server.close();
    server.closeAllConnections();
    await pool.end();
    throw startError(error, config);
  }
  const [setupCodes, ways] = begun;
  isTakingWork = true;
  readyThreads().catch((error: unknown) => log.warn({ err: error }, 'no thread is ready'));
  // A clock of its own is for tests, pictures and practice: nobody is told of probes that such a clock outruns.
  const stopWatching = config.ownNow
    ? () => Promise.resolve()
    : startColdWatch(db, clock, log, () => live.nudge());
  const stopLearning = config.ownNow
    ? () => Promise.resolve()
    : startLearning(db, clock, log, () => live.nudge());
  const stopTelling = startNotifier(db, clock, log, ways, () => live.nudge());
  return {
    setupCodes,
    url: urlOf(config),
    stop: async () => {
      isTakingWork = false;
      await stopWatching();
      await stopLearning();
      await stopTelling();
      await live.stop();
      metricsServer?.close();
      metricsServer?.closeAllConnections();
      const hurry = setTimeout(() => server.closeAllConnections(), STOP_WITHIN_MS);
      await new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeIdleConnections();
      });
      clearTimeout(hurry);
      await stopThreads();
      await pool.end();
    },
  };
}

const urlOf = ({ tls, host, port }: Config): string =>
  `${tls ? 'https' : 'http'}://${host}:${port}`;

/** The ways by which people and programs are told of alarms. Browsers are told by keys of this server's own. */
async function waysOf(db: Database, { tell }: Config, origin: string): Promise<Ways> {
  const { mail, mayBeInside } = tell;
  const keys = await inTransaction(db, (tx) => keepOutlets(tx, newPushKeys(), mail?.from ?? null));
  const whose = origin.startsWith('https:') ? origin : `mailto:${mail?.from ?? 'nobody@localhost'}`;
  return {
    origin,
    mail: mail && mailer(mail),
    push: pusher(keys, whose, mayBeInside),
    webhook: (target, id, content) => postWebhook(target, id, content, mayBeInside),
  };
}

/** @throws StartError when a file is not to be read */
function tlsFiles({ cert, key }: NonNullable<Config['tls']>) {
  try {
    return { cert: readFileSync(cert), key: readFileSync(key) };
  } catch (error) {
    throw new StartError(`Cannot read the certificate or its key: ${(error as Error).message}.`);
  }
}

function listen(server: Server, host: string, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      server.off('error', reject);
      resolve();
    });
  });
}

function startError(error: unknown, config: Config): unknown {
  const { code, port = config.port } = error as NodeJS.ErrnoException & { port?: number };
  if (code === 'EADDRINUSE') {
    return new StartError(
      `Port ${port} is already in use. Stop what uses it, or choose another, such as PORT=${OTHER_PORT}.`,
    );
  }
  if (code === 'EACCES')
    return new StartError(`No right to listen on port ${port}. Choose one over 1024.`);
  const fault = addressFault(error, config.databaseUrl);
  return fault === null ? error : new StartError(fault);
}
