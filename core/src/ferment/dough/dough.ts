import {
  cutShells,
  DOUGH_HEAT,
  FILM_W_PER_M2K,
  filmOf,
  meanOf,
  middleTempC,
  remapped,
  type Films,
  type Shape,
  type Shells,
} from '../../heat';
import type { Container } from '../../formula/route';
import { saltFactor, sugarBrake } from '../laws/brakes';
import { STARTING, type FermentConstants } from '../laws/constants';
import { ageAtOdds, holdingOdds, strengthLeft } from '../laws/flour';
import { rateTable } from '../laws/rates';
import { pressureAt } from '../laws/solubility';
import type { DoughTraits } from '../laws/traits';
import { isBlown, OVER_PROOFED_ODDS, type DoughLook, type Target } from './state';

/** How hard dough is handled: how much of its free gas it keeps. */
export type Shaping = (typeof SHAPINGS)[number];
export const SHAPINGS = ['ball', 'knock-back', 'gentle'] as const;

/** Shells a piece is cut into: the middle's cooling time is then within 1 % of many shells'. */
export const SHELLS = 4;
const REFERENCE_K = 298.15;
const KELVIN = 273.15;

/** A dough on its way, changed in place step by step. Gas in L CO₂ per kg flour, at 25 °C and at sea level. */
export interface Dough {
  readonly traits: DoughTraits;
  readonly constants: FermentConstants;
  readonly films: Films;
  readonly rates: Float64Array;
  /** Gas at 25 °C after salt and sugar, L per g yeast and hour, before it is awake. */
  readonly gasSpeed: number;
  /** Growth at 25 °C after salt, per g of yeast and of room for more, 1/h. */
  readonly growthSpeed: number;
  /** Of the yeast at the start, what came awake, with a pre-ferment; 0–1. */
  readonly awakeShare: number;
  /** What a litre of CO₂ from one kilogram of flour warms the dough by, K. */
  readonly warmsKPerL: number;
  /** Its flour's rule-of-thumb hours at 20 °C, as this house knows the flour. */
  readonly lastsH: number;
  /** Age at which it hardly ever holds. */
  readonly overAgeH: number;
  /** Ripening against dough without malt. */
  readonly ripens: number;
  /** Air pressure, as a share of the sea's. */
  readonly pressure: number;
  /** Water for CO₂ to dissolve in, after salt and at this pressure, L per kg flour. */
  readonly holdingWaterL: number;
  readonly tempsC: Float64Array;
  readonly yeastG: Float64Array;
  readonly shells: Shells;
  shape: Shape;
  container: Container;
  /** The air around it, °C, and the step it takes next, h. */
  airC: number;
  stepH: number;
  cutForAirC: number;
  cutAtVolumeL: number;
  /** Hours that have fermented since the mixer, and those whose heat has passed but not more. */
  hoursSinceMix: number;
  unfermentedH: number;
  /** Each shell's temperature over the unfermented hours, summed, °C·h. */
  readonly tempHours: Float64Array;
  producedL: number;
  lostL: number;
  dissolvedL: number;
  /** In bubbles, beside the air that was worked in. */
  freeL: number;
  /** Of the free gas, what the last shaping left. */
  shapedL: number;
  /** Air that the mixer worked in: bubbles begin as it. */
  readonly airL: number;
  /** Volume now: dough off the mixer plus free gas at the dough's temperature, L per kg flour. */
  volumeL: number;
  /** Volume just after the last shaping. */
  referenceL: number;
  /** Volume off the mixer: it is never less. */
  readonly mixedL: number;
  /** Mean temperature by volume, °C. */
  meanC: number;
  /** Mean maturity by volume, hours-at-20 °C: flavour. */
  maturityH: number;
  /** Age, hours-at-20 °C: strength. Grows like maturity; shaping forgives part of it. */
  ageH: number;
  /** Since the last shaping, in relaxation times. */
  relaxedTimes: number;
  /** Heat given to the air, and made by the yeast, since the start, per unit heat capacity, K. */
  heatGivenK: number;
  yeastHeatK: number;
}

/** Specific heat of dough, kJ/(kg·K), for the yeast's own warmth. */
const DOUGH_KJ_PER_KG_K = DOUGH_HEAT.specificHeatJPerKgK / 1000;

/** How a dough starts, beside its traits. */
export interface DoughStart {
  readonly constants?: FermentConstants;
  readonly films?: Films;
  /** Of the yeast, what came awake with a pre-ferment; 0–1. */
  readonly awakeShare?: number;
  readonly altitudeM?: number;
  /** How long its flour stands against flours of its strength. */
  readonly endurance?: number;
}

