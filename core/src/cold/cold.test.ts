import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  alarmsIn,
  compareLoadIns,
  freeTrays,
  likelyCauses,
  mostAtOnce,
  offsetAt,
  putAway,
  risesOf,
  STANDARD_ALARM_RULES,
  summaryOf,
  traysAt,
  zonesByReadings,
  type AlarmAround,
  type AlarmFound,
  type ProbeReading,
  type Rack,
  type TraysAt,
} from './index';
import { USUAL_ROOM, type Room } from './room/room';
import { USUAL_SETTING } from './room/scenario';
import type { ColdSystem } from './system/coldSystem';

const START_S = 1_780_000_000;
const line = (points: readonly [number, number][]): ProbeReading[] =>
  points.map(([minute, airC]) => ({ atS: START_S + minute * 60, airC }));
/** A reading each five minutes. */
const every5 = (minutes: number, airAt: (minute: number) => number): ProbeReading[] =>
  line(Array.from({ length: minutes / 5 + 1 }, (_, i) => [i * 5, airAt(i * 5)]));

describe('a day of readings', () => {
  it('counts time, not readings, and straight lines between them', () => {
    // Ten minutes at 3 °C told by eleven readings, ten minutes up to 7 °C told by one.
    const readings = line([
      ...Array.from({ length: 11 }, (_, i): [number, number] => [i, 3]),
      [20, 7],
    ]);
    const day = summaryOf(readings, START_S, START_S + 1200, 5);
    expect(day).toMatchObject({ readings: 12, minC: 3, maxC: 7, aboveMin: 5, unknownMin: 0 });
    expect(day?.meanC).toBeCloseTo((10 * 3 + 10 * 5) / 20, 9);
  });

  it('claims nothing across a gap', () => {
    const day = summaryOf(
      line([
        [0, 9],
        [10, 9],
        [100, 9],
      ]),
      START_S,
      START_S + 6000,
      5,
    );
    expect(day).toMatchObject({ aboveMin: 10, unknownMin: 90 });
    expect(summaryOf([], START_S, START_S + 60, 5)).toBeNull();
  });

  it('is never above its limit for longer than is known', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -5, max: 25, noNaN: true }), { minLength: 1, maxLength: 50 }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        (temps, limitC) => {
          const readings = temps.map((airC, i) => ({ atS: START_S + i * 300, airC }));
          const endS = START_S + (temps.length - 1) * 300;
          const day = summaryOf(readings, START_S, endS, limitC);
          if (!day) throw new Error('there are readings');
          const lengthMin = (endS - START_S) / 60;
          expect(day.aboveMin).toBeGreaterThanOrEqual(0);
          expect(day.aboveMin).toBeLessThanOrEqual(lengthMin - day.unknownMin + 1e-9);
          expect(day.meanC).toBeGreaterThanOrEqual(day.minC - 1e-9);
          expect(day.meanC).toBeLessThanOrEqual(day.maxC + 1e-9);
        },
      ),
    );
  });

  it('is corrected by what held then', () => {
    const calibrations = [
      { fromS: 200, offsetC: -0.5 },
      { fromS: 100, offsetC: 0.3 },
    ];
    expect([50, 150, 250].map((atS) => offsetAt(calibrations, atS))).toEqual([0.3, 0.3, -0.5]);
    expect(offsetAt([], 0)).toBe(0);
  });
});

