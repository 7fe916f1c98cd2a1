import {
  paths,
  STANDARD_COLD_RULES,
  type ColdAlarm,
  type ColdBoard,
  type ColdDay,
  type ColdNote,
  type ColdRecord,
  type Probe,
  type ReadingsStart,
  type ReadingsTaken,
} from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { eq, sql } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { lookOnce } from '../../jobs/coldWatch';
import * as t from '../../database/schema';
import { HOUSE, NOW, signedIn, startHouse, TODAY } from '../../test-support/testHouse';

const NOW_S = Date.parse(NOW) / 1000;
/** The cold of one house, by real requests against a real database. */
let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const board = () => house.get<ColdBoard>(paths.cold(HOUSE));
const post = async (start: ReadingsStart, slug = HOUSE): Promise<ReadingsTaken> => {
  const res = await house.http.post(paths.addReadings(slug)).send(start);
  if (res.status !== 200) throw new Error(`${res.status} ${res.text}`);
  return res.body as ReadingsTaken;
};
/** A probe of its own in the walk-in's middle, so that no test meets another's readings. */
async function newProbe(name: string): Promise<Probe> {
  const { places } = await house.book();
  const walkIn = places.find((place) => place.name === 'Walk-in');
  const content = { name, placeId: walkIn?.id, zone: 'middle', calibrations: [] };
  const res = await house.http.post(paths.addProbe(HOUSE)).send(content);
  expect(res.status).toBe(201);
  return res.body as Probe;
}
/** A reading each minute over some hours up to now. */
const minutes = (hours: number, airAt: (minutesAgo: number) => number) => {
  const ago = Array.from({ length: hours * 60 }, (_, i) => hours * 60 - i);
  return { atS: ago.map((m) => NOW_S - m * 60), airC: ago.map(airAt) };
};
const storedOf = async (name: string) => {
  const [row] = await house.db
    .select({
      readings: sql`count(*)`.mapWith(Number),
      sum: sql`coalesce(sum(${t.readings.centiC}), 0)`.mapWith(Number),
    })
    .from(t.readings)
    .innerJoin(t.probes, eq(t.probes.no, t.readings.probeNo))
    .where(eq(t.probes.name, name));
  return row;
};
const bucketsOf = (name: string) =>
  house.db
    .select({
      atS: t.readingBuckets.atS,
      n: t.readingBuckets.readings,
      sum: t.readingBuckets.sumCentiC,
    })
    .from(t.readingBuckets)
    .innerJoin(t.probes, eq(t.probes.no, t.readingBuckets.probeNo))
    .where(eq(t.probes.name, name))
    .orderBy(t.readingBuckets.atS);

