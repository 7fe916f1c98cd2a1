import {
  paths,
  type Handover,
  type LogPage,
  type Lot,
  type LotLog,
  type LotRecord,
  type Mark,
  type RecordContent,
} from '@calm/contract';
import { currentRecords } from '@calm/domain';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { eq } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import * as t from '../database/schema';
import { aJpeg } from '../test-support/photo';
import {
  HOUSE,
  NOW,
  problemOf,
  roundStart,
  signedIn,
  startHouse,
  stepOf,
} from '../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
let lot: Lot;
beforeAll(async () => {
  house = await startHouse();
  const res = await house.http.post(paths.startLot(HOUSE)).send(roundStart(await house.book()));
  lot = res.body as Lot;
});
afterAll(() => house.drop());

const EARLIER = '2026-11-25T14:31:00.000Z';
const mark = (body: object, step = stepOf(lot, 0)) =>
  house.http.put(paths.changeMark(HOUSE, lot.id, 0, step)).send(body);
const add = (content: RecordContent, more: object = {}) =>
  house.http.post(paths.addLotRecord(HOUSE, lot.id)).send({ id: randomUUID(), content, ...more });

describe('a step', () => {
  it('is begun, given two more minutes, handed on, and done when the device says', async () => {
    const [person] = (await house.book()).people;
    expect((await mark({ isStarted: true, at: EARLIER, version: 0 })).body).toMatchObject({
      startedAt: EARLIER,
      doneAt: null,
      version: 1,
    });
    expect((await mark({ extraMin: 2, version: 1 })).body).toMatchObject({ extraMin: 2 });
    const handed = await mark({ personId: person?.id, version: 2 });
    expect(handed.body).toMatchObject({ personId: person?.id, startedAt: EARLIER, extraMin: 2 });
    const done = await mark({ isDone: true, at: '2026-11-25T14:36:00.000Z', version: 3 });
    expect((done.body as Mark).doneAt).toBe('2026-11-25T14:36:00.000Z');
    const [found] = await house.lots('2026-11-29', 1);
    expect(found?.marks).toEqual([done.body]);
  });

  it('is skipped with a reason, and opened again without it', async () => {
    const skipped = await mark({ skippedWhy: 'Bowl was cold enough', version: 0 }, stepOf(lot, 1));
    expect(skipped.body).toMatchObject({ skippedWhy: 'Bowl was cold enough', doneAt: NOW });
    const open = await mark({ isDone: false, version: 1 }, stepOf(lot, 1));
    expect(open.body).toMatchObject({ skippedWhy: null, doneAt: null });
  });

  it('is never done in the time to come, nor more than a month ago, nor by nobody', async () => {
    const preferments = await mark(
      { isDone: true, at: '2027-01-01T00:00:00.000Z', version: 0 },
      stepOf(lot, -1),
    );
    expect((preferments.body as Mark).doneAt).toBe(NOW);
    const old = await mark(
      { isDone: true, at: '2026-10-01T00:00:00.000Z', version: 1 },
      stepOf(lot, -1),
    );
    expect(problemOf(old).errors).toMatchObject([{ path: 'at', code: 'at.too-old' }]);
    const nobody = '00000000-0000-4000-8000-000000000000';
    const handed = await mark({ personId: nobody, version: 1 }, stepOf(lot, -1));
    expect(problemOf(handed).errors).toMatchObject([{ path: 'personId' }]);
    expect((await mark({ version: 1 }, stepOf(lot, -1))).status).toBe(400);
  });
});

