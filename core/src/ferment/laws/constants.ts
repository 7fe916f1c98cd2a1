/** A number the engine stands on: its value, and how far it may plausibly be off. */
export interface Constant {
  readonly value: number;
  readonly unit: string;
  /** Plausible range, for the sensitivity table and for learning. */
  readonly low: number;
  readonly high: number;
  /** Where it comes from; "starting value" is corrected by the house's own log. */
  readonly source: string;
}

/** Every constant of fermentation (dough-science § 4). */
export const FERMENT = {
  gasAt25: {
    value: 0.08,
    unit: 'L CO₂ per g fresh yeast and hour at 25 °C',
    low: 0.065,
    high: 0.095,
    source: 'starting value',
  },
  coldestC: { value: -2.5, unit: '°C', low: -4, high: -1, source: 'Ratkowsky et al. 1983, fitted' },
  hottestC: { value: 46, unit: '°C', low: 44, high: 48, source: 'Ratkowsky et al. 1983, fitted' },
  hotSteepness: { value: 0.25, unit: '1/K', low: 0.2, high: 0.3, source: 'starting value' },
  growthAt25: {
    value: 0.06,
    unit: '1/h at 25 °C',
    low: 0.03,
    high: 0.09,
    source: 'starting value',
  },
  growthRoom: {
    value: 6,
    unit: 'g fresh yeast per kg flour',
    low: 3,
    high: 9,
    source: 'starting value',
  },
  wakeUpH: { value: 0.3, unit: 'h', low: 0.15, high: 0.5, source: 'starting value' },
  wakeUpDryH: {
    value: 0.6,
    unit: 'h, active dry not pre-wetted',
    low: 0.4,
    high: 1,
    source: 'starting value',
  },
  saltBrake: {
    value: 0.09,
    unit: 'share of gas per % salt',
    low: 0.06,
    high: 0.12,
    source: 'starting value',
  },
  keptByBalling: {
    value: 0.4,
    unit: 'share of free gas',
    low: 0.25,
    high: 0.55,
    source: 'starting value',
  },
  keptByKnockBack: {
    value: 0.1,
    unit: 'share of free gas',
    low: 0.03,
    high: 0.2,
    source: 'starting value',
  },
  keptByGentleFold: {
    value: 0.8,
    unit: 'share of free gas',
    low: 0.65,
    high: 0.9,
    source: 'starting value',
  },
  ripeningEnergy: {
    value: 50,
    unit: 'kJ/mol',
    low: 40,
    high: 60,
    source: 'Arrhenius, enzyme activity in dough; starting value',
  },
  mostRiseAtW300: { value: 4.2, unit: 'volumes', low: 3.6, high: 4.8, source: 'starting value' },
  doughDensity: {
    value: 1100,
    unit: 'kg/m³ off the mixer',
    low: 1050,
    high: 1180,
    source: 'starting value',
  },
  collapsePerH: {
    value: 0.25,
    unit: 'share of free gas per h at twice the flour limit',
    low: 0.1,
    high: 0.5,
    source: 'starting value',
  },
} as const satisfies Record<string, Constant>;

/** The constants' values alone: a house's own, once its log has corrected some. */
export type FermentConstants = Readonly<Record<keyof typeof FERMENT, number>>;

/** The starting values. */
export const STARTING: FermentConstants = Object.fromEntries(
  Object.entries(FERMENT).map(([name, constant]) => [name, constant.value]),
) as FermentConstants;
