import {
  grantLeastRights,
  ownClock,
  migrate,
  openDatabase,
  readConfig,
  serve,
  learnOnce,
  systemClock,
} from '@calm/server';
import { freePort } from '../../tools/processes.mjs';
import { planComingWeek } from './comingWeek';
import { lineTo } from './line';
import { isLoaded, loadLanternYard } from './load';

/*
 * Migrates the database that DATABASE_URL names and loads the demo house if it is not there, or
 * afresh with --reset: with ten weeks behind it, and its coming ones published by its manager.
 */
const { DATABASE_URL = '', DATABASE_APP_URL = DATABASE_URL, CALM_NOW } = process.env;
const { db, pool } = openDatabase(DATABASE_URL);
const clock = CALM_NOW ? ownClock(CALM_NOW) : systemClock;
try {
  await migrate(db);
  await grantLeastRights(db, DATABASE_URL, DATABASE_APP_URL);
  if (process.argv.includes('--reset') || !(await isLoaded(db))) {
    const { lots } = await loadLanternYard(db, { now: clock.now() });
    await atWork();
    process.stdout.write(`Lantern Yard is loaded, with ${lots} lots of history.\n`);
  } else {
    process.stdout.write('Lantern Yard is as you left it.\n');
  }
} catch (error) {
  const { message, cause } = error as Error;
  const why = cause instanceof Error ? cause.message : message;
  process.stderr.write(`The database could not be prepared: ${why}\n`);
  process.exitCode = 1;
} finally {
  await pool.end();
}

/** The manager plans over the house's own address, as people do. */
async function atWork(): Promise<void> {
  const port = (await freePort()) ?? 0;
  const env = { ...process.env, LOG_LEVEL: 'silent', HOST: '127.0.0.1', PORT: String(port) };
  const serving = await serve(readConfig(env));
  try {
    await planComingWeek(lineTo(serving.url, 'lantern-yard', 'Maro'), 'lantern-yard', clock.now());
    await learnOnce(db, clock.now());
  } finally {
    await serving.stop();
  }
}
