import { freshEquivalentPercent } from '../../formula';
import type { AirReading } from '../room/airReading';
import type { Room } from '../room/room';
import type { RoomSetting } from '../room/scenario';
import { routeFaults, type DoughRoute, type RouteFault } from '../../ferment/route/doughRoute';
import type { Target } from '../../ferment/dough/state';

/** A cold room and what happens to it. */
export interface ColdSystemRoom {
  readonly name: string;
  readonly room: Room;
  readonly setting: RoomSetting;
  /** Its air at hour 0, °C. */
  readonly airC: number;
  /** What was read in it so far: stands in for what would be computed. */
  readonly readings: readonly AirReading[];
}

/** A lot and when its dough comes off the mixer, at hour 0 or later. */
export interface ColdSystemLot {
  readonly name: string;
  readonly startHour: number;
  readonly doughKg: number;
  readonly route: DoughRoute;
  readonly target?: Target;
}

/** Rooms and lots that warm and cool each other. */
export interface ColdSystem {
  readonly rooms: readonly ColdSystemRoom[];
  readonly lots: readonly ColdSystemLot[];
}

/** Why a house cannot be simulated. */
export type ColdSystemFault =
  | { readonly kind: 'lot-fault'; readonly lot: string; readonly fault: RouteFault }
  | { readonly kind: 'room-number'; readonly room: string; readonly which: string }
  | { readonly kind: 'lot-mass'; readonly lot: string; readonly doughKg: number }
  | { readonly kind: 'before-start'; readonly lot: string; readonly hour: number }
  | { readonly kind: 'no-such-room'; readonly lot: string; readonly room: string };

const MOST_LOT_KG = 10_000;

/** What keeps a house from being simulated. */
export function coldSystemFaults({ rooms, lots }: ColdSystem): ColdSystemFault[] {
  const ofLots = lots.flatMap(({ name: lot, route, startHour, doughKg }): ColdSystemFault[] => {
    const { yeast } = route.formula;
    const fresh = freshEquivalentPercent(yeast, route.yeastActivity, route.yeastConversion);
    const wrong = routeFaults(route, fresh).map(
      (fault) => ({ kind: 'lot-fault', lot, fault }) as const,
    );
    const lost = route.stages
      .flatMap(({ room }) => (room === undefined ? [] : [room]))
      .filter((room) => !rooms.some(({ name }) => name === room))
      .map((room) => ({ kind: 'no-such-room', lot, room }) as const);
    const early =
      startHour >= 0 && Number.isFinite(startHour)
        ? []
        : [{ kind: 'before-start', lot, hour: startHour } as const];
    const massless =
      doughKg > 0 && doughKg < MOST_LOT_KG ? [] : [{ kind: 'lot-mass', lot, doughKg } as const];
    return [...wrong, ...lost, ...early, ...massless];
  });
  return [...rooms.flatMap(roomFaults), ...ofLots];
}

const isAirC = (value: number): boolean => Math.abs(value) <= 60;

/** A room's numbers that no room has. */
function roomFaults({ name, room, setting, airC, readings }: ColdSystemRoom): ColdSystemFault[] {
  const { heatCapacityJPerK, lossWPerK, doorWPerK, coolingW, deadBandC, setC } = room;
  const above = { heatCapacityJPerK, lossWPerK };
  const atLeastNone = { doorWPerK, coolingW, deadBandC, doorMinPerH: setting.doorMinPerH };
  const temps = { setC, airC, outsideC: setting.outsideC, ...room.zonesC };
  const wrong = (numbers: Record<string, number>, isRight: (value: number) => boolean) =>
    Object.keys(numbers).filter((which) => !isRight(numbers[which] as number));
  return [
    ...wrong(above, (value) => value > 0 && Number.isFinite(value)),
    ...wrong(atLeastNone, (value) => value >= 0 && Number.isFinite(value)),
    ...wrong(temps, isAirC),
    ...readings.flatMap(({ airC: read }, i) => (isAirC(read) ? [] : [`reading ${i}`])),
  ].map((which) => ({ kind: 'room-number', room: name, which }));
}
