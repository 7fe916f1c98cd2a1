import { describe, expect, it } from '@jest/globals';
import { mean } from 'simple-statistics';
import { DOUGH_HEAT } from '../../heat';
import { USUAL_ROOM, type Room } from '../room/room';
import { USUAL_SETTING, type RoomEvent } from '../room/scenario';
import { fitRoom } from './fitRoom';
import {
  QUICK_STEP_MIN,
  simulateRoomsAndLots,
  type RoomsAndLotsResult,
} from './simulateRoomsAndLots';
import { type ColdSystem, type ColdSystemLot, type ColdSystemRoom } from './coldSystem';
import { simulate } from '../../ferment';

const walkIn: ColdSystemRoom = {
  name: 'walk-in',
  room: { ...USUAL_ROOM, zonesC: { door: 1.2, back: -0.4 } },
  setting: USUAL_SETTING,
  airC: 4,
  readings: [],
};

const lot = (name: string, startHour: number, zone?: string): ColdSystemLot => ({
  name,
  startHour,
  doughKg: 30,
  route: {
    formula: {
      flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
      waterPercent: 62,
      saltPercent: 2.4,
      yeast: { form: 'fresh', percent: 0.3 },
    },
    ballWeightG: 275,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub' },
      {
        kind: 'ball',
        hours: 40,
        airTempC: 4,
        container: 'lidded-tray',
        room: 'walk-in',
        ...(zone && { zone }),
      },
      { kind: 'ball', hours: 4, airTempC: 23, container: 'lidded-tray' },
    ],
  },
});

function run(house: ColdSystem, hours = 60): RoomsAndLotsResult {
  const result = simulateRoomsAndLots(house, { hours, stepMin: 5 });
  if (!result.ok) throw new Error(JSON.stringify(result.reasons));
  return result.value;
}

const withEvents = (...events: RoomEvent[]): ColdSystemRoom => ({
  ...walkIn,
  setting: { ...USUAL_SETTING, events },
});

const warmest = ({ rooms }: RoomsAndLotsResult, from: number, to: number) =>
  Math.max(...(rooms[0]?.airC ?? []).slice(from * 12, to * 12));

const peakOf = ({ lots }: RoomsAndLotsResult, index = 0) => {
  const window = lots[index]?.window;
  if (window?.kind !== 'ready') throw new Error('should be ready');
  return window.peakHour;
};

function maturityWhenPulled({ lots }: RoomsAndLotsResult): number {
  const course = lots[0]?.course;
  return course?.maturitiesH[course.stages.indexOf(2)] ?? NaN;
}

