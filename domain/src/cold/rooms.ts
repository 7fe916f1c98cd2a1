import { airOfRoom, USUAL_SETTING, type RoomEvent, type RoomOfHouse } from '@calm/core';
import type { ColdAsIf, ColdPlace, PlaceAir } from './coldQuestion';

const S_PER_H = 3600;

/** A cold place as it is simulated: its own numbers, what was read in it, and what may happen to it. */
export function roomOf(
  place: ColdPlace,
  air: readonly PlaceAir[],
  {
    fromS,
    nowS,
    outsideC,
    asIfs,
    isAsSet,
  }: {
    fromS: number;
    nowS: number;
    outsideC: number;
    asIfs: readonly ColdAsIf[];
    isAsSet: boolean;
  },
): RoomOfHouse {
  const { room } = place;
  const set = asIfs.reduce(
    (sum, asIf) => (asIf.kind === 'set-point' && asIf.placeId === place.id ? sum + asIf.byC : sum),
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
      clockHour: fromS / S_PER_H,
      events: asIfs.flatMap((asIf) => eventsOf(asIf, place.id, (nowS - fromS) / S_PER_H)),
    },
    airC: readings[0]?.airC ?? room.setC,
    readings,
  };
}

function eventsOf(asIf: ColdAsIf, placeId: string, fromHour: number): RoomEvent[] {
  switch (asIf.kind) {
    case 'power-cut':
      return [
        { kind: 'power-cut', fromHour, hours: asIf.hours },
        ...(asIf.isDoorOpen
          ? [{ kind: 'door-open', fromHour, hours: asIf.hours * OPENED_SHARE } as const]
          : []),
      ];
    case 'heatwave':
      return [{ kind: 'heatwave', fromHour, hours: asIf.hours, warmerC: asIf.warmerC }];
    case 'weak':
      return asIf.placeId === placeId
        ? [{ kind: 'compressor-weak', fromHour, hours: asIf.hours, share: asIf.share }]
        : [];
    case 'set-point':
      return [];
  }
}

/** A door that people go in and out of all the time stands open about this share of it. */
const OPENED_SHARE = 0.25;