describe('readings', () => {
  it('that come twice, late or in another order change nothing twice', async () => {
    await newProbe('order-a');
    await newProbe('order-b');
    const { atS, airC } = minutes(3, (m) => 3 + (m % 7) / 10);
    expect(await post({ probes: [{ probe: 'order-a', atS, airC }] })).toEqual({
      added: 180,
      known: 0,
    });
    const shuffled = atS.map((_, i) => (i * 67) % atS.length);
    const late = shuffled.slice(0, 90);
    const part = (order: readonly number[]) => ({
      probe: 'order-b',
      atS: order.map((i) => atS[i] as number),
      airC: order.map((i) => airC[i] as number),
    });
    await post({ probes: [part(shuffled.slice(90))] });
    await post({ probes: [part(late)] });
    expect(await post({ probes: [part(shuffled)] })).toEqual({ added: 0, known: 180 });
    // A second reading of a moment does not replace the first.
    await post({ probes: [{ probe: 'order-b', atS: [atS[0] as number], airC: [20] }] });
    expect(await storedOf('order-b')).toEqual(await storedOf('order-a'));
    expect(await bucketsOf('order-b')).toEqual(await bucketsOf('order-a'));
    expect((await bucketsOf('order-a')).reduce((sum, { n }) => sum + n, 0)).toBe(180);
  });

  it('are refused of probes that the house has not, of a time to come, and where numbers are missing', async () => {
    await newProbe('strict');
    const send = (probe: string, atS: number[], airC: number[]) =>
      house.http.post(paths.addReadings(HOUSE)).send({ probes: [{ probe, atS, airC }] });
    expect((await send('nobody', [NOW_S], [3])).status).toBe(400);
    expect((await send('strict', [NOW_S + 7200], [3])).status).toBe(400);
    expect((await send('strict', [NOW_S, NOW_S + 1], [3])).status).toBe(400);
    expect((await send('strict', [NOW_S], [500])).status).toBe(400);
    expect((await storedOf('strict'))?.readings).toBe(0);
    // Another house's probe is nobody's here.
    const other = await house.get<ColdBoard>(paths.cold('other-yard'));
    expect((await send(other.probes[0]?.id ?? '', [NOW_S], [3])).status).toBe(400);
  });

  it('are corrected by what held then, without touching what was posted', async () => {
    const probe = await newProbe('checked');
    const { atS, airC } = minutes(2, () => 4);
    await post({ probes: [{ probe: 'checked', atS, airC }] });
    const calibrations = [{ from: new Date((NOW_S - 3600) * 1000).toISOString(), offsetC: -0.5 }];
    const { id: _i, version, ...content } = probe;
    await house.http
      .put(paths.changeProbe(HOUSE, probe.id))
      .send({ version, content: { ...content, calibrations } });
    const day = await house.get<ColdDay>(paths.coldDay(HOUSE, { date: TODAY }));
    const own = day.days.find(({ probeId }) => probeId === probe.id)?.summary;
    expect(own?.maxC).toBeCloseTo(3.5, 6);
    expect((await storedOf('checked'))?.sum).toBe(120 * 400);
  });

  it('keep a probe that has them', async () => {
    const probe = await newProbe('kept');
    await post({ probes: [{ probe: 'kept', atS: [NOW_S - 60], airC: [3] }] });
    expect((await house.http.delete(paths.removeProbe(HOUSE, probe.id))).status).toBe(409);
  });
});

