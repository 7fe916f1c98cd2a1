import type { HouseBook, Lot } from '@calm/contract';
import {
  alarmsIn,
  likelyCauses,
  putAway,
  STANDARD_ALARM_RULES,
  stageKey,
  USUAL_ROOM,
  USUAL_SETTING,
  type AlarmFound,
  type Cause,
  type ColdSystem,
  type LikelyCause,
  type ColdSystemLot,
  type Room,
  type RoomEvent,
  type ColdSystemRoom,
  type TraysAt,
} from '@calm/core';
import { instantOf, localDateOf } from '@calm/domain';
import { places, TIME_ZONE } from './lanternYard';
import { noise } from './noise';
import { doorsOf, readingsOf, trueAir, USUAL_PROBE, type ProbeNature } from './probes';
import type { DemoRecord } from './records';

/*
 * The cold of Lantern Yard: its probes, the rooms as they truly are, ten weeks of readings with their stories,
 * and where the trays stand.
 */

const DAY_MS = 24 * 3_600_000;
const S_PER_H = 3600;

/** What hangs where. */
export const probes = [
  { key: 'door', name: 'Walk-in door', place: 'Walk-in', zone: 'door', errorC: 0.3 },
  { key: 'back', name: 'Walk-in back', place: 'Walk-in', zone: 'back', errorC: 0 },
  { key: 'under', name: 'Under-counter', place: 'Under-counter', zone: 'inside', errorC: 0 },
] as const;

/** The door's probe was compared with the ice bath: it shows three tenths too much. */
export const CALIBRATION_C = -0.3;

/** What the rooms really are: the house believes `places`, and its readings say otherwise. */
const TRUE_ROOMS: Readonly<Record<string, Room>> = {
  'Walk-in': {
    ...USUAL_ROOM,
    lossWPerK: 29,
    coolingW: 1450,
    setC: 3.1,
    deadBandC: 0.6,
    defrost: { everyH: 8, minutes: 15, heaterW: 250, phaseH: 2.5 },
  },
  'Under-counter': {
    ...USUAL_ROOM,
    heatCapacityJPerK: 46_000,
    lossWPerK: 4.4,
    doorWPerK: 20,
    coolingW: 300,
    setC: 3.4,
    deadBandC: 0.6,
    defrost: null,
  },
};

const TRUE_ZONES_C: Readonly<Record<string, number>> = { door: 0.9, back: -0.35, inside: 0 };

/** The power cut, and the night in which the door stood ajar: days before today, local minutes, hours. */
const POWER_CUT = { daysAgo: 12, fromMin: 19 * 60 + 20, hours: 3 };
const AJAR = { daysAgo: 3, fromMin: 23 * 60 + 10, hours: 1.2 };
const HEATWAVE = { firstDaysAgo: 40, days: 7, warmerC: 8 };

/** Seconds since the epoch of a local time some days before today. */
function secondAt(now: Date, daysAgo: number, minute: number): number {
  const date = localDateOf(new Date(now.getTime() - daysAgo * DAY_MS), TIME_ZONE);
  return instantOf(date, minute, TIME_ZONE).getTime() / 1000;
}

/** Something that goes wrong while the probes post: by local time of today, or of the night before it. */
export const STORIES = ['warm-night', 'power-cut', 'door-ajar'] as const;
export type Story = (typeof STORIES)[number];

/** Last night from 01:10 to 06:30, minutes from local midnight. */
const NIGHT = { fromMin: 70, hours: 16 / 3 };

function storyOf(
  story: Story | null,
  place: string,
  at: (daysAgo: number, minute: number) => number,
): RoomEvent[] {
  const when = { fromHour: at(0, NIGHT.fromMin), hours: NIGHT.hours };
  if (story === 'power-cut') return [{ kind: 'power-cut', ...when }];
  if (place !== 'Walk-in' || story === null) return [];
  return story === 'warm-night'
    ? [{ kind: 'compressor-weak', share: 0.28, ...when }]
    : [{ kind: 'door-open', fromHour: when.fromHour, hours: 1.2 }];
}

