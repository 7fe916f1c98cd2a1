import { paths, type AuditEntry } from '@calm/contract';
import { loadLanternYard } from '@calm/demo';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020';
import { eq } from 'drizzle-orm';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { openPromise } from 'yauzl';
import { ZipFile } from 'yazl';
import { adminMain } from '../admin';
import * as schema from '../database/schema';
import { aJpeg } from '../test-support/photo';
import {
  bareDatabase,
  freshDatabase,
  HOUSE,
  NOW,
  problemOf,
  startHouse,
  type TestHouse,
} from '../test-support/testHouse';
import { archiveHouse } from './archive';
import { archiveSchema } from './archiveSchema';

/** The files of an archive, by name. */
async function filesOf(file: string): Promise<Map<string, Buffer>> {
  const zip = await openPromise(file);
  const files = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry())
    files.set(entry.fileName, await buffer(await zip.openReadStreamPromise(entry)));
  return files;
}

/** What must be the same wherever the house is: all but what the archive says of its own moment. */
const contentOf = (files: ReadonlyMap<string, Buffer>) =>
  Object.fromEntries(
    [...files].flatMap(([name, bytes]) =>
      name === 'manifest.json' ? [] : [[name, bytes.toString('base64')]],
    ),
  );

describe('an archive of a house', () => {
  let house: TestHouse;
  let folder: string;
  let file: string;
  let files: Map<string, Buffer>;
  const drops: (() => Promise<unknown>)[] = [];
  const keep = <D extends { readonly drop: () => Promise<unknown> }>(database: D): D => {
    drops.push(database.drop);
    return database;
  };
  const admin = (url: string, ...args: readonly string[]) => adminMain(args, { DATABASE_URL: url });
  beforeAll(async () => {
    house = await startHouse();
    folder = mkdtempSync(join(tmpdir(), 'calm-archive-'));
    file = join(folder, 'yard.zip');
    const [lot] = await house.lots();
    await house.http
      .post(paths.addPhoto(HOUSE, lot?.id ?? ''))
      .send({ id: randomUUID(), note: '', jpeg: (await aJpeg()).toString('base64') })
      .expect(201);
    await house.http
      .post(paths.issueMachine(HOUSE))
      .send({ kind: 'till', name: 'Counter', probeId: null })
      .expect(201);
    await admin(house.url, 'archive', HOUSE, file);
    files = await filesOf(file);
  });
  afterAll(async () => {
    for (const drop of drops) await drop();
    await house.drop();
    rmSync(folder, { recursive: true });
  });

  it('is written by the published schema, every line of every table', () => {
    const published = new URL('../../../docs/formats/archive.schema.json', import.meta.url);
    expect(JSON.parse(readFileSync(published, 'utf8'))).toEqual(archiveSchema());
    const ajv = new Ajv2020({ strict: false, validateFormats: false });
    ajv.addSchema(archiveSchema(), 'archive');
    const manifest: unknown = JSON.parse(String(files.get('manifest.json')));
    expect([ajv.validate('archive', manifest), ajv.errors]).toEqual([true, null]);
    for (const [name, bytes] of files) {
      const [, table] = /^tables\/(\w+)\.jsonl$/.exec(name) ?? [];
      if (!table) continue;
      const isLine = ajv.getSchema(`archive#/$defs/${table}`);
      const wrong = String(bytes)
        .split('\n')
        .filter((line) => line !== '')
        .find((line) => !isLine?.(JSON.parse(line)));
      expect([table, wrong, isLine?.errors ?? null]).toEqual([table, undefined, null]);
    }
  });

  it('holds this house and no other, and no secret', () => {
    const all = [...files.values()].map(String).join('\n');
    expect(all).toContain('Lantern Yard');
    expect(all).not.toMatch(/other-yard|Other Yard|argon2|token_hash|demoSecrets|ostrel harbour/);
    expect([...files.keys()].filter((name) => name.startsWith('photos/'))).toHaveLength(1);
    expect(String(files.get('csv/log.csv')).split('\r\n').length).toBeGreaterThan(20);
  });

  it('gives the same house in an empty database, where its manager comes in by a new password', async () => {
    const { url } = keep(await bareDatabase());
    const told = await admin(url, 'bring-in', file);
    expect(told).toMatch(
      /^Lantern Yard is here, \d+ rows: \/lantern-yard\/tonight\nMaro comes in with: \w{16}$/,
    );
    const again = join(folder, 'again.zip');
    await admin(url, 'archive', HOUSE, again);
    const before = contentOf(files);
    const after = contentOf(await filesOf(again));
    // The new password is on record.
    const lines = (text = '') => Buffer.from(text, 'base64').toString().trim().split('\n');
    const [audit, more] = [before, after].map((all) => lines(all['tables/audit.jsonl']));
    expect(more?.slice(0, audit?.length)).toEqual(audit);
    const changed = ['audit', 'house_heads', 'people'].map((name) => `tables/${name}.jsonl`);
    const others = (all: object) => Object.entries(all).filter(([name]) => !changed.includes(name));
    expect(others(after)).toEqual(others(before));
    expect(await admin(url, 'verify-audit', HOUSE)).toMatch(/^All \d+ lines/);
    expect(await admin(url, 'houses')).toMatch(
      /^lantern-yard {2}Lantern Yard: \d+ people, \d+ lots$/,
    );
  });

  it('goes beside other houses, with its probes’ readings still its own', async () => {
    const other = keep(await freshDatabase());
    await loadLanternYard(other.db, {
      now: new Date(NOW),
      slug: 'other',
      name: 'Other',
      weeks: 1,
      readingDays: 1,
    });
    await admin(other.url, 'bring-in', file);
    await expect(admin(other.url, 'bring-in', file)).rejects.toThrow(
      /house lantern-yard in that database already/,
    );
    const again = join(folder, 'beside.zip');
    await admin(other.url, 'archive', HOUSE, again);
    const readingsOf = (text = '') =>
      text
        .trim()
        .split('\n')
        .map((line) => JSON.parse(line) as { at_s: number; centi_c: number })
        .map(({ at_s: at, centi_c: c }) => `${at} ${c}`);
    const beside = await filesOf(again);
    const name = 'tables/readings.jsonl';
    expect(readingsOf(String(beside.get(name)))).toEqual(readingsOf(String(files.get(name))));
    expect(readingsOf(String(files.get(name))).length).toBeGreaterThan(1000);
  });

  it('that is none, damaged or of a later version is refused in a sentence and changes nothing', async () => {
    const { url } = keep(await bareDatabase());
    const wrong = async (name: string, change: (files: Map<string, Buffer>) => void) => {
      const own = new Map(files);
      change(own);
      const at = join(folder, `${name}.zip`);
      const zip = new ZipFile();
      for (const [each, bytes] of own) zip.addBuffer(bytes, each);
      zip.end();
      writeFileSync(at, await buffer(zip.outputStream));
      return at;
    };
    const inManifest = (from: RegExp, to: string) => (all: Map<string, Buffer>) =>
      void all.set(
        'manifest.json',
        Buffer.from(String(all.get('manifest.json')).replace(from, to)),
      );
    writeFileSync(join(folder, 'text.zip'), 'hello');
    const photo = [...files.keys()].find((name) => name.startsWith('photos/')) ?? '';
    const cases: readonly (readonly [string, RegExp])[] = [
      [join(folder, 'none.zip'), /cannot be read \(ENOENT\)/],
      [join(folder, 'text.zip'), /is no archive of a house/],
      [await wrong('other', (all) => all.delete('manifest.json')), /is no archive of a house/],
      [
        await wrong('later', inManifest(/"migrations":\d+/, '"migrations":999')),
        /of a later version/,
      ],
      [
        await wrong('newer', inManifest(/"version":1/, '"version":2')),
        /written by a later version/,
      ],
      [
        await wrong('short', (all) => void all.set('tables/lots.jsonl', Buffer.from(''))),
        /is damaged/,
      ],
      [
        await wrong('bent', (all) => void all.set('tables/lots.jsonl', Buffer.from('{'))),
        /is damaged/,
      ],
      [await wrong('sly', inManifest(/"lots":\{/, '"lots` set `x":{')), /is damaged/],
      [await wrong('photo', (all) => all.delete(photo)), /is damaged/],
    ];
    for (const [at, sentence] of cases)
      await expect(admin(url, 'bring-in', at)).rejects.toThrow(sentence);
    const connection = await createConnection(url);
    const [tables] = await connection.query('show tables');
    await connection.end();
    expect(tables).toEqual([]);
  });

  it('leaves nothing half written where there is no room, or no folder', async () => {
    const full = join(folder, 'full.zip');
    symlinkSync('/dev/full', `${full}.part`);
    await expect(admin(house.url, 'archive', HOUSE, full)).rejects.toThrow(
      /^No room left for .*full/,
    );
    expect([existsSync(full), existsSync(`${full}.part`)]).toEqual([false, false]);
    const nowhere = join(folder, 'no/such/folder.zip');
    await expect(admin(house.url, 'archive', HOUSE, nowhere)).rejects.toThrow(/cannot be written/);
  });

  it('is taken one at a time, so that work goes on meanwhile', async () => {
    const [own] = await house.db.select().from(schema.houses).where(eq(schema.houses.slug, HOUSE));
    if (!own) throw new Error('the demo house is there');
    const first = await archiveHouse(house.db, own, new Date(NOW));
    const second = await house.http.get(paths.houseArchive(HOUSE));
    expect([second.status, second.get('Retry-After')]).toEqual([503, '2']);
    expect((await house.http.get(paths.book(HOUSE))).status).toBe(200);
    // Whoever breaks off leaves the way free.
    first.destroy();
    await new Promise((resolve) => first.once('close', resolve));
    await house.http.get(paths.houseArchive(HOUSE)).expect(200);
  });

  it('comes by the page, for whoever looks after the house', async () => {
    const res = await house.http
      .get(paths.houseArchive(HOUSE))
      .buffer()
      .parse((stream, done) => {
        const parts: Buffer[] = [];
        stream.on('data', (part: Buffer) => parts.push(part));
        stream.on('end', () => done(null, Buffer.concat(parts)));
      });
    expect(res.status).toBe(200);
    expect(res.headers['content-disposition']).toBe('attachment; filename=lantern-yard.zip');
    const [last] = (await house.http.get(paths.audit(HOUSE))).body as AuditEntry[];
    expect(last).toMatchObject({ path: '/archive.zip', method: 'GET', permission: 'see' });
    expect(last?.personId).not.toBeNull();
    const at = join(folder, 'page.zip');
    writeFileSync(at, res.body as Buffer);
    expect([...(await filesOf(at)).keys()]).toEqual([...files.keys()]);
  });
});

describe('erasing a house', () => {
  it('takes its name, waits two weeks in which it can be kept, and then leaves nothing', async () => {
    const house = await startHouse();
    const admin = (...args: readonly string[]) => adminMain(args, { DATABASE_URL: house.url });
    const put = (name: string) => house.http.put(paths.eraseHouse(HOUSE)).send({ name });
    const refused = await put('Lantern');
    expect(problemOf(refused).errors).toMatchObject([{ path: 'name', code: 'house.name' }]);
    const wished = await put('Lantern Yard');
    expect(wished.body).toMatchObject({ slug: HOUSE, eraseOn: '2026-12-09' });
    expect(await admin('houses')).toMatch(/Lantern Yard: .*, to be erased on 2026-12-09$/m);
    expect((await house.http.delete(paths.keepHouse(HOUSE))).body).toMatchObject({ eraseOn: null });

    await house.http.put(paths.eraseHouse(HOUSE)).send({ name: 'Lantern Yard' }).expect(200);
    const rows = async () => {
      const connection = await createConnection(house.url);
      const [[row]] = await connection.query<RowDataPacket[]>(
        `select (select count(*) from audit) audit, (select count(*) from readings) readings,
                (select count(*) from lots) lots, (select count(*) from houses) houses`,
      );
      await connection.end();
      return row as Readonly<Record<string, number>>;
    };
    const before = await rows();
    await house.db
      .update(schema.houses)
      .set({ eraseOn: '2026-11-01' })
      .where(eq(schema.houses.slug, HOUSE));
    expect(await admin('erase-due')).toBe('Lantern Yard is erased.');
    expect(await admin('erase-due')).toBe('No house is due.');
    const after = await rows();
    expect(after['houses']).toBe((before['houses'] ?? 0) - 1);
    for (const table of ['audit', 'readings', 'lots'])
      expect(after[table]).toBeLessThan(before[table] ?? 0);
    await expect(admin('erase', 'other-yard')).rejects.toThrow(/for-good/);
    expect(await admin('erase', 'other-yard', 'for-good')).toBe('Other Yard is erased.');
    expect(Object.values(await rows())).toEqual([0, 0, 0, 0]);
    expect(await admin('houses')).toBe('There is no house yet.');
    await house.drop();
  });
});