describe('an alarm', () => {
  const alarmsOf = async (probe: Probe): Promise<ColdAlarm[]> =>
    (await board()).alarms.filter(({ probeId }) => probeId === probe.id);
  const warm = (m: number) => (m < 240 && m > 90 ? 9 : 3);

  it('is raised by readings, once, and ends by them', async () => {
    const probe = await newProbe('raised');
    const { atS, airC } = minutes(8, warm);
    const until = atS.findIndex((at) => at > NOW_S - 120 * 60);
    const part = (from: number, to?: number) => ({
      probes: [{ probe: 'raised', atS: atS.slice(from, to), airC: airC.slice(from, to) }],
    });
    await post(part(0, until));
    // The last of these is two hours ago: the probe counts as silent since then too.
    expect((await alarmsOf(probe)).filter(({ kind }) => kind === 'above')).toMatchObject([
      { untilAt: null, worstC: 9, acknowledged: null },
    ]);
    await post(part(until));
    const after = await alarmsOf(probe);
    expect(after).toHaveLength(1);
    expect(after[0]?.untilAt).not.toBeNull();
    await post(part(0));
    expect(await alarmsOf(probe)).toEqual(after);
    const sum = after[0]?.causes.reduce((all, { weight }) => all + weight, 0);
    expect(sum).toBeCloseTo(1, 6);
  });

  it('is taken back when late readings undo it, unless somebody has taken care of it', async () => {
    const gap = (name: string) => ({ probe: name, ...minutes(4, () => 3) });
    const without = (name: string) => {
      const { atS, airC } = gap(name);
      const keep = atS.map((at) => at < NOW_S - 3 * 3600 || at > NOW_S - 3600);
      return {
        probe: name,
        atS: atS.filter((_, i) => keep[i]),
        airC: airC.filter((_, i) => keep[i]),
      };
    };
    const [lost, seen] = [await newProbe('lost'), await newProbe('seen')];
    await post({ probes: [without('lost'), without('seen')] });
    const [silent] = await alarmsOf(seen);
    expect(silent?.kind).toBe('silent');
    const put = await house.http
      .put(paths.acknowledgeAlarm(HOUSE, silent?.id ?? ''))
      .send({ version: silent?.version, cause: 'probe', note: 'Battery.' });
    expect(put.status).toBe(200);
    await post({ probes: [gap('lost'), gap('seen')] });
    expect(await alarmsOf(lost)).toEqual([]);
    expect(await alarmsOf(seen)).toMatchObject([
      { acknowledged: { cause: 'probe', note: 'Battery.' } },
    ]);
  });

  it('is somebody’s by their name, over the version they have seen', async () => {
    const probe = await newProbe('mine');
    await post({ probes: [{ probe: 'mine', ...minutes(8, warm) }] });
    const [alarm] = await alarmsOf(probe);
    const wren = house.as(await signedIn(house.db, HOUSE, 'Wren'));
    const put = (version: number) =>
      wren
        .put(paths.acknowledgeAlarm(HOUSE, alarm?.id ?? ''))
        .send({ version, cause: null, note: '' });
    expect((await put(99)).status).toBe(409);
    expect((await put(alarm?.version ?? 0)).status).toBe(200);
    const [now] = await alarmsOf(probe);
    const people = (await house.book()).people;
    expect(people.find(({ id }) => id === now?.acknowledged?.personId)?.name).toBe('Wren');
    expect(
      (
        await house.http
          .put(paths.acknowledgeAlarm(HOUSE, randomUUID()))
          .send({ version: 1, cause: null, note: '' })
      ).status,
    ).toBe(404);
  });

  it('of a silent probe is found while nothing is posted, and told like any write', async () => {
    const probe = await newProbe('quiet');
    await post({ probes: [{ probe: 'quiet', ...minutes(1, () => 3) }] });
    expect(await alarmsOf(probe)).toEqual([]);
    const later = new Date(Date.parse(NOW) + 45 * 60_000);
    expect(await lookOnce(house.db, later)).toBeGreaterThan(0);
    expect(await alarmsOf(probe)).toMatchObject([{ kind: 'silent', untilAt: null }]);
    const [permission] = await house.db.select().from(t.audit).where(eq(t.audit.path, '/alarms'));
    expect(permission).toMatchObject({ personId: null, method: 'PUT' });
    expect(await lookOnce(house.db, later)).toBe(0);
  });
});

describe('the board', () => {
  it('tells what stands in the cold, as read and as set', async () => {
    const { lots, last, air, probes } = await board();
    expect(probes.length).toBeGreaterThanOrEqual(3);
    expect(last.length).toBeGreaterThanOrEqual(3);
    const door = probes.find(({ name }) => name === 'Walk-in door');
    const read = air.find(({ probeId }) => probeId === door?.id);
    expect(read?.atS.length).toBeGreaterThan(400);
    const longIn = NOW_S * 1000 - 20 * 3_600_000;
    const inBack = lots.filter(({ zone, mixedMs }) => zone === 'back' && mixedMs < longIn);
    expect(inBack.length).toBeGreaterThan(0);
    for (const { now, asSet, coreC } of inBack) {
      expect(now.kind).toBe('ready');
      expect(asSet.kind).toBe('ready');
      expect(coreC).toBeLessThan(8);
    }
  });

  it('moves windows when the night was warm, and not those of dough that was not there', async () => {
    const before = await house.get<ColdBoard>(paths.cold('other-yard'));
    const back = before.probes.find(({ zone }) => zone === 'back');
    const { atS, airC } = minutes(5, () => 12);
    // Moments that no logger has posted.
    const odd = atS.map((at) => at + 17);
    await post({ probes: [{ probe: back?.id ?? '', atS: odd, airC }] }, 'other-yard');
    const after = await house.get<ColdBoard>(paths.cold('other-yard'));
    const latest = (all: ColdBoard, i: number) => {
      const window = all.lots[i]?.now;
      return window?.kind === 'ready' ? window.latestHour : NaN;
    };
    const walkIn = (await house.book('other-yard')).places.find(({ name }) => name === 'Walk-in');
    const moved = before.lots.map((lot, i) => ({ lot, byH: latest(after, i) - latest(before, i) }));
    const there = moved.filter(({ lot }) => lot.zone !== null && lot.placeId === walkIn?.id);
    expect(there.some(({ byH }) => byH < -0.1)).toBe(true);
    const elsewhere = moved.filter(({ lot }) => lot.zone === 'inside');
    expect(elsewhere.length).toBeGreaterThan(0);
    for (const { byH } of elsewhere) expect(Math.abs(byH)).toBeLessThan(0.02);
  });
});

