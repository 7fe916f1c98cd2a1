import {
  cutShells,
  FILM_W_PER_M2K,
  filmOf,
  meanOf,
  middleTempC,
  type Films,
  type Shape,
  type Shells,
} from '../../heat';
import type { Container } from '../../formula/route';
import { saltFactor, sugarBrake } from '../laws/brakes';
import { STARTING, type FermentConstants } from '../laws/constants';
import { rateTable } from '../laws/rates';
import type { DoughTraits } from '../laws/traits';

/** How hard dough is handled: how much of its free gas it keeps. */
export type Shaping = (typeof SHAPINGS)[number];
export const SHAPINGS = ['ball', 'knock-back', 'gentle'] as const;

/** Shells a piece is cut into: the middle's cooling time is then within 1 % of many shells'. */
export const SHELLS = 4;
const REFERENCE_K = 298.15;
const KELVIN = 273.15;

/** A dough on its way, changed in place step by step. Gas in L CO₂ per kg flour. */
export interface Dough {
  readonly traits: DoughTraits;
  readonly constants: FermentConstants;
  readonly films: Films;
  readonly rates: Float64Array;
  /** Gas at 25 °C after salt and sugar, L per g yeast and hour, before it is awake. */
  readonly gasSpeed: number;
  /** Growth at 25 °C after salt, per g of yeast and of room for more, 1/h. */
  readonly growthSpeed: number;
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
  freeL: number;
  /** Volume now: gas-free dough plus free gas at the dough's temperature, L per kg flour. */
  volumeL: number;
  /** Volume just after the last shaping. */
  referenceL: number;
  /** Volume without any gas. */
  readonly gasFreeL: number;
  /** Mean temperature by volume, °C. */
  meanC: number;
  /** Mean maturity by volume, hours-at-20 °C. */
  maturityH: number;
  /** Heat given to the air since the start, per unit heat capacity, K. */
  heatGivenK: number;
}

/** A dough straight off the mixer. @param tempC its temperature, °C */
export function newDough(
  traits: DoughTraits,
  tempC: number,
  shape: Shape,
  container: Container,
  constants: FermentConstants = STARTING,
  films: Films = FILM_W_PER_M2K,
): Dough {
  const gasFreeL = traits.doughKgPerKg / (constants.doughDensity / 1000);
  const salt = saltFactor(traits.saltPercent, constants);
  return {
    traits,
    constants,
    films,
    rates: rateTable(constants),
    gasSpeed: constants.gasAt25 * salt * sugarBrake(traits.sugarPercent),
    growthSpeed: (constants.growthAt25 * salt) / constants.growthRoom,
    tempsC: new Float64Array(SHELLS).fill(tempC),
    yeastG: new Float64Array(SHELLS).fill(traits.yeastGPerKg),
    shells: cutShells(shape, filmOf(container, tempC, films), SHELLS),
    shape,
    container,
    airC: tempC,
    stepH: 0,
    cutForAirC: tempC,
    cutAtVolumeL: gasFreeL,
    hoursSinceMix: 0,
    unfermentedH: 0,
    tempHours: new Float64Array(SHELLS),
    producedL: 0,
    lostL: 0,
    dissolvedL: 0,
    freeL: 0,
    volumeL: gasFreeL,
    referenceL: gasFreeL,
    gasFreeL,
    meanC: tempC,
    maturityH: 0,
    heatGivenK: 0,
  };
}

/** Puts the dough into another body or container; temperatures even out only when it is shaped. */
export function moveTo(dough: Dough, shape: Shape, container: Container, airC: number): void {
  dough.shape = shape;
  dough.container = container;
  dough.airC = airC;
  recutShells(dough);
}

/** Cuts the dough's body for the size it has swollen to and the air it stands in. */
export function recutShells(dough: Dough): void {
  const { airC } = dough;
  const swelling = dough.volumeL / dough.gasFreeL;
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

/**
 * Shapes the dough: part of the free gas stays, the rest is pressed out, everything is mixed
 * through, and rise counts from here.
 */
export function shapeDough(dough: Dough, shaping: Shaping): void {
  const kept = {
    ball: dough.constants.keptByBalling,
    'knock-back': dough.constants.keptByKnockBack,
    gentle: dough.constants.keptByGentleFold,
  }[shaping];
  dough.lostL += dough.freeL * (1 - kept);
  dough.freeL *= kept;
  for (const field of [dough.tempsC, dough.yeastG]) {
    field.fill(meanOf(dough.shells, field));
  }
  settleVolume(dough);
  dough.referenceL = dough.volumeL;
}

/** Brings the volume up to date with the free gas and its temperature. */
export function settleVolume(dough: Dough): void {
  dough.volumeL = dough.gasFreeL + dough.freeL * ((dough.meanC + KELVIN) / REFERENCE_K);
}

/** Rise: volume over the volume just after the last shaping. */
export const riseOf = (dough: Dough): number => dough.volumeL / dough.referenceL;

/** Maturity by volume, hours-at-20 °C. */
export const maturityOf = (dough: Dough): number => dough.maturityH;

/** Temperature in the middle, °C. */
export const coreTempOf = (dough: Dough): number => middleTempC(dough.shells, dough.tempsC);

/** Mean temperature, °C. */
export const meanTempOf = (dough: Dough): number => dough.meanC;
