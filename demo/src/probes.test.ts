import {
  airOfRoom,
  alarmsIn,
  fitRoom,
  likelyCauses,
  simulateRoomsAndLots,
  STANDARD_ALARM_RULES,
  USUAL_ROOM,
  USUAL_SETTING,
  type ColdSystem,
  type ColdSystemLot,
  type NotItself,
  type Room,
  type RoomEvent,
  type ColdSystemRoom,
} from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { doorsOf, readingsOf, trueAir, USUAL_PROBE, type ProbeNature } from './probes';

/** 06:00 UTC on a Monday; three days are read, half a day is foretold. */
const START_S = Date.UTC(2026, 10, 23, 6) / 1000;
const READ_H = 60;
const AHEAD_H = 12;
const HOURS = READ_H + AHEAD_H;
const ZONES = { door: 0.8, middle: 0, back: -0.4 };

/** What the house believes before it has read anything. */
const believed: Room = { ...USUAL_ROOM, setC: 3.5, zonesC: ZONES };

const lot = (name: string, startHour: number, doughKg: number, zone: string): ColdSystemLot => ({
  name,
  startHour,
  doughKg,
  route: {
    formula: {
      flours: [{ name: 'strong white', percent: 100, strengthW: 340 }],
      waterPercent: 62,
      saltPercent: 2.6,
      yeast: { form: 'fresh', percent: 0.25 },
    },
    ballWeightG: 275,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub' },
      { kind: 'ball', hours: 40, airTempC: 4, container: 'lidded-tray', room: 'Walk-in', zone },
      { kind: 'ball', hours: 4, airTempC: 22, container: 'lidded-tray' },
    ],
  },
});
const lots = [
  lot('a', 2, 45, 'back'),
  lot('b', 26, 50, 'middle'),
  lot('c', 50, 55, 'back'),
  lot('d', 60, 45, 'door'),
];

interface Scenario {
  readonly name: string;
  readonly truth: Partial<Room>;
  readonly outsideC?: number;
  readonly events?: readonly RoomEvent[];
  readonly probe?: Partial<ProbeNature>;
  /** Stretches that somebody has looked into. */
  readonly except?: readonly NotItself[];
  readonly lots?: readonly ColdSystemLot[];
}

const cut = { fromHour: 30, hours: 5 };
const SCENARIOS: readonly Scenario[] = [
  { name: 'a quiet room', truth: {} },
  { name: 'a leaky room that is set too warm', truth: { lossWPerK: 38, setC: 4.6 } },
  { name: 'a weak compressor', truth: { coolingW: 1250, lossWPerK: 30 } },
  { name: 'a hot kitchen', truth: { lossWPerK: 28 }, outsideC: 29 },
  {
    name: 'a power cut of five hours',
    truth: { lossWPerK: 32, heatCapacityJPerK: 320_000 },
    events: [{ kind: 'power-cut', ...cut }],
    except: [{ fromHour: 30, toHour: 38 }],
  },
  {
    name: 'a door left open in the night',
    truth: { setC: 3 },
    events: [{ kind: 'door-open', fromHour: 43, hours: 2 }],
    except: [{ fromHour: 43, toHour: 48 }],
  },
  {
    name: 'a poor logger',
    truth: { lossWPerK: 21, setC: 4.2 },
    probe: { noiseC: 0.4, lost: 0.25, late: 0.1, twice: 0.1, gainsSADay: 30 },
  },
  {
    name: 'a large load to come',
    truth: { coolingW: 1600, lossWPerK: 30 },
    lots: [...lots, lot('e', 59, 110, 'middle')],
  },
];

/** A defrost timer that nobody has told the house of. */
const PHASE_H = 5.25;