function eventsOf(
  place: string,
  now: Date,
  startS: number,
  hours: number,
  story: Story | null,
): RoomEvent[] {
  const at = (daysAgo: number, minute: number) =>
    (secondAt(now, daysAgo, minute) - startS) / S_PER_H;
  const isWalkIn = place === 'Walk-in';
  return [
    ...doorsOf(place, startS, hours),
    ...storyOf(story, place, at),
    {
      kind: 'power-cut',
      fromHour: at(POWER_CUT.daysAgo, POWER_CUT.fromMin),
      hours: POWER_CUT.hours,
    },
    {
      kind: 'heatwave',
      fromHour: at(HEATWAVE.firstDaysAgo, 0),
      hours: HEATWAVE.days * 24,
      warmerC: HEATWAVE.warmerC,
    },
    ...(isWalkIn
      ? [
          {
            kind: 'door-open',
            fromHour: at(AJAR.daysAgo, AJAR.fromMin),
            hours: AJAR.hours,
          } as const,
        ]
      : []),
  ];
}

/** A stay of a lot in the cold, epoch ms; it goes on when nobody has taken it out. */
interface Stay {
  readonly lot: Lot;
  readonly place: string;
  readonly fromMs: number;
  readonly toMs: number | null;
}

function stayOf(lot: Lot): Stay | null {
  const { route } = lot.recipe;
  const at = route.findIndex((stage) => stage.kind === 'rest' && stage.key === 'cold');
  const cold = route[at];
  if (cold?.kind !== 'rest') return null;
  const doneAt = (isWanted: (index: number) => boolean) =>
    route
      .map((stage, index) => ({ stage, index }))
      .filter(({ stage, index }) => stage.kind === 'work' && isWanted(index))
      .map(({ stage, index }) =>
        lot.marks.find(
          (mark) => mark.loadNumber === 0 && mark.stepKey === stageKey({ ...stage, index }),
        ),
      );
  const [before] = doneAt((index) => index < at).toReversed();
  const [after] = doneAt((index) => index > at);
  if (!before?.doneAt) return null;
  return {
    lot,
    place: cold.place,
    fromMs: Date.parse(before.doneAt),
    toMs: after?.doneAt ? Date.parse(after.doneAt) : null,
  };
}

const kgOf = ({ items }: Lot): number =>
  items.reduce((sum, { count, ballWeightG }) => sum + count * ballWeightG, 0) / 1000;

/** The house's cold as it truly is, from a moment on. */
export function trueHouse(
  lots: readonly Lot[],
  now: Date,
  startS: number,
  hours: number,
  story: Story | null = null,
): ColdSystem {
  const rooms = places.flatMap(({ name }): ColdSystemRoom[] => {
    const room = TRUE_ROOMS[name];
    if (!room) return [];
    const setting = {
      ...USUAL_SETTING,
      outsideC: 23,
      doorMinPerH: 0,
      clockHour: startS / S_PER_H,
      events: eventsOf(name, now, startS, hours, story),
    };
    return [{ name, room, setting, airC: room.setC, readings: [] }];
  });
  const stays = lots.flatMap((lot) => stayOf(lot) ?? []);
  return {
    rooms,
    lots: stays.flatMap(({ lot, place, fromMs, toMs }): ColdSystemLot[] => {
      const startHour = (fromMs / 1000 - startS) / S_PER_H;
      if (startHour < 0 || !TRUE_ROOMS[place]) return [];
      const { formula } = lot.recipe;
      const { preferment: _p, oldDough: _o, ...plain } = formula;
      return [
        {
          name: lot.id,
          startHour,
          doughKg: kgOf(lot),
          route: {
            formula: plain,
            ballWeightG: lot.items[0]?.ballWeightG ?? 250,
            doughTempC: 23,
            stages: [
              {
                kind: 'ball',
                hours: Math.max(1, ((toMs ?? now.getTime()) - fromMs) / 3_600_000),
                airTempC: 4,
                container: 'lidded-tray',
                room: place,
              },
            ],
          },
        },
      ];
    }),
  };
}