describe('what is seen and measured', () => {
  it('is kept with who and when, and read with its lot', async () => {
    const tilde = house.as(await signedIn(house.db, HOUSE, 'Tilde'));
    const content = { kind: 'looked', found: 'early', coreTempC: 9.5, note: '' } as const;
    const res = await tilde
      .post(paths.addLotRecord(HOUSE, lot.id))
      .send({ id: randomUUID(), content, at: EARLIER });
    expect(res.status).toBe(201);
    const people = (await house.book()).people;
    const name = (id: string | null) => people.find((person) => person.id === id)?.name;
    const kept = res.body as LotRecord;
    expect([name(kept.personId), kept.at, kept.content]).toEqual(['Tilde', EARLIER, content]);
    expect(await house.get(paths.lotRecords(HOUSE, lot.id))).toContainEqual(kept);
    expect(await house.get(paths.records(HOUSE, { from: '2026-11-29', days: 1 }))).toContainEqual(
      kept,
    );
  });

  it('takes every measure of the bench', async () => {
    const measures: RecordContent[] = [
      { kind: 'risen', on: 'tub', from: 250.9, now: 300, note: '' },
      { kind: 'risen', on: 'ball', from: 90, now: 110, note: '' },
      { kind: 'core', coreTempC: 6.5, note: '' },
      { kind: 'checked', check: 'poke', answer: 'slowly', note: '' },
    ];
    for (const content of measures) {
      expect([content.kind, (await add(content)).status]).toEqual([content.kind, 201]);
    }
  });

  it('takes what was decided, with where and until when', async () => {
    const stage = {
      kind: 'ball',
      place: 'Walk-in',
      airTempC: 3.5,
      container: 'lidded-tray',
      isBalledAgain: false,
      untilAt: EARLIER,
    } as const;
    const meant = { opensAt: EARLIER, endsAt: EARLIER, balls: 54, odds: 0.8 };
    const way = { do: 'chill', where: 'Walk-in', fromAt: EARLIER, stages: [stage], meant } as const;
    const kept = await add({ kind: 'decided', ...way, note: '' });
    expect(kept.status).toBe(201);
    for (const wrong of [
      { do: 'freeze' },
      { stages: [{ ...stage, airTempC: 80 }] },
      { meant: { ...meant, odds: 3 } },
    ]) {
      const content = { kind: 'decided', ...way, ...wrong, note: '' } as unknown as RecordContent;
      expect((await add(content)).status).toBe(400);
    }
  });

  it('sends single weights with their own lot alone', async () => {
    const productId = lot.items[0]?.productId ?? '';
    const piece = (await add({ kind: 'piece', productId, grams: 276 })).body as LotRecord;
    expect(await house.get(paths.lotRecords(HOUSE, lot.id))).toContainEqual(piece);
    expect(
      await house.get(paths.records(HOUSE, { from: '2026-11-29', days: 1 })),
    ).not.toContainEqual(piece);
  });

  it('is corrected once, by one of its kind, and stays as it was', async () => {
    const wrong = (await add({ kind: 'opened', found: 'tears', note: '' })).body as LotRecord;
    const other = await add({ kind: 'said', note: 'no' }, { correctsId: wrong.id });
    expect(problemOf(other).errors).toMatchObject([{ code: 'kind.other' }]);
    const right = await add({ kind: 'opened', found: 'well', note: '' }, { correctsId: wrong.id });
    expect(right.status).toBe(201);
    const twice = await add({ kind: 'opened', found: 'slack', note: '' }, { correctsId: wrong.id });
    expect(problemOf<LotRecord>(twice)).toMatchObject({
      type: '/problems/stale',
      current: { id: (right.body as LotRecord).id },
    });
    const records = await house.get<LotRecord[]>(paths.lotRecords(HOUSE, lot.id));
    expect(records.filter(({ content }) => content.kind === 'opened')).toHaveLength(2);
  });

  it('is taken back when it was a slip; what is weighed and pulled is not, as sums hang on it', async () => {
    const takeBack = (correctsId?: string) =>
      add({ kind: 'taken-back' }, { ...(correctsId !== undefined && { correctsId }) });
    const slip = (await add({ kind: 'baked', found: 'gummy', note: '' })).body as LotRecord;
    expect((await takeBack(slip.id)).status).toBe(201);
    const records = await house.get<LotRecord[]>(paths.lotRecords(HOUSE, lot.id));
    expect(currentRecords(records, 'baked').map(({ id }) => id)).not.toContain(slip.id);
    expect(records.map(({ id }) => id)).toContain(slip.id);
    expect(problemOf(await takeBack()).errors).toMatchObject([{ code: 'id.unknown' }]);
    const productId = lot.items[0]?.productId ?? '';
    const piece = (await add({ kind: 'piece', productId, grams: 276 })).body as LotRecord;
    expect(problemOf(await takeBack(piece.id)).errors).toMatchObject([{ code: 'kind.other' }]);
  });

  it('has one name, and no second record takes it', async () => {
    const id = randomUUID();
    expect((await add({ kind: 'said', note: 'once' }, { id })).status).toBe(201);
    const again = await add({ kind: 'said', note: 'twice' }, { id });
    expect(problemOf(again).errors).toMatchObject([{ code: 'id.taken' }]);
  });

  it('is refused half said, and of a lot that is not there', async () => {
    const bad = { kind: 'pulled', productId: 'round', trays: -1 } as unknown as RecordContent;
    expect((await add(bad)).status).toBe(400);
    const nowhere = paths.lotRecords(HOUSE, '00000000-0000-4000-8000-000000000000');
    const res = await house.http
      .post(nowhere)
      .send({ id: randomUUID(), content: { kind: 'said', note: 'Who has the scraper?' } });
    expect(res.status).toBe(404);
  });
});