function runOf({ truth, outsideC = 24, events = [], probe = {}, lots: own = lots }: Scenario) {
  const real: ColdSystemRoom = {
    name: 'Walk-in',
    room: {
      ...believed,
      ...truth,
      defrost: { everyH: 8, minutes: 20, heaterW: 600, phaseH: PHASE_H },
    },
    setting: {
      ...USUAL_SETTING,
      outsideC,
      doorMinPerH: 0,
      clockHour: START_S / 3600,
      events: [...doorsOf('test', START_S, HOURS), ...events],
    },
    airC: 4,
    readings: [],
  };
  const air = trueAir({ rooms: [real], lots: own }, START_S, HOURS)('Walk-in');
  const probes = (['door', 'back'] as const).map((zone) => ({
    zone,
    zoneC: ZONES[zone],
    readings: readingsOf(
      { key: zone, zoneC: ZONES[zone], ...USUAL_PROBE, ...probe },
      air,
      START_S,
      START_S + READ_H * 3600,
    ).sort((a, b) => a.atS - b.atS),
  }));
  const house = (room: Room): ColdSystem => ({
    rooms: [
      {
        name: 'Walk-in',
        room,
        setting: { ...USUAL_SETTING, outsideC: 24, clockHour: START_S / 3600 },
        airC: 4,
        readings: airOfRoom(probes, START_S),
      },
    ],
    lots: own,
  });
  return { real, air, probes, house, lots: own };
}

function foretold(house: ColdSystem): (hour: number) => number {
  const run = simulateRoomsAndLots(house, { hours: HOURS, stepMin: 5 });
  if (!run.ok) throw new Error(JSON.stringify(run.reasons));
  return (hour) => {
    const of = run.value.rooms[0];
    const temps = [...(of?.airC ?? [])].filter((_, i) => {
      const end = (of?.hours[i] ?? 0) - 1e-9;
      return end >= hour && end < hour + 1;
    });
    return temps.reduce((sum, c) => sum + c, 0) / temps.length;
  };
}

/** Hourly means, root mean square: when exactly the compressor switches is chance. */
function offC({ air, house }: ReturnType<typeof runOf>, room: Room): number {
  const guess = foretold(house(room));
  const squares = Array.from({ length: AHEAD_H }, (_, i) => {
    const hour = READ_H + i;
    let sum = 0;
    for (let minute = 0; minute < 60; minute += 1) sum += air(START_S + hour * 3600 + minute * 60);
    return (guess(hour) - sum / 60) ** 2;
  });
  return Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / AHEAD_H);
}

describe('a room whose true numbers are hidden', () => {
  it.each(SCENARIOS)('is foretold for half a day after $name', (scenario) => {
    const run = runOf(scenario);
    const fit = fitRoom(run.house(believed), 'Walk-in', scenario.except);
    if (!fit.ok) throw new Error(JSON.stringify(fit.reasons));
    const apartC = offC(run, fit.value.room);
    expect(apartC).toBeLessThan(0.5);
    expect(apartC).toBeLessThan(offC(run, believed));
  });
});

describe('a stretch in which something else worked on the room', () => {
  it('is left out, and the rest still tells what the room is', () => {
    const cutWarm: Scenario = {
      name: 'a cut in a room that is set too warm',
      truth: { setC: 4.8, lossWPerK: 34 },
      events: [{ kind: 'power-cut', ...cut }],
    };
    const { house } = runOf(cutWarm);
    const fit = fitRoom(house(believed), 'Walk-in', [{ fromHour: 30, toHour: 38 }]);
    if (!fit.ok) throw new Error(JSON.stringify(fit.reasons));
    expect(Math.abs(fit.value.room.setC - 4.8)).toBeLessThan(0.3);
    expect(fit.value.afterC).toBeLessThan(fit.value.beforeC / 2);
  });
});

