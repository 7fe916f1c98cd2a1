import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync, gunzipSync } from 'node:zlib';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { adminMain } from '../admin';
import { bareDatabase, freshDatabase, startHouse } from '../test-support/testHouse';
import { backUp } from './backup';
import { restore } from './restore';

const NOW = new Date('2026-11-29T02:10:00.000Z');

/** Every table with its sum. */
async function sums(url: string): Promise<Record<string, unknown>> {
  const connection = await createConnection(url);
  try {
    const [tables] = await connection.query<RowDataPacket[]>('show tables');
    const all: Record<string, unknown> = {};
    for (const row of tables) {
      const [name] = Object.values(row).map(String);
      if (!name || name === '__drizzle_migrations') continue;
      const [[sum]] = await connection.query<RowDataPacket[]>(`checksum table \`${name}\``);
      all[name] = sum?.['Checksum'];
    }
    return all;
  } finally {
    await connection.end();
  }
}

describe('a backup', () => {
  let house: Awaited<ReturnType<typeof startHouse>>;
  let folder: string;
  const drops: (() => Promise<unknown>)[] = [];
  beforeAll(async () => {
    house = await startHouse();
    folder = mkdtempSync(join(tmpdir(), 'calm-backup-'));
  });
  afterAll(async () => {
    for (const drop of drops) await drop();
    await house.drop();
    rmSync(folder, { recursive: true });
  });
  const bare = async () => {
    const database = await bareDatabase();
    drops.push(database.drop);
    return database.url;
  };

  it.each([null, 'a key that is kept elsewhere'])(
    'gives the same house on another server, every table and photo (key: %s)',
    async (key) => {
      const file = join(folder, `whole-${key === null}.backup`);
      const { rows } = await backUp(house.url, file, NOW, key);
      expect(rows).toBeGreaterThan(5000);
      const url = await bare();
      expect(await restore(url, file, key)).toEqual({ at: NOW.toISOString(), rows });
      expect(await sums(url)).toEqual(await sums(house.url));
      if (key === null) return;
      expect(readFileSync(file).includes('lantern')).toBe(false);
      await expect(restore(await bare(), file, null)).rejects.toThrow(
        /is encrypted: set CALM_BACKUP_KEY/,
      );
      const url2 = await bare();
      await expect(restore(url2, file, 'another key')).rejects.toThrow(
        /damaged, or .* another key/,
      );
      expect(await sums(url2)).toEqual({});
    },
  );

  it('that is damaged, cut short, of a later version or none at all changes nothing', async () => {
    const file = join(folder, 'good.backup');
    await backUp(house.url, file, NOW, null);
    const text = gunzipSync(readFileSync(file)).toString();
    const lines = text.split('\n');
    const wrong: readonly (readonly [string, string, RegExp])[] = [
      ['changed', text.replace('Lantern Yard', 'Lantern Yerd'), /is damaged/],
      ['shorter', `${lines.slice(0, 40).join('\n')}\n`, /is (cut short|damaged)/],
      ['later', text.replace(/"migrations":\d+/, '"migrations":999'), /of a later version/],
      ['newer', text.replace('"version":1', '"version":2'), /written by a later version/],
      ['other', '{"hello":1}\n', /no backup of Calm Tray/],
    ];
    for (const [name, content, sentence] of wrong) {
      const at = join(folder, `${name}.backup`);
      writeFileSync(at, gzipSync(content));
      const url = await bare();
      await expect(restore(url, at, null)).rejects.toThrow(sentence);
      expect(await sums(url)).toEqual({});
    }
    truncateSync(file, 20_000);
    await expect(restore(await bare(), file, null)).rejects.toThrow(/is (cut short|damaged)/);
    await expect(restore(await bare(), join(folder, 'none'), null)).rejects.toThrow(
      /cannot be read/,
    );
  });

  it('goes into no database that has a house, and into one that is only migrated', async () => {
    const file = join(folder, 'other.backup');
    await backUp(house.url, file, NOW, null);
    await expect(restore(house.url, file, null)).rejects.toThrow(/is not empty/);
    const migrated = await freshDatabase();
    drops.push(migrated.drop);
    await restore(migrated.url, file, null);
    expect(await sums(migrated.url)).toEqual(await sums(house.url));
  });

  it('leaves nothing half written where there is no room, or no folder', async () => {
    const file = join(folder, 'full.backup');
    symlinkSync('/dev/full', `${file}.part`);
    await expect(backUp(house.url, file, NOW, null)).rejects.toThrow(/^No room left for .*full/);
    expect([existsSync(file), existsSync(`${file}.part`)]).toEqual([false, false]);
    const nowhere = join(folder, 'no/such/folder.backup');
    await expect(backUp(house.url, nowhere, NOW, null)).rejects.toThrow(/cannot be written/);
  });

  it('of each night is kept for so many nights', async () => {
    const nights = mkdtempSync(join(folder, 'nights-'));
    const others = [
      'calm-tray-2026-11-27T0210.backup',
      'calm-tray-2026-11-28T0210.backup',
      'notes.txt',
    ];
    for (const name of others) writeFileSync(join(nights, name), '');
    const told = await adminMain(['backup-to', nights, '2'], { DATABASE_URL: house.url });
    expect(told).toMatch(/^\d+ rows of \d+ tables are in .*not encrypted\.$/);
    expect(existsSync(join(nights, others[0] ?? ''))).toBe(false);
    expect(existsSync(join(nights, others[1] ?? ''))).toBe(true);
    expect(existsSync(join(nights, 'notes.txt'))).toBe(true);
  });
});
