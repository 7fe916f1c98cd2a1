import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { airAt, stepRoom, USUAL_ROOM, type RoomDrive } from './room';
import { readBetween } from './airReading';
import { setDrive, USUAL_SETTING, type RoomEvent } from './scenario';

const quiet: RoomDrive = {
  outsideC: 24,
  doorShare: 0,
  coolingShare: 1,
  setOffC: 0,
  heaterW: 0,
  loadAtZeroW: 0,
  loadWPerK: 0,
};

describe('a cold room', () => {
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

  it('loses no joule, however long the step and however often the thermostat switches', () => {
    fc.assert(
      fc.property(
        fc.record({
          outsideC: number(10, 40),
          doorShare: number(0, 1),
          coolingShare: number(0, 1),
          heaterW: number(0, 800),
          setOffC: number(-1, 1),
          loadAtZeroW: number(0, 3000),
          loadWPerK: number(0, 100),
        }),
        number(0, 15),
        number(30, 3600),
        (drive, airC, stepS) => {
          const air = airAt(airC);
          stepRoom(USUAL_ROOM, air, drive, stepS);
          const { meanC, cooledJ } = air;
          const toOutside = USUAL_ROOM.lossWPerK + drive.doorShare * USUAL_ROOM.doorWPerK;
          const broughtJ =
            stepS *
            (toOutside * (drive.outsideC - meanC) +
              drive.loadAtZeroW -
              drive.loadWPerK * meanC +
              drive.heaterW);
          const storedJ = USUAL_ROOM.heatCapacityJPerK * (air.airC - airC);
          const scale = Math.abs(broughtJ) + cooledJ + Math.abs(storedJ) + 1;
          expect(Math.abs(broughtJ - cooledJ - storedJ) / scale).toBeLessThan(1e-9);
        },
      ),
    );
  });

  it('comes out the same in one long step as in many short ones', () => {
    const drive = { ...quiet, loadAtZeroW: 400 };
    const [short, long] = [airAt(9), airAt(9)];
    let meanC = 0;
    for (let i = 0; i < 600; i += 1) {
      stepRoom(USUAL_ROOM, short, drive, 6);
      meanC += short.meanC / 600;
    }
    stepRoom(USUAL_ROOM, long, drive, 3600);
    expect(long.airC).toBeCloseTo(short.airC, 6);
    expect(long.meanC).toBeCloseTo(meanC, 6);
  });

  it('swings within its dead band once it is cold', () => {
    const air = airAt(4);
    const seen: number[] = [];
    for (let i = 0; i < 600; i += 1) {
      stepRoom(USUAL_ROOM, air, quiet, 60);
      seen.push(air.airC);
    }
    expect(Math.min(...seen)).toBeGreaterThanOrEqual(3.25 - 1e-9);
    expect(Math.max(...seen)).toBeLessThanOrEqual(4.75 + 1e-9);
    expect(Math.max(...seen) - Math.min(...seen)).toBeGreaterThan(1);
  });

  it('is held so much warmer when its thermostat is off', () => {
    const meanOf = (setOffC: number) => {
      const air = airAt(4 + setOffC);
      let sumC = 0;
      for (let i = 0; i < 600; i += 1) {
        stepRoom(USUAL_ROOM, air, { ...quiet, setOffC }, 60);
        sumC += air.meanC;
      }
      return sumC / 600;
    };
    expect(meanOf(0.6) - meanOf(0)).toBeCloseTo(0.6, 1);
  });

  it('warms by its loss alone when the power is cut: the textbook exponential', () => {
    const cut = { ...quiet, coolingShare: 0 };
    const air = airAt(4);
    stepRoom(USUAL_ROOM, air, cut, 7200);
    const timeS = USUAL_ROOM.heatCapacityJPerK / USUAL_ROOM.lossWPerK;
    expect(air.airC).toBeCloseTo(24 - 20 * Math.exp(-7200 / timeS), 9);
  });

  it('cannot hold its temperature against more heat than its compressor takes out', () => {
    const air = airAt(4);
    stepRoom(USUAL_ROOM, air, { ...quiet, loadAtZeroW: 5000 }, 36_000);
    expect(air.airC).toBeGreaterThan(20);
  });
});

describe('what works on a room', () => {
  const setting = { ...USUAL_SETTING, doorMinPerH: 0 };
  const between = (from: number, to: number, events: readonly RoomEvent[] = []) => {
    const drive = { ...quiet };
    setDrive(drive, USUAL_ROOM, { ...setting, events }, from, to);
    return drive;
  };

  it('is its defrost at its hours', () => {
    expect(between(7.9, 8).heaterW).toBe(0);
    expect(between(8, 8.1)).toMatchObject({ coolingShare: 0, heaterW: 600 });
    expect(between(8.4, 8.5).coolingShare).toBe(1);
  });

  it('is each event for as much of the step as it lasts', () => {
    const events = [
      { kind: 'power-cut', fromHour: 1, hours: 0.5 },
      { kind: 'door-open', fromHour: 3, hours: 1 },
      { kind: 'heatwave', fromHour: 5, hours: 10, warmerC: 8 },
      { kind: 'compressor-out', fromHour: 20, hours: 2 },
      { kind: 'thermostat-off', fromHour: 30, hours: 1, warmerC: 0.4 },
    ] as const;
    const at = (from: number, to: number) => between(from, to, events);
    expect(at(1, 2).coolingShare).toBeCloseTo(0.5, 12);
    expect(at(3, 4).doorShare).toBe(1);
    expect(at(6, 7).outsideC).toBe(setting.outsideC + 8);
    expect(at(20, 21).coolingShare).toBe(0);
    expect(at(22.5, 23).coolingShare).toBe(1);
    expect(at(30.5, 31.5).setOffC).toBeCloseTo(0.2, 12);
  });
});

describe('readings', () => {
  const readings = [
    { hour: 1, airC: 4 },
    { hour: 2, airC: 6 },
    { hour: 9, airC: 5 },
  ];

  it('stand for the time between them when they are near each other', () => {
    expect(readBetween(readings, 1.5, 1.6)?.endC).toBeCloseTo(5.2, 12);
    expect(readBetween(readings, 1.5, 1.6)?.meanC).toBeCloseTo(5.1, 12);
  });

  it('stand for themselves when they are far apart, and for nothing after', () => {
    expect(readBetween(readings, 5, 5.1)).toBeNull();
    expect(readBetween(readings, 8.95, 9.05)).toEqual({ meanC: 5, endC: 5 });
    expect(readBetween(readings, 9.05, 9.1)).toBeNull();
    expect(readBetween([], 0, 1)).toBeNull();
  });
});
