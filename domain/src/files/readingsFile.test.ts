import { describe, expect, it } from '@jest/globals';
import type { ReadingColumns } from '@calm/contract';
import { guessReadingColumns, ONLY_PROBE, readingsReader } from './readingsFile';

const ZONE = 'Europe/Copenhagen';
const NOW_S = Date.parse('2026-11-25T12:00:00Z') / 1000;
const columns: ReadingColumns = {
  time: 'Time',
  temp: 'Temp',
  probe: 'Sensor',
  unit: 'C',
  dateOrder: 'day-first',
  clock: 'house',
  probes: { 'A-1': 'door', 'B-2': 'back', spare: null },
};
const TITLES = ['Sensor', 'Time', 'Temp'];

const read = (rows: readonly string[][], change: Partial<ReadingColumns> = {}, titles = TITLES) => {
  const reader = readingsReader(titles, { ...columns, ...change }, ZONE, NOW_S);
  reader.take(rows, 2);
  return reader.result();
};
const iso = (atS: number | undefined) => new Date((atS ?? NaN) * 1000).toISOString();

describe('a logger’s file', () => {
  it('is read by the house’s clock, summer and winter', () => {
    const { probes } = read([
      ['A-1', '24.11.2026 01:10:30', '3,4'],
      ['A-1', '24.07.2026 01:10:30', '4.1 °C'],
    ]);
    expect(probes[0]?.atS.map(iso)).toEqual([
      '2026-07-23T23:10:30.000Z',
      '2026-11-24T00:10:30.000Z',
    ]);
    expect(probes[0]?.airC).toEqual([4.1, 3.4]);
  });

  it('knows UTC, offsets of its own, and Fahrenheit', () => {
    const utc = read([['A-1', '24.11.2026 01:10', '39.2']], { clock: 'utc', unit: 'F' });
    expect(iso(utc.probes[0]?.atS[0])).toBe('2026-11-24T01:10:00.000Z');
    expect(utc.probes[0]?.airC[0]).toBeCloseTo(4, 2);
    const own = read([['A-1', '2026-11-24T01:10:00+05:00', '4']], { dateOrder: 'year-first' });
    expect(iso(own.probes[0]?.atS[0])).toBe('2026-11-23T20:10:00.000Z');
  });

  it('tells the lines it cannot read, leaves out what is left out, and counts a moment once', () => {
    const file = read([
      ['A-1', '24.11.2026 01:10', '3.4'],
      ['A-1', '24.11.2026 01:10', '9.9'],
      ['spare', '24.11.2026 01:10', '3.4'],
      ['A-1', 'yesterday', '3.4'],
      ['A-1', '24.11.2026 01:20', 'ERR'],
      ['A-1', '24.11.2026 01:30', '850'],
      ['', '', ''],
      ['A-1', '24.11.2026 25:00', '3.4'],
      ['A-1', '26.11.2026 01:30', '3.4'],
      ['B-2', '24.11.2026 04:30', '2.1'],
      ['A-1', '24.11.2026 04:10', '3.6'],
    ]);
    expect(file.probes.map(({ probeId, airC }) => [probeId, airC])).toEqual([
      ['door', [3.4, 3.6]],
      ['back', [2.1]],
    ]);
    expect(file).toMatchObject({
      readings: 3,
      faults: 5,
      leftOut: 1,
      gaps: 1,
      longestGapS: 10_800,
    });
    expect(file.faulty).toEqual([
      { line: 5, text: 'yesterday' },
      { line: 6, text: 'ERR' },
      { line: 7, text: '850' },
      { line: 9, text: '24.11.2026 25:00' },
      { line: 10, text: '26.11.2026 01:30' },
    ]);
  });

  it('may be of one probe alone', () => {
    const titles = ['Timestamp', 'Temperature (°F)'];
    const rows = [['2026-11-24 01:10:00', '39.2']];
    const guess = guessReadingColumns(titles, rows);
    expect(guess).toMatchObject({
      time: 'Timestamp',
      temp: 'Temperature (°F)',
      unit: 'F',
      dateOrder: 'year-first',
    });
    expect(guess.probe).toBeUndefined();
    const reader = readingsReader(
      titles,
      { ...guess, probes: { [ONLY_PROBE]: 'door' } },
      ZONE,
      NOW_S,
    );
    reader.take(rows, 2);
    expect(reader.result().probes[0]).toMatchObject({ probeId: 'door', airC: [4] });
  });
});