describe('alarms', () => {
  const room: Room = { ...USUAL_ROOM, defrost: null };
  const find = (readings: readonly ProbeReading[], afterMin = 0, of: Room = room) =>
    alarmsIn(readings, STANDARD_ALARM_RULES, {
      room: of,
      nowS: (readings.at(-1)?.atS ?? 0) + afterMin * 60,
    });
  const minuteOf = (atS: number | null | undefined) => Math.round(((atS ?? NaN) - START_S) / 60);

  it('tell of an excursion from when the limit was passed until the air was back', () => {
    // Up through 5 °C at minute 100, back through it at minute 200.
    const readings = every5(300, (m) =>
      m < 80 ? 4 : m < 150 ? 4 + (m - 80) / 20 : m < 220 ? 7.5 - (m - 150) / 20 : 4,
    );
    const [only, ...others] = find(readings);
    expect(others).toEqual([]);
    expect(only).toMatchObject({ kind: 'above', worstC: 7.5 });
    expect(minuteOf(only?.fromS)).toBe(100);
    expect(minuteOf(only?.untilS)).toBe(195);
    expect(only?.meanC).toBeGreaterThan(5);
  });

  it('keep silent about a door that opens for a while, and of a thaw', () => {
    const door = every5(200, (m) => (m >= 100 && m < 120 ? 8 - (m - 100) / 6 : 4));
    expect(find(door)).toEqual([]);
    const phaseH = ((START_S / 3600) % 8) + 1;
    const thawing: Room = { ...room, defrost: { everyH: 8, minutes: 20, heaterW: 600, phaseH } };
    const warmed = every5(200, (m) => (m >= 60 && m < 94 ? 7 : 4));
    expect(find(warmed, 0, thawing)).toEqual([]);
    const long = every5(300, (m) => (m >= 60 && m < 200 ? 7 : 4));
    expect(find(long, 0, thawing)).toHaveLength(1);
  });

  it('tell of air that rises on although the compressor should have turned it', () => {
    const rising = every5(60, (m) => (m < 20 ? 4 : 4 + (m - 20) / 20));
    expect(find(every5(60, (m) => (m < 20 ? 4 : 4.3)))).toEqual([]);
    const warm = { ...room, setC: 2 };
    const [first] = find(rising, 0, warm);
    expect(first).toMatchObject({ kind: 'rising', untilS: null });
  });

  it('tell of silence, in the middle and at the end', () => {
    const readings = line([
      [0, 4],
      [5, 4],
      [45, 4],
      [50, 4],
    ]);
    expect(
      find(readings, 30).map(({ kind, fromS, untilS }) => [kind, minuteOf(fromS), untilS]),
    ).toEqual([
      ['silent', 5, START_S + 45 * 60],
      ['silent', 50, null],
    ]);
    expect(find(readings, 5)).toHaveLength(1);
  });

  it('are the same however often they are looked for', () => {
    const readings = every5(300, (m) => 4 + 5 * Math.sin(m / 60));
    expect(find(readings)).toEqual(find([...readings]));
  });
});

describe('what is likely behind an alarm', () => {
  const around: AlarmAround = {
    room: USUAL_ROOM,
    outsideC: 24,
    othersToo: false,
    warmKg: 0,
    allSilent: false,
  };
  const alarm = (roseCPerH: number, kind: AlarmFound['kind'] = 'above'): AlarmFound => ({
    kind,
    fromS: START_S,
    untilS: null,
    worstC: 9,
    meanC: 7,
    roseCPerH,
  });
  const { shutCPerH, openCPerH } = risesOf(USUAL_ROOM, 24);
  const first = (found: AlarmFound, change: Partial<AlarmAround> = {}) =>
    likelyCauses(found, { ...around, ...change })[0]?.cause;

  it.each([
    ['as fast as with no cooling', shutCPerH, {}, 'compressor'],
    ['as fast as with no cooling, everywhere', shutCPerH, { othersToo: true }, 'power'],
    ['as fast as with an open door', openCPerH, {}, 'door'],
    ['after much warm dough', 30, { warmKg: 150 }, 'warm-load'],
  ] as const)('a rise %s', (_, rose, change, cause) => {
    expect(first(alarm(rose), change)).toBe(cause);
  });

  it('is the probe when it alone is silent, and the power when all are', () => {
    expect(first(alarm(0, 'silent'))).toBe('probe');
    expect(first(alarm(0, 'silent'), { allSilent: true })).toBe('power');
  });

  it('adds up to one', () => {
    const sum = likelyCauses(alarm(8), around).reduce((all, { weight }) => all + weight, 0);
    expect(sum).toBeCloseTo(1, 9);
  });
});

