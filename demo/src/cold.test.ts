import { paths, type ColdBoard, type Lot, type ReadingsStart } from '@calm/contract';
import { runSignals, steadyLimits } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { makePuts } from './cold';
import { makeAlarms, makeReadings, makeRounds } from './cold/history';
import { probes } from './cold/trueRooms';
import { makeHistory } from './past/history';
import type { Line } from './line';
import { exampleBook } from './load';
import { probeRound, type ProbeMemory } from './probeRound';

const NOW = new Date('2026-11-25T06:10:00.000Z');
const NOW_S = NOW.getTime() / 1000;
const book = exampleBook();
const lots = makeHistory(book, NOW, 2);

describe('the cold of Lantern Yard', () => {
  const history = makeReadings(lots, NOW, 14);

  it('has been read by every probe, each moment once and none to come', () => {
    expect(history.map(({ probe }) => probe.key)).toEqual(probes.map(({ key }) => key));
    for (const { readings } of history) {
      const moments = readings.map(({ atS }) => atS);
      expect(new Set(moments).size).toBe(moments.length);
      expect(moments).toEqual([...moments].sort((a, b) => a - b));
      expect(Math.max(...moments)).toBeLessThanOrEqual(NOW_S);
      expect(readings.length / (14 * 288)).toBeGreaterThan(0.95);
    }
  });

  it('has its stories: a power cut everywhere, a door left ajar in the walk-in alone', () => {
    const alarms = makeAlarms(history, NOW);
    const of = (cause: string) => alarms.filter((alarm) => alarm.cause === cause);
    expect(new Set(of('power').map(({ probe }) => probe.key))).toEqual(
      new Set(['door', 'back', 'under']),
    );
    expect(new Set(of('door').map(({ probe }) => probe.key))).toEqual(new Set(['door', 'back']));
    for (const { causes, cause } of of('power')) expect(causes[0]?.cause).toBe(cause);
    for (const { causes, cause } of of('door')) expect(causes[0]?.cause).toBe(cause);
    // A house is not told of every thaw and every door.
    expect(alarms.length).toBeLessThan(20);
  });

  it('has a thermostat that crept: the days’ means say so', () => {
    const readings = makeReadings(lots, NOW, 28).find(
      ({ probe }) => probe.key === 'back',
    )?.readings;
    const byDay = new Map<number, number[]>();
    for (const { atS, airC } of readings ?? []) {
      const day = Math.floor(atS / 86_400);
      byDay.set(day, [...(byDay.get(day) ?? []), airC]);
    }
    const days = [...byDay.values()].map(
      (own) => own.reduce((sum, airC) => sum + airC, 0) / own.length,
    );
    const limits = steadyLimits(days);
    if (!limits) throw new Error('there are weeks of readings');
    const crept = runSignals(days, limits).filter(
      ({ side, to }) => side === 'above' && to >= days.length - 6 && to < days.length - 3,
    );
    expect(crept.length).toBeGreaterThan(0);
  });

  it('has its rounds by hand twice a day, none to come, near what the probes showed', () => {
    const rounds = makeRounds(history, NOW);
    // Six whole days, and nothing yet this morning.
    expect(rounds).toHaveLength(6 * 2 * probes.length);
    for (const { at, airC, zone } of rounds) {
      expect(at.getTime()).toBeLessThan(NOW.getTime());
      const own = history.find(({ probe }) => probe.zone === zone);
      const near =
        own?.readings.filter(({ atS }) => Math.abs(atS - at.getTime() / 1000) < 900) ?? [];
      const temps = near.map((reading) => reading.airC - (own?.probe.errorC ?? 0));
      expect(airC).toBeGreaterThan(Math.min(...temps) - 0.5);
      expect(airC).toBeLessThan(Math.max(...temps) + 0.5);
    }
  });

  it('has its trays on racks, never more at a position than it holds', () => {
    const puts = makePuts(book, lots, NOW, (name) => name);
    expect(puts.length).toBeGreaterThan(5);
    const cold = lots.filter(({ closeAt }) => closeAt > NOW.toISOString());
    const byPosition = new Map<string, number>();
    for (const { lot, content } of puts) {
      if (content.kind !== 'moved' || !content.to) throw new Error('all are put somewhere');
      if (!cold.some(({ id }) => id === lot)) continue;
      const key = `${content.to.placeId}/${content.to.zone}/${content.to.position}`;
      byPosition.set(key, (byPosition.get(key) ?? 0) + content.trays);
    }
    for (const trays of byPosition.values()) expect(trays).toBeLessThanOrEqual(2);
  });
});

