import { USUAL_ROOM, type Room } from '@calm/core';

/** What hangs where. */
export const probes = [
  { key: 'door', name: 'Walk-in door', place: 'Walk-in', zone: 'door', errorC: 0.3 },
  { key: 'back', name: 'Walk-in back', place: 'Walk-in', zone: 'back', errorC: 0 },
  { key: 'under', name: 'Under-counter', place: 'Under-counter', zone: 'inside', errorC: 0 },
] as const;

/** The door's probe was compared with the ice bath: it shows three tenths too much. */
export const CALIBRATION_C = -0.3;

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