describe('an excursion of five hours', () => {
  const scenario = SCENARIOS.find(({ name }) => name === 'a power cut of five hours') as Scenario;
  const { real, probes, house } = runOf(scenario);

  it('moves windows as it would in the true room, within twenty minutes', () => {
    const fit = fitRoom(house(believed), 'Walk-in', scenario.except);
    if (!fit.ok) throw new Error(JSON.stringify(fit.reasons));
    const peaks = (of: ColdSystem) => {
      const run = simulateRoomsAndLots(of, { hours: 130, stepMin: 5 });
      if (!run.ok) throw new Error(JSON.stringify(run.reasons));
      return run.value.lots.map(({ window }) => (window.kind === 'ready' ? window : null));
    };
    const guessed = peaks(house(fit.value.room));
    const truly = peaks({ rooms: [real], lots });
    const calm = peaks({
      rooms: [{ ...real, setting: { ...real.setting, events: [] } }],
      lots,
    });
    const offMin = (a: number, b: number) => Math.abs(a - b) * 60;
    expect(truly).toHaveLength(lots.length);
    truly.forEach((window, i) => {
      const guess = guessed[i];
      if (!window || !guess) throw new Error('every lot opens well');
      expect(offMin(guess.earliestHour, window.earliestHour)).toBeLessThan(20);
      expect(offMin(guess.peakHour, window.peakHour)).toBeLessThan(20);
      expect(offMin(guess.latestHour, window.latestHour)).toBeLessThan(20);
    });
    // The cut moved what stood in the room then by more than that, or this would show nothing.
    expect(offMin(truly[0]?.peakHour ?? 0, calm[0]?.peakHour ?? 0)).toBeGreaterThan(30);
  });

  it('is found in what the probes sent, whatever came late or twice', () => {
    const [probe] = probes;
    const room: Room = { ...believed, defrost: real.room.defrost };
    const nowS = START_S + READ_H * 3600;
    const found = alarmsIn(probe?.readings ?? [], STANDARD_ALARM_RULES, {
      room,
      zoneC: ZONES.door,
      nowS,
    });
    const above = found.filter(({ kind }) => kind === 'above');
    const hourOf = (atS: number | null | undefined) => ((atS ?? NaN) - START_S) / 3600;
    const cutFound = above.find(({ fromS }) => Math.abs(hourOf(fromS) - 30) < 1);
    expect(hourOf(cutFound?.untilS)).toBeGreaterThan(34.5);
    expect(cutFound?.worstC).toBeGreaterThan(8);
    const [likely] = likelyCauses(cutFound as never, {
      room,
      outsideC: 24,
      othersToo: true,
      warmKg: 0,
      allSilent: false,
    });
    expect(likely?.cause).toBe('power');
  });
});

describe('what a probe sends', () => {
  const send = (change: Partial<ProbeNature>) =>
    readingsOf(
      { key: 'x', zoneC: 1, ...USUAL_PROBE, ...change },
      () => 4,
      START_S,
      START_S + 86_400,
    );

  it('is the same whenever it is asked', () => {
    expect(send({})).toEqual(send({}));
  });

  it('has the faults of real loggers, each as often as it is told to', () => {
    const plain = send({ noiseC: 0, lost: 0, late: 0, twice: 0, gainsSADay: 0 });
    expect(plain).toHaveLength(1440);
    expect(new Set(plain.map(({ airC }) => airC))).toEqual(new Set([5]));
    expect(plain.every(({ atS, sentS }) => atS === sentS)).toBe(true);
    const lossy = send({ lost: 0.2, twice: 0 });
    expect(lossy.length / 1440).toBeGreaterThan(0.7);
    expect(lossy.length / 1440).toBeLessThan(0.9);
    const late = send({ late: 0.2, gainsSADay: 0 });
    const waited = late.filter(({ atS, sentS }) => sentS - atS > 300).length;
    expect(waited / late.length).toBeGreaterThan(0.1);
    const twice = send({ twice: 0.3 });
    expect(twice.length - new Set(twice.map(({ atS }) => atS)).size).toBeGreaterThan(200);
    expect(send({ errorC: 0.7, noiseC: 0 })[0]?.airC).toBeCloseTo(5.7, 1);
  });
});
