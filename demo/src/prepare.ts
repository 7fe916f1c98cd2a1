import { ownClock, migrate, openDatabase, systemClock } from '@calm/server';
import { isLoaded, loadLanternYard } from './load';

/*
 * Migrates the database that DATABASE_URL names and loads the demo house if it is not there, or
 * afresh with --reset.
 */
const { DATABASE_URL, CALM_NOW } = process.env;
const { db, pool } = openDatabase(DATABASE_URL ?? '');
const clock = CALM_NOW ? ownClock(CALM_NOW) : systemClock;
try {
  await migrate(db);
  if (process.argv.includes('--reset') || !(await isLoaded(db))) {
    const { lots } = await loadLanternYard(db, { now: clock.now() });
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