/** A dough straight off the mixer. @param tempC its temperature, °C */
export function newDough(
  traits: DoughTraits,
  tempC: number,
  shape: Shape,
  container: Container,
  {
    constants = STARTING,
    films = FILM_W_PER_M2K,
    awakeShare = 0,
    altitudeM = 0,
    endurance = 1,
  }: DoughStart = {},
): Dough {
  const mixedL = traits.doughKgPerKg / (constants.doughDensity / 1000);
  const salt = saltFactor(traits.saltPercent, traits.waterLPerKg * 100, constants);
  const pressure = pressureAt(altitudeM);
  const lastsH = traits.limits.mostMaturityH * constants.endurance * endurance;
  return {
    traits,
    constants,
    films,
    rates: rateTable(constants),
    gasSpeed: constants.gasAt25 * salt * sugarBrake(traits.sugarPercent),
    growthSpeed: (constants.growthAt25 * salt) / constants.growthRoom,
    awakeShare,
    warmsKPerL: constants.yeastHeat / (traits.doughKgPerKg * DOUGH_KJ_PER_KG_K),
    lastsH,
    overAgeH: lastsH * ageAtOdds(OVER_PROOFED_ODDS, traits.steepness),
    ripens: 1 + constants.maltRipening * traits.maltPercent,
    pressure,
    holdingWaterL: traits.waterLPerKg * traits.saltingOut * pressure,
    tempsC: new Float64Array(SHELLS).fill(tempC),
    yeastG: new Float64Array(SHELLS).fill(traits.yeastGPerKg),
    shells: cutShells(shape, filmOf(container, tempC, films), SHELLS),
    shape,
    container,
    airC: tempC,
    stepH: 0,
    cutForAirC: tempC,
    cutAtVolumeL: mixedL,
    hoursSinceMix: 0,
    unfermentedH: 0,
    tempHours: new Float64Array(SHELLS),
    producedL: 0,
    lostL: 0,
    dissolvedL: 0,
    freeL: 0,
    shapedL: 0,
    airL: constants.airAtMixing * mixedL,
    volumeL: mixedL,
    referenceL: mixedL,
    mixedL,
    meanC: tempC,
    maturityH: 0,
    ageH: 0,
    relaxedTimes: 0,
    heatGivenK: 0,
    yeastHeatK: 0,
  };
}

/**
 * Puts the dough into another body or container. Temperatures even out only when it is shaped: dough that is only
 * tipped over keeps what each part of it has, from the inside out.
 */
export function moveTo(dough: Dough, shape: Shape, container: Container, airC: number): void {
  const before = dough.shape.kind === shape.kind ? null : dough.shells.volumeShare.slice();
  dough.shape = shape;
  dough.container = container;
  dough.airC = airC;
  recutShells(dough);
  if (!before) return;
  for (const field of [dough.tempsC, dough.yeastG]) {
    field.set(remapped(before, dough.shells.volumeShare, field));
  }
}

/** Cuts the dough's body for the size it has swollen to and the air it stands in. */
export function recutShells(dough: Dough): void {
  const { airC } = dough;
  const swelling = dough.volumeL / dough.mixedL;
  cutShells(
    dough.shape,
    filmOf(dough.container, airC, dough.films),
    SHELLS,
    swelling,
    dough.shells,
  );
  dough.cutForAirC = airC;
  dough.cutAtVolumeL = dough.volumeL;
}

/** How tight a fold leaves dough, of how relaxed it was. */
const RELAXED_AFTER_FOLD = 0.5;

/**
 * Shapes the dough: part of the free gas stays, the rest is pressed out, everything is mixed through, it is tight
 * again, part of its age is forgiven, and rise counts from here.
 */
export function shapeDough(dough: Dough, shaping: Shaping): void {
  const { constants: k, mixedL, freeL } = dough;
  const kept = {
    ball: Math.min(k.keptByBalling * freeL, k.mostKeptByBalling * mixedL),
    'knock-back': Math.min(k.keptByKnockBack * freeL, k.mostKeptByKnockBack * mixedL),
    gentle: k.keptByGentleFold * freeL,
  }[shaping];
  const forgiven = shaping === 'gentle' ? k.forgivenByFold : k.forgivenByShaping;
  dough.ageH = Math.max(dough.ageH * (1 - forgiven), Math.min(dough.ageH, dough.maturityH / 2));
  dough.relaxedTimes = shaping === 'gentle' ? dough.relaxedTimes * RELAXED_AFTER_FOLD : 0;
  dough.lostL += freeL - kept;
  dough.freeL = kept;
  dough.shapedL = kept;
  for (const field of [dough.tempsC, dough.yeastG]) {
    field.fill(meanOf(dough.shells, field));
  }
  settleVolume(dough);
  dough.referenceL = dough.volumeL;
}

/** Brings the volume up to date with the free gas, its temperature and the pressure. */
export function settleVolume(dough: Dough): void {
  const { mixedL, freeL, meanC, pressure } = dough;
  dough.volumeL = mixedL + (freeL * ((meanC + KELVIN) / REFERENCE_K)) / pressure;
}

/** Rise: volume over the volume just after the last shaping. */
export const riseOf = (dough: Dough): number => dough.volumeL / dough.referenceL;

/** Volume over the volume off the mixer: what readiness is judged by. */
export const volumeOf = (dough: Dough): number => dough.volumeL / dough.mixedL;

/** Age as a share of the flour's rule-of-thumb hours. */
export const ageOf = (dough: Dough): number => dough.ageH / dough.lastsH;

/** Strength that is left, 0–1. */
export const strengthOf = (dough: Dough): number => strengthLeft(ageOf(dough));

/** Whether balls are past all use: blown far past their band, or hardly ever holding. */
export const isPastUse = (dough: Dough, target: Target): boolean =>
  dough.ageH > dough.overAgeH || isBlown(volumeOf(dough), target);

/** What it is judged by. */
export const lookOf = (dough: Dough): DoughLook => ({
  volume: volumeOf(dough),
  relaxed: 1 - Math.exp(-dough.relaxedTimes),
  holding: holdingOdds(ageOf(dough), dough.traits.steepness),
  coreTempC: coreTempOf(dough),
});

/** Maturity by volume, hours-at-20 °C. */
export const maturityOf = (dough: Dough): number => dough.maturityH;

/** Temperature in the middle, °C. */
export const coreTempOf = (dough: Dough): number => middleTempC(dough.shells, dough.tempsC);

/** Mean temperature, °C. */
export const meanTempOf = (dough: Dough): number => dough.meanC;
