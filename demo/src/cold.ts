import {
  DAY_MS,
  HOUR_S,
  putAway,
  stageKey,
  USUAL_SETTING,
  type ColdSystem,
  type ColdSystemLot,
  type RoomEvent,
  type ColdSystemRoom,
  type TraysAt,
} from '@calm/core';
import type { HouseBook, Lot } from '@calm/contract';
import { instantOf, localDateOf } from '@calm/domain';
import { places, TIME_ZONE } from './lanternYard';
import { doorsOf, USUAL_PROBE, type ProbeNature } from './probes';
import type { DemoRecord } from './past/records';
import { type probes, TRUE_ROOMS, TRUE_ZONES_C } from './cold/trueRooms';

/*
 * The cold of Lantern Yard: its probes, the rooms as they truly are, ten weeks of readings with their stories,
 * and where the trays stand.
 */

/** The power cut, and the night in which the door stood ajar: days before today, local minutes, hours. */
export const POWER_CUT = { daysAgo: 12, fromMin: 19 * 60 + 20, hours: 3 };

export const AJAR = { daysAgo: 3, fromMin: 23 * 60 + 10, hours: 1.2 };

/** The walk-in's thermostat crept by some hundredths of a degree a day, until it was set right some days ago. */
const CREEP = { firstDaysAgo: 15, days: 12, dailyC: 0.03 };

export const HEATWAVE = { firstDaysAgo: 40, days: 7, warmerC: 8 };

/** Seconds since the epoch of a local time some days before today. */
export function secondAt(now: Date, daysAgo: number, minute: number): number {
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
    (secondAt(now, daysAgo, minute) - startS) / HOUR_S;
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
          ...creep(at),
          {
            kind: 'door-open',
            fromHour: at(AJAR.daysAgo, AJAR.fromMin),
            hours: AJAR.hours,
          } as const,
        ]
      : []),
  ];
}

const creep = (at: (daysAgo: number, minute: number) => number): RoomEvent[] =>
  Array.from({ length: CREEP.days }, (_, day) => ({
    kind: 'thermostat-off' as const,
    fromHour: at(CREEP.firstDaysAgo - day, 0),
    hours: 24,
    warmerC: CREEP.dailyC * (day + 1),
  }));

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
      clockHour: startS / HOUR_S,
      events: eventsOf(name, now, startS, hours, story),
    };
    return [{ name, room, setting, airC: room.setC, readings: [] }];
  });
  const stays = lots.flatMap((lot) => stayOf(lot) ?? []);
  return {
    rooms,
    lots: stays.flatMap(({ lot, place, fromMs, toMs }): ColdSystemLot[] => {
      const startHour = (fromMs / 1000 - startS) / HOUR_S;
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
