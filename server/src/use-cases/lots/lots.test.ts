import { paths, type LoadRecord, type Lot, type Mark, type MixerFriction } from '@calm/contract';
import { emptyMark } from '@calm/domain';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HOUSE, NOW, problemOf, roundStart, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

async function started(serviceDate: string): Promise<Lot> {
  const start = roundStart(await house.book(), { serviceDate });
  const res = await house.http.post(paths.startLot(HOUSE)).send(start);
  if (res.status !== 201) throw new Error(res.text);
  return res.body as Lot;
}

describe('starting a lot', () => {
  it('freezes recipe and counts, splits loads and gives a code', async () => {
    const lot = await started('2026-12-02');
    expect(lot).toMatchObject({
      // The house has begun one of this dough today already.
      code: 'YR-1125-B',
      startedAt: NOW,
      doorsAt: '2026-12-02T11:00:00.000Z',
      closeAt: '2026-12-02T21:30:00.000Z',
      items: [{ name: 'Yard Round', count: 120, ballWeightG: 275 }],
    });
    expect(lot.loads).toHaveLength(1);
    expect(lot.recipe.formula.waterPercent).toBe(62);
    expect(await house.get(paths.lot(HOUSE, lot.id))).toEqual(lot);
  });

  it('calls no two lots alike that are begun on one day, whatever day they are for', async () => {
    const book = await house.book();
    const dates = ['2026-12-19', '2026-12-20', '2026-12-23', '2026-12-24'];
    const begun = await Promise.all(
      dates.map((serviceDate) =>
        house.http.post(paths.startLot(HOUSE)).send(roundStart(book, { serviceDate })),
      ),
    );
    const codes = begun.map(({ body }) => (body as Lot).code);
    expect(new Set(codes).size).toBe(dates.length);
    for (const code of codes) expect(code).toMatch(/^YR-1125-[C-Z]$/);
  });

  it('is refused while the dough is under way for that date, and shows the lot', async () => {
    const lot = await started('2026-12-03');
    const again = roundStart(await house.book(), { serviceDate: '2026-12-03' });
    const res = await house.http.post(paths.startLot(HOUSE)).send(again);
    expect(res.status).toBe(409);
    expect(problemOf<Lot>(res)).toMatchObject({
      type: '/problems/already-started',
      current: { id: lot.id },
    });
  });

  it('makes one lot of many starts at the same moment', async () => {
    const start = roundStart(await house.book(), { serviceDate: '2026-12-04' });
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => house.http.post(paths.startLot(HOUSE)).send(start)),
    );
    expect(answers.filter((res) => res.status === 201)).toHaveLength(1);
    expect(answers.filter((res) => res.status === 409)).toHaveLength(7);
    expect(await house.lots('2026-12-04', 1)).toHaveLength(1);
  });

  it('says why when no mixer load fits', async () => {
    const start = roundStart(await house.book(), { serviceDate: '2026-12-05' });
    const items = start.items.map((item) => ({ ...item, count: 3 }));
    const res = await house.http.post(paths.startLot(HOUSE)).send({ ...start, items });
    expect(res.status).toBe(422);
    expect(problemOf(res).reasons).toMatchObject([
      { kind: 'load-below-least', minDoughKg: 6, nearest: [{ loads: 1 }] },
    ]);
  });

  it('is refused on a day without a service, and for a product of another dough', async () => {
    const book = await house.book();
    const monday = await house.http
      .post(paths.startLot(HOUSE))
      .send(roundStart(book, { serviceDate: '2026-11-30' }));
    expect(monday.status).toBe(404);
    const slab = book.products.find((p) => p.slug === 'slab');
    const mixed = await house.http
      .post(paths.startLot(HOUSE))
      .send(roundStart(book, { items: [{ productId: slab?.id ?? '', count: 4 }] }));
    expect(problemOf(mixed).errors).toMatchObject([{ path: 'items/0/productId' }]);
  });
});

describe('withdrawing a lot', () => {
  it('takes it off the board, frees its dough, and can be undone', async () => {
    const lot = await started('2026-12-06');
    const url = paths.withdrawLot(HOUSE, lot.id);
    const gone = await house.http.put(url).send({ isWithdrawn: true, version: lot.version });
    expect(gone.body).toEqual({ isWithdrawn: true, version: 2 });
    expect(await house.lots('2026-12-06', 1)).toEqual([]);
    const back = await house.http.put(url).send({ isWithdrawn: false, version: 2 });
    expect(back.status).toBe(200);
    expect((await house.lots('2026-12-06', 1))[0]?.items).toEqual(lot.items);
  });

  it('cannot bring back a lot whose place is taken', async () => {
    const first = await started('2026-12-09');
    const url = paths.withdrawLot(HOUSE, first.id);
    await house.http.put(url).send({ isWithdrawn: true, version: 1 });
    const second = await started('2026-12-09');
    expect(second.code).not.toBe(first.code);
    const back = await house.http.put(url).send({ isWithdrawn: false, version: 2 });
    expect(problemOf<Lot>(back)).toMatchObject({ current: { id: second.id } });
  });

  it('leaves a 404 for whoever still had it open', async () => {
    const lot = await started('2026-12-10');
    await house.http.put(paths.withdrawLot(HOUSE, lot.id)).send({ isWithdrawn: true, version: 1 });
    const mark = await house.http
      .put(paths.changeMark(HOUSE, lot.id, 1, 'water-salt'))
      .send({ isDone: true, version: 0 });
    expect(mark.status).toBe(404);
    expect(problemOf(mark).detail).toBe('No lot with this address.');
  });
});

