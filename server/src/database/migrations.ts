import { migrate as runMigrations } from 'drizzle-orm/mysql2/migrator';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { MIGRATIONS } from '../resources';
import type { Database } from './database';

const FOLDER = fileURLToPath(MIGRATIONS);

interface Journal {
  readonly entries: readonly object[];
}
const readJournal = (folder: string) =>
  JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as Journal;

/** How many changes of the tables this version knows. */
export const knownMigrations = (): number => readJournal(FOLDER).entries.length;

/** Brings the tables up to date from the committed SQL. */
export async function migrate(db: Database): Promise<void> {
  await runMigrations(db, { migrationsFolder: FOLDER });
}

/** Makes the tables as they were after so many changes. */
export async function migrateUpTo(db: Database, count: number): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'calm-restore-'));
  try {
    cpSync(FOLDER, folder, { recursive: true });
    const journal = readJournal(folder);
    const entries = journal.entries.slice(0, count);
    writeFileSync(join(folder, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }));
    await runMigrations(db, { migrationsFolder: folder });
  } finally {
    rmSync(folder, { recursive: true });
  }
}