describe('lots and their room together', () => {
  it('agree with a lot alone where the room is too big to notice', () => {
    const heavy = { ...USUAL_ROOM, heatCapacityJPerK: 1e12, deadBandC: 0, defrost: null };
    const steady = { ...walkIn, room: heavy, setting: { ...USUAL_SETTING, doorMinPerH: 0 } };
    const alone = simulate(lot('a', 0).route, { stepMin: 5 });
    if (!alone.ok || alone.value.window.kind !== 'ready') throw new Error('should be ready');
    const together = run({ rooms: [steady], lots: [lot('a', 0.03)] });
    expect(peakOf(together)).toBeCloseTo(alone.value.window.peakHour, 1);
  });

  it('account for every joule that lots bring', () => {
    // Without yeast, which makes heat of its own.
    const still = [lot('a', 0), lot('b', 7.37), lot('c', 13.01)].map(({ route, ...rest }) => ({
      ...rest,
      route: {
        ...route,
        formula: { ...route.formula, yeast: { form: 'fresh' as const, percent: 0 } },
      },
    }));
    const { rooms, lots } = run({ rooms: [walkIn], lots: still }, 30);
    // From where the balls stood when they went in to what they have in the end: all in the room.
    const lostC = lots.map(({ course }) => {
      const first = course.stages.indexOf(1);
      const inTheEnd = course.meanTempsC[course.length - 1] as number;
      return (course.meanTempsC[first] as number) - inTheEnd;
    });
    const heatJ = lostC.reduce((sum, c) => sum + c, 0) * 30 * DOUGH_HEAT.specificHeatJPerKgK;
    expect(Math.abs((rooms[0]?.broughtJ ?? 0) / heatJ - 1)).toBeLessThan(1e-6);
  });

  it('come out within two minutes of one-minute steps at the quick step', () => {
    const house = { rooms: [walkIn], lots: [lot('a', 0), lot('b', 8.13), lot('c', 11.77)] };
    const peaks = [QUICK_STEP_MIN, 1].map((stepMin) => {
      const result = simulateRoomsAndLots(house, { hours: 66, stepMin });
      if (!result.ok) throw new Error('fine house');
      return house.lots.map((_, i) => peakOf(result.value, i));
    });
    const [quick = [], fine = []] = peaks;
    quick.forEach((hour, i) => expect(Math.abs(hour - (fine[i] ?? NaN)) * 60).toBeLessThan(2));
  });

  it('a warm load-in warms the room for hours and moves the other lot forward', () => {
    const big = { ...lot('late', 10), doughKg: 500 };
    const without = run({ rooms: [walkIn], lots: [lot('a', 0)] });
    const withBig = run({ rooms: [walkIn], lots: [lot('a', 0), big] });
    expect(warmest(withBig, 12, 16)).toBeGreaterThan(warmest(without, 12, 16) + 1);
    expect(peakOf(withBig)).toBeLessThan(peakOf(without) - 0.3);
  });

  it('by the door a lot is ready earlier than at the back', () => {
    const { lots } = run({ rooms: [walkIn], lots: [lot('a', 0, 'door'), lot('b', 0, 'back')] });
    const peaks = lots.map(({ window }) => (window.kind === 'ready' ? window.peakHour : NaN));
    expect(peaks[0]).toBeLessThan((peaks[1] ?? 0) - 0.1);
  });

  it.each([
    ['power cut', { kind: 'power-cut', fromHour: 10, hours: 6 }],
    ['compressor failure', { kind: 'compressor-out', fromHour: 10, hours: 6 }],
    ['door left open', { kind: 'door-open', fromHour: 10, hours: 6 }],
    ['heatwave', { kind: 'heatwave', fromHour: 5, hours: 40, warmerC: 7 }],
  ] as const)('a %s warms what stands in the room', (_, event) => {
    const weak = { ...walkIn, room: { ...walkIn.room, coolingW: 700 } };
    const eventful = { ...weak, setting: withEvents(event).setting };
    const [calm, hit] = [weak, eventful].map((room) => run({ rooms: [room], lots: [lot('a', 0)] }));
    if (!calm || !hit) throw new Error('both run');
    expect(warmest(hit, 10, 16)).toBeGreaterThan(warmest(calm, 10, 16));
    expect(peakOf(hit)).toBeLessThanOrEqual(peakOf(calm));
    expect(maturityWhenPulled(hit)).toBeGreaterThan(maturityWhenPulled(calm));
  });

  it('a stage in it may end by its rise', () => {
    const route = lot('a', 0).route;
    const [bulk, cold, last] = route.stages;
    if (!bulk || !cold || !last) throw new Error('three stages');
    const stages = [{ ...bulk, hours: 20, airTempC: 26, untilRise: 1.5 }, cold, last];
    const { lots } = run({
      rooms: [walkIn],
      lots: [{ ...lot('a', 0), route: { ...route, stages } }],
    });
    const firstCold = lots[0]?.course.stages.indexOf(1) ?? -1;
    expect(lots[0]?.course.hours[firstCold]).toBeLessThan(19);
    expect(lots[0]?.course.rises[firstCold - 1]).toBeCloseTo(1.5, 1);
  });

  it('readings override what was computed, and what comes after starts from them', () => {
    const readings = Array.from({ length: 21 }, (_, i) => ({ hour: i, airC: 9 }));
    const read = run({ rooms: [{ ...walkIn, readings }], lots: [lot('a', 0)] });
    const computed = run({ rooms: [walkIn], lots: [lot('a', 0)] });
    const at = (result: RoomsAndLotsResult, hour: number) => result.rooms[0]?.airC[hour * 12 - 1];
    expect(at(read, 15)).toBeCloseTo(9, 9);
    expect(at(read, 26)).toBeLessThan(6);
    expect(peakOf(read)).toBeLessThan(peakOf(computed) - 1);
  });

  it('says which lot and which room number cannot be, and lets no NaN out', () => {
    const bad: ColdSystem = {
      rooms: [{ ...walkIn, airC: NaN, room: { ...USUAL_ROOM, lossWPerK: 0 } }],
      lots: [lot('a', -1), { ...lot('b', 0), route: { ...lot('b', 0).route, doughTempC: 90 } }],
    };
    expect(simulateRoomsAndLots(bad, { hours: 10 })).toEqual({
      ok: false,
      reasons: [
        { kind: 'room-number', room: 'walk-in', which: 'lossWPerK' },
        { kind: 'room-number', room: 'walk-in', which: 'airC' },
        { kind: 'before-start', lot: 'a', hour: -1 },
        {
          kind: 'lot-fault',
          lot: 'b',
          fault: { kind: 'dough-temp', tempC: 90, least: 1, most: 40 },
        },
      ],
    });
    const nowhere = simulateRoomsAndLots({ rooms: [], lots: [lot('a', 0)] }, { hours: 10 });
    expect(nowhere).toMatchObject({ reasons: [{ kind: 'no-such-room', room: 'walk-in' }] });
  });
});