describe('what was weighed', () => {
  it('moves the window of its lot: half as much yeast again is ready hours earlier', async () => {
    const inCold = (await board()).lots.filter(({ now }) => now.kind === 'ready');
    const lots = await house.lots(TODAY, 4);
    const lot = lots.find(
      ({ id, code }) => code.startsWith('YR') && inCold.some(({ key }) => key === id),
    );
    if (!lot) throw new Error('a lot stands in the cold');
    const peak = async () => {
      const own = (await board()).lots.find(({ key }) => key === lot.id);
      return own?.now.kind === 'ready' ? own.now.peakHour : NaN;
    };
    const before = await peak();
    for (const { number } of lot.loads) {
      const content = {
        kind: 'weighed',
        loadNumber: number,
        key: 'yeast',
        grams: 120,
        wantedG: 80,
      };
      const start = { id: randomUUID(), content };
      const res = await house.http.post(paths.addLotRecord(HOUSE, lot.id)).send(start);
      expect(res.status).toBe(201);
    }
    expect(before - (await peak())).toBeGreaterThan(0.5);
  });
});

describe('the record of the cold', () => {
  it('has a line for each probe and day, with alarms, rounds and actions, and as a table', async () => {
    const { places } = await house.book();
    const walkIn = places.find(({ name }) => name === 'Walk-in');
    const start = (content: ColdNote['content']) => ({ id: randomUUID(), content });
    const round = start({ kind: 'round', placeId: walkIn?.id ?? '', zone: 'door', airC: 4.2 });
    const action = start({ kind: 'action', placeId: walkIn?.id ?? '', note: '=2+2 shut the door' });
    for (const note of [round, action]) {
      expect((await house.http.post(paths.addColdNote(HOUSE)).send(note)).status).toBe(201);
    }
    expect((await house.http.post(paths.addColdNote(HOUSE)).send(round)).status).toBe(400);
    const record = await house.get<ColdRecord>(
      paths.coldRecord(HOUSE, { from: '2026-11-19', days: 7 }),
    );
    const probes = new Set(record.days.map(({ probeId }) => probeId));
    expect(record.days).toHaveLength(7 * probes.size);
    expect(record.alarms.some(({ acknowledged }) => acknowledged?.cause === 'door')).toBe(true);
    const written = record.notes.filter(({ at }) => at === NOW).map(({ content }) => content.kind);
    expect(written.sort()).toEqual(['action', 'round']);
    const csv = await house.http.get(paths.coldRecordCsv(HOUSE, { from: '2026-11-19', days: 7 }));
    expect(csv.headers['content-type']).toContain('text/csv');
    expect(csv.text).toContain('Walk-in,door,taken by hand');
    // A note that a spreadsheet would calculate with is only a note.
    expect(csv.text).toContain("'=2+2 shut the door");
  });

  it('goes by the house’s own limit', async () => {
    const { house: kept } = await house.book();
    const cold = { ...STANDARD_COLD_RULES, limitC: 2 };
    const res = await house.http
      .put(paths.changeSettings(HOUSE))
      .send({ version: kept.version, cold });
    expect(res.status).toBe(200);
    const day = await house.get<ColdDay>(paths.coldDay(HOUSE, { date: '2026-11-24' }));
    const most = Math.max(...day.days.map(({ summary }) => summary?.aboveMin ?? 0));
    expect(most).toBeGreaterThan(1000);
  });
});
