import type { Room } from '../room/room';
import type { AlarmFound } from './alarm';

/** What may be behind an alarm. */
export const CAUSES = [
  'power',
  'compressor',
  'door',
  'warm-load',
  'defrost',
  'heat',
  'probe',
] as const;
/** One of them. */
export type Cause = (typeof CAUSES)[number];

/** What else is known of the house while something is wrong at a probe. */
export interface AlarmAround {
  readonly room: Room;
  /** Around the room, °C. */
  readonly outsideC: number;
  /** Other cooled rooms of the house are rising, or silent, at the same time; null when there is none. */
  readonly othersToo: boolean | null;
  /** Dough that came in warm within the two hours before, kg. */
  readonly warmKg: number;
  /** The whole house is silent. */
  readonly allSilent: boolean;
}

/** A cause, how much speaks for it against the others, and the two rates it was judged by, °C/h. */
export interface LikelyCause {
  readonly cause: Cause;
  /** 0–1; all together 1. */
  readonly weight: number;
}

/** How fast a room's air rises with no cooling at all, and with its door open too, °C/h. */
export function risesOf(room: Room, outsideC: number): { shutCPerH: number; openCPerH: number } {
  const warmerC = Math.max(0, outsideC - room.setC);
  const perH = 3600 / room.heatCapacityJPerK;
  return {
    shutCPerH: room.lossWPerK * warmerC * perH,
    openCPerH: (room.lossWPerK + room.doorWPerK) * warmerC * perH,
  };
}

/** Dough this much warmer than the room gives off about this, W per kg, as it comes in. */
const WARM_LOAD_W_PER_KG = 9;

/**
 * What is likely behind an alarm, most likely first: by how fast the air rose, next to what this room's own
 * numbers give without cooling and with an open door, and by what happened around it. Weights are judgement,
 * not measurement: they order what to look at first.
 */
export function likelyCauses(alarm: AlarmFound, around: AlarmAround): LikelyCause[] {
  const weights = alarm.kind === 'silent' ? ofSilence(around) : ofWarmth(alarm, around);
  const sum = weights.reduce((total, [, weight]) => total + weight, 0);
  return weights
    .filter(([, weight]) => weight > 0)
    .map(([cause, weight]) => ({ cause, weight: weight / sum }))
    .sort((a, b) => b.weight - a.weight);
}

type Weighed = readonly (readonly [Cause, number])[];

function ofSilence({ allSilent }: AlarmAround): Weighed {
  return allSilent
    ? [
        ['power', 3],
        ['probe', 1],
      ]
    : [
        ['probe', 4],
        ['power', 1],
      ];
}

function ofWarmth({ kind, roseCPerH }: AlarmFound, around: AlarmAround): Weighed {
  const { room, outsideC, othersToo, warmKg } = around;
  const { shutCPerH, openCPerH } = risesOf(room, outsideC);
  const rose = Math.max(0.1, roseCPerH ?? shutCPerH);
  // How near the rise is to what each would give, on a scale of factors.
  const near = (rate: number) => Math.exp(-(Math.log(rose / Math.max(0.1, rate)) ** 2) / 0.5);
  const loadCPerH = (warmKg * WARM_LOAD_W_PER_KG * 3600) / room.heatCapacityJPerK;
  const overwhelms = warmKg * WARM_LOAD_W_PER_KG > room.coolingW * 0.5;
  const noCooling = near(shutCPerH) + 0.1;
  return [
    ['power', othersToo === true ? 3 * noCooling : othersToo === false ? 0.1 : noCooling],
    ['compressor', othersToo === true ? 0.4 * noCooling : 1.5 * noCooling],
    ['door', near(openCPerH) + (rose > 1.8 * shutCPerH ? 1 : 0.05)],
    ['warm-load', warmKg > 0 ? near(loadCPerH) + (overwhelms ? 1 : 0.1) : 0],
    ['defrost', kind === 'defrost' ? 4 : 0],
    ['heat', rose < 0.5 * shutCPerH ? 0.8 : 0.05],
    ['probe', 0.05],
  ];
}