/** What a probe of the house is like. */
export const natureOf = (probe: (typeof probes)[number], everyS: number): ProbeNature => ({
  key: probe.key,
  zoneC: TRUE_ZONES_C[probe.zone] ?? 0,
  ...USUAL_PROBE,
  errorC: probe.errorC,
  everyS,
});

/** Readings of one probe, in time's order. */
export interface ProbeHistory {
  readonly probe: (typeof probes)[number];
  readonly readings: readonly { readonly atS: number; readonly airC: number }[];
}

/** What loggers kept: every five minutes. */
const LOGGED_EVERY_S = 300;
const TRUE_STEP_MIN = 5;
/** A room needs some hours to be as its lots make it. */
const BEFORE_H = 12;

/** Some days of readings up to now, of every probe; what is still on its way is not there yet. */
export function makeReadings(lots: readonly Lot[], now: Date, days: number): ProbeHistory[] {
  const nowS = now.getTime() / 1000;
  const startS = Math.floor((nowS - days * 86_400) / 3600) * 3600 - BEFORE_H * S_PER_H;
  const hours = (nowS - startS) / S_PER_H;
  const airOf = trueAir(trueHouse(lots, now, startS, hours), startS, hours, TRUE_STEP_MIN);
  return probes.map((probe) => {
    const sent = readingsOf(
      natureOf(probe, LOGGED_EVERY_S),
      airOf(probe.place),
      startS + BEFORE_H * S_PER_H,
      nowS,
    ).filter(({ sentS, atS }) => sentS <= nowS && atS <= nowS);
    const byTime = new Map(sent.map(({ atS, airC }) => [atS, airC]));
    return {
      probe,
      readings: [...byTime].map(([atS, airC]) => ({ atS, airC })).sort((a, b) => a.atS - b.atS),
    };
  });
}

/** An alarm of the past, and how it was taken care of. */
export interface DemoAlarm {
  readonly probe: (typeof probes)[number];
  readonly found: AlarmFound;
  readonly causes: readonly LikelyCause[];
  readonly by: string;
  readonly cause: Cause;
  readonly note: string;
}

/** Everything that was wrong with the cold over some readings; all of it was taken care of. */
export function makeAlarms(history: readonly ProbeHistory[], now: Date): DemoAlarm[] {
  const nowS = Math.floor(now.getTime() / 1000);
  return history.flatMap(({ probe, readings }) => {
    const place = places.find(({ name }) => name === probe.place);
    const corrected = readings.map(({ atS, airC }) => ({ atS, airC: airC - probe.errorC }));
    const zoneC = place?.zones.find(({ name }) => name === probe.zone)?.warmerC ?? 0;
    const room = place?.room ?? null;
    return alarmsIn(corrected, STANDARD_ALARM_RULES, { room, zoneC, nowS })
      .filter(({ kind, untilS }) => kind === 'above' && untilS !== null)
      .map((found) => {
        const [cause, by, note] = toldOf(found, now);
        return {
          probe,
          found,
          causes: likelyCauses(found, {
            room: room ?? USUAL_ROOM,
            outsideC: 22,
            othersToo: cause === 'power',
            warmKg: cause === 'warm-load' ? 40 : 0,
            allSilent: false,
          }),
          by,
          cause,
          note,
        };
      });
  });
}