describe('probes that post', () => {
  /** A house that takes what is posted, and remembers it. */
  function houseOf(lastS: number) {
    const posted = new Map<string, Map<number, number>>();
    let [sent, down] = [0, false];
    const line: Line = {
      get: (path) => {
        const answer: Partial<ColdBoard> | Lot[] = path.startsWith(paths.cold('x'))
          ? {
              probes: probes.map(({ key, name, zone }) => ({
                id: key,
                name,
                zone,
                placeId: '',
                calibrations: [],
                version: 1,
              })),
              last: probes.map(({ key }) => ({
                probeId: key,
                at: new Date(lastS * 1000).toISOString(),
                airC: 3,
              })),
            }
          : lots;
        return Promise.resolve(answer as never);
      },
      post: (_path, body) => {
        if (down) return Promise.reject(new Error('down'));
        let added = 0;
        for (const { probe, atS, airC } of (body as ReadingsStart).probes) {
          const own = posted.get(probe) ?? new Map<number, number>();
          posted.set(probe, own);
          atS.forEach((at, i) => {
            sent += 1;
            if (own.has(at)) return;
            own.set(at, airC[i] ?? NaN);
            added += 1;
          });
        }
        return Promise.resolve({ added, known: 0 } as never);
      },
    };
    return { line, posted, sent: () => sent, setDown: (to: boolean) => (down = to) };
  }
  const fresh = (): ProbeMemory => ({ sentS: new Map(), late: [] });

  it('go on where the house’s readings end, late ones later, some twice', async () => {
    const { line, posted, sent } = houseOf(NOW_S - 8 * 3600);
    const memory = fresh();
    const first = await probeRound(line, 'x', NOW.getTime(), memory);
    expect(first).toBeGreaterThan(3 * 8 * 60 * 0.9);
    expect(sent()).toBeGreaterThan(first);
    const late = memory.late.length;
    const second = await probeRound(line, 'x', NOW.getTime() + 3 * 3_600_000, memory);
    expect(second).toBeGreaterThan(3 * 3 * 60 * 0.9);
    expect(late).toBeGreaterThan(0);
    const moments = [...(posted.get('Walk-in door')?.keys() ?? [])];
    expect(Math.min(...moments)).toBeGreaterThan(NOW_S - 8 * 3600);
  });

  it('tell of a warm night in the walk-in, and of nothing under the counter', async () => {
    const { line, posted } = houseOf(NOW_S - 8 * 3600);
    await probeRound(line, 'x', NOW.getTime(), fresh(), 'warm-night');
    const mean = (name: string) => {
      // From three to six in the morning, by the house's clock.
      const night = [...(posted.get(name) ?? [])].filter(
        ([at]) => at > NOW_S - 4 * 3600 && at < NOW_S - 1.5 * 3600,
      );
      return night.reduce((sum, [, airC]) => sum + airC, 0) / night.length;
    };
    expect(mean('Walk-in back')).toBeGreaterThan(6);
    expect(mean('Walk-in door')).toBeGreaterThan(mean('Walk-in back'));
    expect(mean('Under-counter')).toBeLessThan(5);
  });

  it('lose nothing while the house is down', async () => {
    const [plain, failing] = [houseOf(NOW_S - 3600), houseOf(NOW_S - 3600)];
    const memory = fresh();
    failing.setDown(true);
    await expect(probeRound(failing.line, 'x', NOW.getTime(), memory)).rejects.toThrow('down');
    failing.setDown(false);
    await probeRound(failing.line, 'x', NOW.getTime(), memory);
    await probeRound(plain.line, 'x', NOW.getTime(), fresh());
    expect(failing.posted).toEqual(plain.posted);
  });
});
