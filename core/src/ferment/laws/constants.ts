/** A number the engine stands on: its value, and how far it may plausibly be off. */
export interface Constant {
  readonly value: number;
  readonly unit: string;
  /** Plausible range, for the sensitivity table and for learning. */
  readonly low: number;
  readonly high: number;
  /** A source, or "starting value: why"; a starting value is corrected by the house's own log. */
  readonly source: string;
}

/** Every constant of fermentation (docs/dough-science.md § 4). */
export const FERMENT = {
  gasAt25: {
    value: 0.08,
    unit: 'L CO₂ per g fresh yeast and hour at 25 °C',
    low: 0.065,
    high: 0.095,
    source: 'starting value: lean doughs with 2 % fresh yeast at 27 °C double in about an hour',
  },
  coldestC: { value: -2.5, unit: '°C', low: -4, high: -1, source: 'Ratkowsky et al. 1983, fitted' },
  hottestC: { value: 46, unit: '°C', low: 44, high: 48, source: 'Ratkowsky et al. 1983, fitted' },
  hotSteepness: {
    value: 0.25,
    unit: '1/K',
    low: 0.2,
    high: 0.3,
    source: 'starting value: the optimum lies near 36 °C and gas is a third over 25 °C at 30',
  },
  growthAt25: {
    value: 0.1,
    unit: '1/h at 25 °C',
    low: 0.06,
    high: 0.14,
    source: 'starting value: halving the yeast at room temperature takes not quite twice as long',
  },
  growthRoom: {
    value: 6,
    unit: 'g fresh yeast per kg flour',
    low: 3,
    high: 9,
    source: 'starting value: yeast in dough multiplies little; its sugar and air are soon gone',
  },
  wakeUpH: {
    value: 0.3,
    unit: 'h',
    low: 0.15,
    high: 0.5,
    source: 'starting value: bakers see no gas for the first quarter of an hour',
  },
  wakeUpDryH: {
    value: 0.45,
    unit: 'h, active dry not pre-wetted',
    low: 0.3,
    high: 0.8,
    source: 'starting value: dry cells take up water before they work',
  },
  saltBrake: {
    value: 0.09,
    unit: 'share of gas per % salt',
    low: 0.06,
    high: 0.12,
    source: 'starting value: 2 % salt costs about a fifth of the gas',
  },
  airAtMixing: {
    value: 0.08,
    unit: 'share of the volume off the mixer',
    low: 0.04,
    high: 0.13,
    source: 'starting value: dough off a mixer is some 1100 kg/m³, without its air near 1200',
  },
  saltingOut: {
    value: 0.1,
    unit: 'per mol salt and kg water, of log₁₀ solubility',
    low: 0.08,
    high: 0.12,
    source: 'Setschenow 1889; starting value: CO₂ in salt water holds about so much less',
  },
  yeastHeat: {
    value: 2,
    unit: 'kJ per L CO₂',
    low: 1.4,
    high: 2.4,
    source: 'starting value: a mole of CO₂ from sugar gives off some 50 kJ as yeast works in dough',
  },
  keptByBalling: {
    value: 0.4,
    unit: 'share of free gas',
    low: 0.25,
    high: 0.55,
    source: 'starting value: a balled piece is visibly smaller, not flat',
  },
  mostKeptByBalling: {
    value: 0.4,
    unit: 'volumes off the mixer',
    low: 0.25,
    high: 0.55,
    source: 'starting value: however risen it was, a tight ball is never half gas',
  },
  keptByKnockBack: {
    value: 0.1,
    unit: 'share of free gas',
    low: 0.03,
    high: 0.2,
    source: 'starting value: knocked back, hardly any gas is left',
  },
  mostKeptByKnockBack: {
    value: 0.16,
    unit: 'volumes off the mixer',
    low: 0.08,
    high: 0.25,
    source: 'starting value: knocked back, hardly any gas is left, however risen it was',
  },
  keptByGentleFold: {
    value: 0.8,
    unit: 'share of free gas',
    low: 0.65,
    high: 0.9,
    source: 'starting value: a fold presses out the large bubbles only',
  },
  fineCells: {
    value: 0.8,
    unit: 'share of the gas that shaping leaves',
    low: 0.6,
    high: 0.95,
    source: 'starting value: what a tight ball keeps sits in cells too small to run together',
  },
  forgivenByShaping: {
    value: 0.35,
    unit: 'share of age, by balling or knocking back',
    low: 0.15,
    high: 0.5,
    source: 'starting value: balled dough that had gone slack in its tub stands up again',
  },
  forgivenByFold: {
    value: 0.14,
    unit: 'share of age',
    low: 0.05,
    high: 0.25,
    source: 'starting value: a fold gives back less than half of what balling does',
  },
  ripeningEnergy: {
    value: 50,
    unit: 'kJ/mol',
    low: 40,
    high: 60,
    source:
      'Arrhenius, enzyme activity in dough; starting value: a day at 4 °C ripens like some 7 h at 20',
  },
  mostRiseAtW300: {
    value: 4.2,
    unit: 'volumes',
    low: 3.6,
    high: 4.8,
    source: 'starting value: strong white dough swells to some four volumes before it tears',
  },
  doughDensity: {
    value: 1100,
    unit: 'kg/m³ off the mixer',
    low: 1050,
    high: 1180,
    source: 'starting value: dough off a mixer holds some air; without any it is near 1200',
  },
  leakPerH: {
    value: 0.35,
    unit: 'share of coarse gas per hour at 20 °C of dough without strength',
    low: 0.15,
    high: 0.6,
    source: 'starting value: slack dough falls over hours, and hardly at all in the cold',
  },
  endurance: {
    value: 1,
    unit: 'times the hours by strength',
    low: 0.67,
    high: 1.5,
    source:
      'starting value: (W − 100) / 8 hours is where people begin to watch a flour, not where it ends',
  },
  maltRipening: {
    value: 0.15,
    unit: 'per % diastatic malt',
    low: 0.05,
    high: 0.3,
    source: 'starting value: malted dough ripens noticeably faster and goes sticky sooner',
  },
  relaxationMin: {
    value: 20,
    unit: 'min at 20 °C until a ball is a third as tight',
    low: 12,
    high: 36,
    source: 'starting value: half an hour after balling a ball opens without springing back',
  },
} as const satisfies Record<string, Constant>;

/** The constants' values alone: a house's own, once its log has corrected some. */
export type FermentConstants = Readonly<Record<keyof typeof FERMENT, number>>;

/** The starting values. */
export const STARTING: FermentConstants = Object.fromEntries(
  Object.entries(FERMENT).map(([name, constant]) => [name, constant.value]),
) as FermentConstants;