describe('a room’s numbers', () => {
  /** A room as it really is, with two lots cooling in it and a third to come. */
  const truth = { ...USUAL_ROOM, lossWPerK: 36, setC: 5.2, coolingW: 1500 };
  const lots = [lot('a', 1), { ...lot('b', 18), doughKg: 300 }, { ...lot('c', 37), doughKg: 120 }];
  const real = run({ rooms: [{ ...walkIn, room: truth, airC: 5 }], lots }, 48);
  const airAt = ({ rooms }: RoomsAndLotsResult, hour: number) =>
    rooms[0]?.airC[Math.round(hour * 12) - 1] ?? NaN;
  /** What a probe wrote every ten minutes of the first day and a half. */
  const readings = Array.from({ length: 6 * 36 }, (_, i) => {
    const hour = (i + 1) / 6;
    return { hour, airC: airAt(real, hour) };
  });
  const fit = fitRoom({ rooms: [{ ...walkIn, readings }], lots }, 'walk-in');
  if (!fit.ok) throw new Error(JSON.stringify(fit.reasons));
  const fitted = fit.value;

  it('are found from readings', () => {
    const { room, beforeC, afterC } = fitted;
    expect(beforeC).toBeGreaterThan(0.5);
    expect(afterC).toBeLessThan(0.15);
    expect(Math.abs(room.setC - 5.2)).toBeLessThan(0.1);
    expect(Math.abs(room.coolingW - 1500)).toBeLessThan(150);
    expect(Math.abs(room.lossWPerK - 36)).toBeLessThan(Math.abs(USUAL_ROOM.lossWPerK - 36));
  });

  it('foretell the next twelve hours, load-in and all, within half a degree', () => {
    const offC = (room: Room) => {
      const foretold = run({ rooms: [{ ...walkIn, room, readings }], lots }, 48);
      const hours = Array.from({ length: 12 }, (_, i) => 36 + i);
      const meanOf = (result: RoomsAndLotsResult, from: number) =>
        mean(Array.from({ length: 12 }, (_, i) => airAt(result, from + (i + 1) / 12)));
      return Math.sqrt(mean(hours.map((h) => (meanOf(foretold, h) - meanOf(real, h)) ** 2)));
    };
    expect(offC(fitted.room)).toBeLessThan(0.5);
    expect(offC(fitted.room)).toBeLessThan(offC(USUAL_ROOM) / 2);
  });

  it('stay as they are on too few readings', () => {
    const few = { ...walkIn, readings: readings.slice(0, 5) };
    expect(fitRoom({ rooms: [few], lots: [] }, 'walk-in')).toEqual({
      ok: false,
      reasons: [{ kind: 'too-few-readings', readings: 5, least: 12 }],
    });
  });
});