describe('racks', () => {
  const rack: Rack = {
    zones: [
      { name: 'door', positions: 4, warmerC: 0.8 },
      { name: 'back', positions: 4, warmerC: -0.4 },
    ],
    traysAPosition: 2,
  };

  it('take the coldest zone first, from the top', () => {
    expect(putAway(rack, [], 3, false).puts).toEqual([
      { zone: 'back', position: 1, trays: 2 },
      { zone: 'back', position: 2, trays: 1 },
    ]);
  });

  it('space warm trays while there is room for that', () => {
    const { puts } = putAway(rack, [], 4, true);
    expect(puts.map(({ zone, position }) => `${zone} ${position}`)).toEqual([
      'back 1',
      'back 3',
      'door 1',
      'door 3',
    ]);
  });

  it('never put more on a position than it holds, lose no tray, and leave what stands', () => {
    const standing = fc.array(
      fc.record({
        zone: fc.constantFrom('door', 'back'),
        position: fc.integer({ min: 1, max: 4 }),
        trays: fc.integer({ min: 1, max: 2 }),
      }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(
        standing,
        fc.integer({ min: 0, max: 30 }),
        fc.boolean(),
        (there, trays, isSpaced) => {
          const { puts, without } = putAway(rack, there, trays, isSpaced);
          const put = puts.reduce((sum, each) => sum + each.trays, 0);
          expect(put + without).toBe(trays);
          const all: TraysAt[] = [...there, ...puts];
          for (const spot of puts) expect(traysAt(all, spot)).toBeLessThanOrEqual(2);
          expect(put).toBe(Math.min(trays, freeTrays(rack, there)));
        },
      ),
    );
  });
});

describe('zones', () => {
  it('are as warm as their probes say, and the room’s air keeps its meaning', () => {
    const probe = (zone: string, zoneC: number, offC: number) => ({
      zone,
      zoneC,
      readings: every5(800, (m) => 4 + offC + 0.5 * Math.sin(m / 30)),
    });
    const zones = zonesByReadings([probe('door', 0.8, 1.5), probe('back', -0.4, -0.5)]);
    expect((zones['door'] ?? 0) - (zones['back'] ?? 0)).toBeCloseTo(2, 6);
    expect(((zones['door'] ?? 0) + (zones['back'] ?? 0)) / 2).toBeCloseTo(0.2, 6);
    const few = zonesByReadings([probe('door', 0.8, 1.5)]);
    expect(few).toEqual({ door: 0.8 });
  });
});

describe('loading in', () => {
  const house: ColdSystem = {
    rooms: [
      {
        name: 'Walk-in',
        room: { ...USUAL_ROOM, defrost: null, coolingW: 1100 },
        setting: USUAL_SETTING,
        airC: 4,
        readings: [],
      },
    ],
    lots: [],
  };
  const load = {
    room: 'Walk-in',
    route: {
      formula: {
        flours: [{ name: 'strong white', percent: 100, strengthW: 320 }],
        waterPercent: 62,
        saltPercent: 2.5,
        yeast: { form: 'fresh', percent: 0.3 },
      },
      ballWeightG: 275,
      doughTempC: 24,
    },
    fromHour: 2,
    trays: 40,
    kgATray: 3.3,
  } as const;
  const options = { limitC: 5.5, simulatedH: 20 };
  const effects = compareLoadIns(
    house,
    load,
    [
      { name: 'once', container: 'lidded-tray', goes: [{ afterH: 0, trays: 40 }] },
      {
        name: 'twice',
        container: 'lidded-tray',
        goes: [
          { afterH: 0, trays: 20 },
          { afterH: 3, trays: 20 },
        ],
      },
      { name: 'few', container: 'lidded-tray', goes: [{ afterH: 0, trays: 4 }] },
    ],
    options,
  );
  if (!effects.ok) throw new Error(JSON.stringify(effects.reasons));
  const of = (name: string) => {
    const found = effects.value.find((each) => each.name === name);
    if (!found) throw new Error(name);
    return found;
  };

  it('in two goes warms the room less, and keeps it above the limit for less', () => {
    expect(of('twice').peakC).toBeLessThan(of('once').peakC - 0.2);
    expect(of('twice').warmerC).toBeLessThan(of('once').warmerC - 0.2);
    expect(of('twice').aboveMin).toBeLessThan(of('once').aboveMin);
    expect(of('once').backAfterH).toBeGreaterThan(1);
  });

  it('of a few trays is hardly felt', () => {
    expect(of('few').aboveMin).toBe(0);
    expect(of('few').warmerC).toBeLessThan(0.5);
    expect(of('few').coldAfterH).toBeGreaterThan(1);
    expect(of('few').coldAfterH).toBeLessThan(9);
  });

  it('knows how many may go in at once: one more is too many', () => {
    const most = mostAtOnce(house, load, 'lidded-tray', options);
    if (!most.ok) throw new Error('simulates');
    expect(most.value).toBeGreaterThan(4);
    expect(most.value).toBeLessThan(40);
    const way = (trays: number) => [
      { name: 'x', container: 'lidded-tray' as const, goes: [{ afterH: 0, trays }] },
    ];
    const above = (trays: number) => {
      const run = compareLoadIns(house, { ...load, trays }, way(trays), options);
      return run.ok ? run.value[0]?.aboveMin : NaN;
    };
    expect(above(most.value)).toBe(0);
    expect(above(most.value + 1)).toBeGreaterThan(0);
  });
});