describe('a photo', () => {
  let jpeg: Buffer;
  beforeAll(async () => {
    jpeg = await aJpeg();
  });
  const put = (bytes: Buffer, id = randomUUID()) =>
    house.http
      .post(paths.addPhoto(HOUSE, lot.id))
      .send({ id, note: 'Bubbles', jpeg: bytes.toString('base64') });

  it('is kept with its record, and given back as a picture and nothing else', async () => {
    const kept = (await put(jpeg)).body as LotRecord;
    expect(kept.content).toEqual({ kind: 'photo', photoId: kept.id, note: 'Bubbles' });
    const seen = await house.http.get(paths.photo(HOUSE, kept.id));
    expect(seen.headers['content-type']).toBe('image/jpeg');
    expect(seen.headers['x-content-type-options']).toBe('nosniff');
    // What its camera wrote beside the pixels is gone.
    expect((await sharp(jpeg).metadata()).exif).toBeDefined();
    const meta = await sharp(seen.body as Buffer).metadata();
    expect([meta.format, meta.width, meta.height, meta.exif]).toEqual(['jpeg', 40, 30, undefined]);
    expect((await house.http.get(paths.photo('other-yard', kept.id))).status).toBe(404);
    expect((await house.as(null).get(paths.photo(HOUSE, kept.id))).status).toBe(401);
  });

  it('carries nothing but its pixels: no page behind the picture', async () => {
    const both = Buffer.concat([jpeg, Buffer.from('<script>alert(1)</script>')]);
    const { id } = (await put(both)).body as LotRecord;
    const seen = await house.http.get(paths.photo(HOUSE, id));
    expect((seen.body as Buffer).includes('<script>')).toBe(false);
    const hollow = Buffer.concat([
      Buffer.from([0xff, 0xd8, 0xff, 0xe0]),
      Buffer.from([0xff, 0xd9]),
    ]);
    expect((await put(hollow)).status).toBe(400);
  });

  it('is a JPEG of a size that can be kept', async () => {
    const page = await put(Buffer.from('<script>alert(1)</script>'));
    expect(problemOf(page).errors).toMatchObject([{ path: 'jpeg', code: 'photo.kind' }]);
    const large = Buffer.concat([jpeg.subarray(0, 8), Buffer.alloc(600_000), jpeg.subarray(8)]);
    expect((await put(large)).status).toBe(400);
    const id = randomUUID();
    expect((await put(jpeg, id)).status).toBe(201);
    expect((await put(jpeg, id)).status).toBe(400);
  });
});

describe('a handover', () => {
  it('is kept, and read once', async () => {
    const start = {
      lines: [{ part: 'watch', text: 'SL-1125-A runs 20 min ahead' }],
      note: 'Flour stood by the oven',
    };
    const tilde = house.as(await signedIn(house.db, HOUSE, 'Tilde'));
    const kept = (await tilde.post(paths.addHandover(HOUSE)).send(start)).body as Handover;
    expect(kept).toMatchObject({ ...start, at: NOW, read: null });
    const wren = house.as(await signedIn(house.db, HOUSE, 'Wren'));
    const read = await wren.put(paths.markHandoverRead(HOUSE, kept.id));
    const again = await tilde.put(paths.markHandoverRead(HOUSE, kept.id));
    expect(again.body).toEqual(read.body);
    expect((read.body as Handover).read?.at).toBe(NOW);
    const [latest] = await house.get<Handover[]>(paths.handovers(HOUSE));
    expect(latest).toEqual(read.body);
  });

  it('can be deleted by whoever wrote it, until somebody has read it', async () => {
    const tilde = house.as(await signedIn(house.db, HOUSE, 'Tilde'));
    const wren = house.as(await signedIn(house.db, HOUSE, 'Wren'));
    const write = async (note: string) =>
      (await tilde.post(paths.addHandover(HOUSE)).send({ lines: [], note })).body as Handover;
    const slip = await write('To the wrong house');
    expect((await wren.delete(paths.withdrawHandover(HOUSE, slip.id))).status).toBe(409);
    expect((await tilde.delete(paths.withdrawHandover(HOUSE, slip.id))).body).toEqual(slip);
    expect((await tilde.delete(paths.withdrawHandover(HOUSE, slip.id))).status).toBe(404);
    const { id } = await write('Read by Wren');
    await wren.put(paths.markHandoverRead(HOUSE, id));
    expect((await tilde.delete(paths.withdrawHandover(HOUSE, id))).status).toBe(409);
    const notes = (await house.get<Handover[]>(paths.handovers(HOUSE))).map(({ note }) => note);
    expect(notes).toContain('Read by Wren');
    expect(notes).not.toContain('To the wrong house');
  });
});

