import { USUAL_ROOM, type Room } from '@calm/core';

/**
 * What hangs where, what each shows too much, and what the house adds to it, °C. The door's was compared with an ice bath;
 * that of the under-counter never was.
 */
export const probes = [
  { key: 'door', name: 'Walk-in door', place: 'Walk-in', zone: 'door', errorC: 0.3, offsetC: -0.3 },
  { key: 'back', name: 'Walk-in back', place: 'Walk-in', zone: 'back', errorC: 0, offsetC: 0 },
  {
    key: 'under',
    name: 'Under-counter',
    place: 'Under-counter',
    zone: 'inside',
    errorC: 0.8,
    offsetC: 0,
  },
] as const;

/** What the rooms really are: the house believes `places`, and its readings say otherwise. */
export const TRUE_ROOMS: Readonly<Record<string, Room>> = {
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

export const TRUE_ZONES_C: Readonly<Record<string, number>> = { door: 0.9, back: -0.35, inside: 0 };