describe('a load', () => {
  it('asks for the water of its own temperatures', async () => {
    const lot = await started('2026-12-11');
    const [load] = lot.loads;
    const put = (body: object) => house.http.put(paths.changeLoad(HOUSE, lot.id, 1)).send(body);
    const temps = { roomTempC: 22, flourTempC: 27, tapTempC: 14, prefermentTempC: null };
    const warmer = await put({ ...temps, doughOutC: null, version: 1 });
    const record = warmer.body as LoadRecord;
    // By the mixer's own line: flour counts less than water.
    const colder = (load?.waterTempC ?? NaN) - record.waterTempC;
    expect(colder).toBeGreaterThan(2);
    expect(colder).toBeLessThan(6);
    const out = await put({ ...temps, doughOutC: 24.6, version: 2 });
    expect(out.body).toMatchObject({ doughOutC: 24.6, version: 3 });
    const stale = await put({ ...temps, doughOutC: 20, version: 2 });
    expect(problemOf(stale)).toMatchObject({ status: 409, current: { doughOutC: 24.6 } });
    const missing = await house.http
      .put(paths.changeLoad(HOUSE, lot.id, 9))
      .send({ ...temps, doughOutC: null, version: 1 });
    expect(missing.status).toBe(404);
  });
});

describe('a mark', () => {
  it('is made once, taken back, and tells a second hand', async () => {
    const lot = await started('2026-12-12');
    const put = (body: object) =>
      house.http.put(paths.changeMark(HOUSE, lot.id, 1, 'water-salt')).send(body);
    const tick = await put({ isDone: true, version: 0 });
    expect(tick.body).toEqual({ ...emptyMark(1, 'water-salt'), doneAt: NOW, version: 1 });
    expect((await put({ isDone: true, version: 0 })).status).toBe(409);
    const untick = await put({ isDone: false, version: 1 });
    expect((untick.body as Mark).doneAt).toBeNull();
  });
});

describe('what belongs to the whole lot', () => {
  it('has marks of its own: a proof test of yeast, the hours before doors; not of just anything', async () => {
    const lot = await started('2026-12-15');
    const put = (stepKey: string) =>
      house.http
        .put(paths.changeMark(HOUSE, lot.id, 0, stepKey))
        .send({ isDone: true, version: 0 });
    for (const key of ['yeast-proof', 'light-0-dinner', 'test-bake-0-dinner', '0-weigh']) {
      expect((await put(key)).status).toBe(200);
    }
    // This dough has no pre-ferment, so nothing is mixed ahead of it.
    for (const key of ['ahead-flour', 'light-dinner', 'anything']) {
      expect((await put(key)).status).toBe(404);
    }
  });

  it('has weights of what is mixed ahead, and what is known of its yeast, the last of it', async () => {
    const lot = await started('2026-12-16');
    const tell = async (content: object, correctsId?: string) => {
      const id = randomUUID();
      const res = await house.http
        .post(paths.addLotRecord(HOUSE, lot.id))
        .send({ id, content, ...(correctsId && { correctsId }) });
      expect(res.status).toBe(201);
      return id;
    };
    const weighed = { kind: 'weighed', key: 'water', grams: 4200, wantedG: 4000 };
    await tell({ ...weighed, loadNumber: 0 });
    const slip = await tell({ kind: 'yeast', openedOn: '2026-11-01', proof: null, note: '' });
    await tell({ kind: 'yeast', openedOn: '2026-11-01', proof: 'foam', note: '' }, slip);
    const now = (await house.get(paths.lot(HOUSE, lot.id))) as Lot;
    expect(now.weighed.map(({ content }) => content)).toEqual([{ ...weighed, loadNumber: 0 }]);
    expect(now.yeastPack?.content.proof).toBe('foam');
    await tell({ kind: 'taken-back' }, now.yeastPack?.id);
    expect(((await house.get(paths.lot(HOUSE, lot.id))) as Lot).yeastPack).toBeUndefined();
    const nowhere = await house.http
      .post(paths.addLotRecord(HOUSE, lot.id))
      .send({ id: randomUUID(), content: { ...weighed, loadNumber: 9 } });
    expect(nowhere.status).toBe(400);
  });
});

describe('a note', () => {
  it('keeps every script and emoji, and refuses control characters', async () => {
    const lot = await started('2026-12-13');
    const put = (body: object) => house.http.put(paths.changeNote(HOUSE, lot.id)).send(body);
    const note = 'Klæbrig 🌡️ 面团 — 10 min more';
    expect((await put({ note, version: 1 })).body).toMatchObject({ note, version: 2 });
    expect((await put({ note: 'bell \u0007', version: 2 })).status).toBe(400);
    expect((await put({ note: 'x'.repeat(501), version: 2 })).status).toBe(400);
    expect(problemOf<Lot>(await put({ note: 'mine', version: 1 }))).toMatchObject({
      current: { note },
    });
  });
});

describe('learned friction', () => {
  it('finds what the spiral really adds to each dough', async () => {
    const book = await house.book();
    const frictions = await house.get<MixerFriction[]>(paths.frictions(HOUSE));
    const byFormula = (slug: string) =>
      frictions.find((f) => f.formulaId === book.formulas.find((x) => x.slug === slug)?.id);
    expect(byFormula('yard-dough')?.frictionC).toBeCloseTo(15.4, 0);
    expect(byFormula('slab-dough')?.frictionC).toBeCloseTo(19.2, 0);
    // Its last ones.
    expect(byFormula('yard-dough')?.loads).toBe(40);
    const { wFlour = 0, wWater = 0, wRoom = 0 } = byFormula('yard-dough')?.line ?? {};
    expect(wWater).toBeGreaterThan(wRoom);
    expect(wFlour + wWater + wRoom).toBeCloseTo(1, 0);
  });
});
