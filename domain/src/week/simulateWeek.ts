import {
  simulateRoomsAndLots,
  USUAL_SETTING,
  type ColdSystemLot,
  type PlannedLot,
  type RoomEvent,
  type ColdSystemRoom,
} from '@calm/core';
import type { Climate, RoomAir } from './climate';
import type { Place, Assumption, WeekDocument } from '@calm/contract';
import { simulateLot, type SimulatedLot } from './weekDoses';

/** A week's lots with the rooms they stand in. */
export interface SimulatedWeek {
  readonly lots: readonly SimulatedLot[];
  readonly climate: Climate;
  /** How often doses and rooms were calculated again until neither moved the other. */
  readonly rounds: number;
}

const STEP_MIN = 7.5;
/** Rooms that move less than this between two rounds are settled, °C. */
const STILL_C = 0.05;
const MOST_ROUNDS = 4;
/** Rooms are followed this long past the last work, minutes. */
const BEYOND_MIN = 8 * 60;

/**
 * Doses every lot and simulates it together with the cold rooms; the rooms' air then is what the lots are
 * dosed in, and so on until it stays.
 *
 * @param mixed lots whose yeast is in them already
 */
export function simulateWeek(
  document: WeekDocument,
  lots: readonly PlannedLot[],
  {
    places,
    assumptions,
    mixed,
  }: {
    readonly places: readonly Place[];
    readonly assumptions: readonly Assumption[];
    readonly mixed: ReadonlySet<string>;
  },
): SimulatedWeek {
  let climate: Climate = { rooms: [], assumptions };
  for (let round = 1; ; round += 1) {
    const simulated = lots.map((lot) =>
      simulateLot(document, lot, { climate, isMixed: mixed.has(lot.id) }),
    );
    const rooms = roomsWith(simulated, lots, places, assumptions);
    const movedC = Math.max(0, ...rooms.map((room) => movedBy(room, climate)));
    climate = { rooms, assumptions };
    if (rooms.length === 0 || movedC < STILL_C || round === MOST_ROUNDS) {
      return { lots: simulated, climate, rounds: round };
    }
  }
}

/** The air of every cooled place while some lots stand in it. */
function roomsWith(
  simulated: readonly SimulatedLot[],
  lots: readonly PlannedLot[],
  places: readonly Place[],
  assumptions: readonly Assumption[],
): RoomAir[] {
  const cooled = places.flatMap(({ name, room }) => (room ? [{ name, room }] : []));
  const begins = simulated.flatMap(({ ways: [main] }) => (main ? [main.mixedMin] : []));
  if (cooled.length === 0 || begins.length === 0) return [];
  const startMin = Math.min(...begins);
  const endMin =
    Math.max(...lots.flatMap(({ rests }) => rests.map((rest) => rest.endMin))) + BEYOND_MIN;
  const hoursFrom = (minute: number) => (minute - startMin) / 60;
  const rooms = cooled.map(({ name, room }): ColdSystemRoom => ({
    name,
    room,
    setting: { ...USUAL_SETTING, events: eventsOf(assumptions, name, hoursFrom) },
    airC: room.setC,
    readings: [],
  }));
  const inHouse = simulated.flatMap(({ lotId, ways: [main] }): ColdSystemLot[] => {
    const lot = lots.find(({ id }) => id === lotId);
    if (!main || !lot) return [];
    const stages = main.route.stages.map((stage, i) => {
      const place = main.places[i] ?? '';
      return cooled.some(({ name }) => name === place) ? { ...stage, room: place } : stage;
    });
    return [
      {
        name: lotId,
        startHour: hoursFrom(main.mixedMin),
        doughKg: lot.doughKg,
        route: { ...main.route, stages },
      },
    ];
  });
  const house = simulateRoomsAndLots(
    { rooms, lots: inHouse },
    { hours: hoursFrom(endMin), stepMin: STEP_MIN, beyondH: 0 },
  );
  if (!house.ok) return [];
  return house.value.rooms.map(({ name, airC }) => ({
    place: name,
    startMin,
    stepMin: STEP_MIN,
    airC,
  }));
}

function eventsOf(
  assumptions: readonly Assumption[],
  room: string,
  hoursFrom: (minute: number) => number,
): RoomEvent[] {
  return assumptions.flatMap((assumption): RoomEvent[] => {
    if (assumption.kind !== 'warmer' && assumption.kind !== 'room-down') return [];
    const { startMin, endMin } = assumption.when;
    const when = { fromHour: hoursFrom(startMin), hours: (endMin - startMin) / 60 };
    if (assumption.kind === 'warmer')
      return [{ ...when, kind: 'heatwave', warmerC: assumption.byC }];
    return assumption.place === room ? [{ ...when, kind: 'compressor-out' }] : [];
  });
}

/** How far a room's air has moved on average, °C. */
function movedBy({ place, startMin, airC }: RoomAir, before: Climate): number {
  const was = before.rooms.find((each) => each.place === place);
  if (was?.startMin !== startMin) return Infinity;
  let sum = 0;
  for (let i = 0; i < airC.length; i += 1) sum += Math.abs((airC[i] ?? 0) - (was.airC[i] ?? 0));
  return sum / Math.max(1, airC.length);
}