function toldOf({ fromS, untilS }: AlarmFound, now: Date): [Cause, string, string] {
  const during = (daysAgo: number, minute: number, hours: number) => {
    const at = secondAt(now, daysAgo, minute);
    return fromS < at + hours * S_PER_H && (untilS ?? Infinity) > at;
  };
  if (during(POWER_CUT.daysAgo, POWER_CUT.fromMin - 30, POWER_CUT.hours + 4)) {
    return ['power', 'Wren', 'Kept shut, nothing taken out. What had gone slack went in the bin.'];
  }
  if (during(AJAR.daysAgo, AJAR.fromMin - 30, AJAR.hours + 3)) {
    return ['door', 'Bashir', 'Found ajar behind the trolley. Shut; trays by the door used first.'];
  }
  if (during(HEATWAVE.firstDaysAgo, 0, HEATWAVE.days * 24)) {
    return ['heat', 'Maro', 'Kitchen over 30 °C. Door kept shut, ice on the bottom rack.'];
  }
  return ['warm-load', 'Tilde', 'Came down by itself after loading.'];
}

/** Where trays of the lots that are in the cold were put, and taken out again. */
export function makePuts(
  book: HouseBook,
  lots: readonly Lot[],
  now: Date,
  placeIdOf: (name: string) => string,
): DemoRecord[] {
  const stays = lots
    .flatMap((lot) => stayOf(lot) ?? [])
    .filter(({ toMs }) => toMs === null || toMs > now.getTime() - 4 * DAY_MS)
    .sort((a, b) => a.fromMs - b.fromMs);
  // Trays are pulled in waves until the last service that they are for.
  const standing: (TraysAt & { readonly place: string; readonly untilMs: number })[] = [];
  return stays.flatMap(({ lot, place, fromMs }): DemoRecord[] => {
    const rack = places.find(({ name }) => name === place);
    if (!rack) return [];
    return lot.items.flatMap((item): DemoRecord[] => {
      const perTray = book.products.find(({ id }) => id === item.productId)?.ballsPerTray ?? 12;
      const trays = Math.ceil(item.count / perTray);
      const there = standing.filter((each) => each.place === place && each.untilMs > fromMs);
      const { puts } = putAway(rack, there, trays, false);
      const untilMs = Date.parse(lot.closeAt);
      standing.push(...puts.map((put) => ({ ...put, place, untilMs })));
      let left = item.count;
      return puts.map((put, i): DemoRecord => {
        const balls = Math.min(left, put.trays * perTray);
        left -= balls;
        return {
          key: `put/${lot.id}/${item.productId}/${i}`,
          lot: lot.id,
          at: new Date(fromMs + i * 1000),
          by: 'Tilde',
          content: {
            kind: 'moved',
            productId: item.productId,
            from: null,
            to: { placeId: placeIdOf(place), zone: put.zone, position: put.position },
            trays: put.trays,
            balls,
          },
        };
      });
    });
  });
}

/** A temperature that somebody took by hand. */
export interface DemoRound {
  readonly key: string;
  readonly at: Date;
  readonly by: string;
  readonly place: string;
  readonly zone: string;
  readonly airC: number;
}

/** Days of rounds by hand that are on record. */
const ROUND_DAYS = 7;
const ROUNDS = [
  { minute: 10 * 60 + 4, by: 'Bashir' },
  { minute: 16 * 60 + 7, by: 'Ossian' },
] as const;

/** The rounds by hand of the last days: near what the probes showed then. */
export function makeRounds(history: readonly ProbeHistory[], now: Date): DemoRound[] {
  return Array.from({ length: ROUND_DAYS }, (_, daysAgo) => daysAgo).flatMap((daysAgo) =>
    ROUNDS.flatMap(({ minute, by }) => {
      const atS = secondAt(now, daysAgo, minute);
      if (atS * 1000 > now.getTime()) return [];
      return history.flatMap(({ probe, readings }): DemoRound[] => {
        const read = readings.findLast((each) => each.atS <= atS);
        if (!read) return [];
        const key = `round/${probe.key}/${atS}`;
        const airC = Math.round((read.airC - probe.errorC + 0.3 * noise(key)) * 10) / 10;
        const at = new Date(atS * 1000);
        return [{ key, at, by, place: probe.place, zone: probe.zone, airC }];
      });
    }),
  );
}
