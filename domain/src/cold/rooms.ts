import { HOUR_S, airOfRoom, USUAL_SETTING, type RoomEvent, type ColdSystemRoom } from '@calm/core';
import type { ColdAssumption, ColdPlace, PlaceAir } from './coldQuestion';

/** A cold place as it is simulated: its own numbers, what was read in it, and what may happen to it. */
export function roomOf(
  place: ColdPlace,
  air: readonly PlaceAir[],
  {
    fromS,
    nowS,
    outsideC,
    assumptions,
    isAsSet,
  }: {
    fromS: number;
    nowS: number;
    outsideC: number;
    assumptions: readonly ColdAssumption[];
    isAsSet: boolean;
  },
): ColdSystemRoom {
  const { room } = place;
  const set = assumptions.reduce(
    (sum, assumption) =>
      assumption.kind === 'set-point' && assumption.placeId === place.id
        ? sum + assumption.byC
        : sum,
    0,
  );
  const probes = air.find(({ placeId }) => placeId === place.id)?.probes ?? [];
  const readings = isAsSet ? [] : airOfRoom(probes, fromS);
  return {
    name: place.name,
    room: {
      ...room,
      setC: room.setC + set,
      zonesC: Object.fromEntries(place.zones.map(({ name, warmerC }) => [name, warmerC])),
    },
    setting: {
      ...USUAL_SETTING,
      outsideC,
      clockHour: fromS / HOUR_S,
      events: assumptions.flatMap((assumption) =>
        eventsOf(assumption, place.id, (nowS - fromS) / HOUR_S),
      ),
    },
    airC: readings[0]?.airC ?? room.setC,
    readings,
  };
}

function eventsOf(assumption: ColdAssumption, placeId: string, fromHour: number): RoomEvent[] {
  switch (assumption.kind) {
    case 'power-cut':
      return [
        { kind: 'power-cut', fromHour, hours: assumption.hours },
        ...(assumption.isDoorOpen
          ? [{ kind: 'door-open', fromHour, hours: assumption.hours * OPENED_SHARE } as const]
          : []),
      ];
    case 'heatwave':
      return [{ kind: 'heatwave', fromHour, hours: assumption.hours, warmerC: assumption.warmerC }];
    case 'weak':
      return assumption.placeId === placeId
        ? [{ kind: 'compressor-weak', fromHour, hours: assumption.hours, share: assumption.share }]
        : [];
    case 'set-point':
      return [];
  }
}

/** A door that people go in and out of all the time stands open about this share of it. */
const OPENED_SHARE = 0.25;