describe('the log', () => {
  it('lists lots newest first, page by page, each once', async () => {
    const seen: string[] = [];
    let after: string | null = '';
    while (after !== null) {
      const page: LogPage = await house.get(paths.log(HOUSE, after === '' ? {} : { after }));
      seen.push(...page.lots.map(({ id }) => id));
      ({ after } = page);
    }
    expect(new Set(seen).size).toBe(seen.length);
    expect(seen.length).toBeGreaterThan(100);
    expect(seen[0]).toBe(lot.id);
  });

  it('finds by date, dough, words and outcome', async () => {
    const ask = async (query: Parameters<typeof paths.log>[1]) =>
      (await house.get<LogPage>(paths.log(HOUSE, query))).lots;
    const day = await ask({ from: '2026-11-29', to: '2026-11-29' });
    expect(day.map(({ id }) => id)).toEqual([lot.id]);
    expect(await ask({ from: '2026-11-29', formulaId: lot.recipe.formulaId })).toHaveLength(1);
    expect(await ask({ text: lot.code.slice(0, 7) })).toEqual(
      expect.arrayContaining([expect.objectContaining({ id: lot.id, opened: 'well' })]),
    );
    expect(await ask({ text: '%' })).toEqual([]);
    expect(await ask({ from: '2026-11-29', found: 'well' })).toHaveLength(1);
    expect(await ask({ from: '2026-11-29', found: 'blown' })).toEqual([]);
  });

  it('opens a lot with its plan, its loads and its records, taken back or not', async () => {
    const log = await house.get<LotLog>(paths.lotLog(HOUSE, lot.id));
    expect(log.planned?.length).toBe(lot.recipe.route.length);
    expect(log.planned?.at(-1)?.endMs).toBe(Date.parse(lot.doorsAt));
    expect(log.records.length).toBeGreaterThan(3);
    const byCode = paths.lotLog(HOUSE, lot.code.toLowerCase());
    expect((await house.get<LotLog>(byCode)).lot.id).toBe(lot.id);
    const back = { isWithdrawn: true, version: log.lot.version };
    await house.http.put(paths.withdrawLot(HOUSE, lot.id)).send(back);
    expect(await house.get(paths.lotLog(HOUSE, lot.id))).toMatchObject({ isWithdrawn: true });
    const again = { isWithdrawn: false, version: log.lot.version + 1 };
    await house.http.put(paths.withdrawLot(HOUSE, lot.id)).send(again);
  });

  it('goes out as a table that no program takes for sums', async () => {
    const csv = (await house.http.get(paths.logCsv(HOUSE, { from: '2026-11-29' }))).text;
    const [head, line] = csv.split('\r\n');
    expect(head).toBe('date,lot,made,off by °C,opened,baked,left,taken back');
    expect(line).toMatch(/^2026-11-29,YR-1125-B,120 Yard Round,,well,/);
  });

  it('goes out whole, part by part, each lot once', async () => {
    const [first] = await house.db.select().from(t.lots).where(eq(t.lots.id, lot.id));
    if (!first) throw new Error('there are lots');
    const many = Array.from({ length: 1100 }, (_, i) => ({
      ...first,
      id: `cccccccc-0000-4000-8000-${String(i).padStart(12, '0')}`,
      code: `ZZ-${i}`,
      serviceDate: '2025-01-01',
      activeKey: null,
    }));
    await house.db.insert(t.lots).values(many);
    const res = await house.http.get(paths.logCsv(HOUSE, { to: '2025-01-02' }));
    expect(res.headers['transfer-encoding']).toBe('chunked');
    const codes = res.text.match(/ZZ-\d+/g) ?? [];
    expect(new Set(codes).size).toBe(1100);
    expect(codes.length).toBe(1100);
    await house.db.delete(t.lots).where(eq(t.lots.serviceDate, '2025-01-01'));
  });
});
