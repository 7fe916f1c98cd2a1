import { paths, type HouseBook, type Lot } from '@calm/contract';
import { afterEach, describe, expect, it } from '@jest/globals';
import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import request from 'supertest';
import { adminMain } from '../admin';
import {
  bareDatabase,
  HOUSE,
  openCopy,
  signedIn,
  startServerOn,
  TODAY,
} from '../test-support/testHouse';
import { restore } from './restore';

/*
 * One backup of each released version of the tables, named by the last of their changes; a new one is added with each
 * release. What a house kept then must be read by today's version.
 */
const RELEASES = new URL('./releases/', import.meta.url);
const files = readdirSync(RELEASES);

describe('a backup of an earlier release', () => {
  it('is there, of more than one', () => expect(files.length).toBeGreaterThan(1));

  let drop: (() => Promise<unknown>) | null = null;
  afterEach(async () => {
    await drop?.();
    drop = null;
  });

  it.each(files)('%s is upgraded, and its house works', async (file) => {
    const bare = await bareDatabase();
    drop = bare.drop;
    await restore(bare.url, fileURLToPath(new URL(file, RELEASES)), null);
    const server = startServerOn(await openCopy(bare));
    drop = server.drop;
    const http = request.agent(server.app).set('Cookie', await signedIn(server.db, HOUSE));
    const read = async <T>(path: string) => (await http.get(path).expect(200)).body as T;
    const book = await read<HouseBook>(paths.book(HOUSE));
    expect(book.mixers.map(({ outOfOrder }) => outOfOrder)).toEqual([null, null]);
    expect(book.products.map(({ name }) => name)).toContain('Yard Round');
    const lots = await read<Lot[]>(paths.lots(HOUSE, { from: TODAY, days: 2 }));
    expect(lots.length).toBeGreaterThan(0);
    for (const path of [
      paths.services(HOUSE, { from: TODAY, days: 7 }),
      paths.forecast(HOUSE, { from: TODAY, days: 7 }),
      paths.cold(HOUSE),
      paths.crew(HOUSE),
      paths.plan(HOUSE),
      paths.log(HOUSE, {}),
    ])
      await read(path);
    const verdict = await adminMain(['verify-audit', HOUSE], { DATABASE_URL: server.url });
    expect(verdict).toMatch(/^All \d+ lines of lantern-yard are as they were written/);
  });
});
