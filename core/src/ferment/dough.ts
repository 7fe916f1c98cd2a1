import {
  effective,
  freshEquivalentPercent,
  STANDARD_YEAST_CONVERSION,
  totalPercent,
  type PlainFormula,
  type YeastConversion,
  type YeastForm,
} from '../formula';
import { conduct, cutShells, filmOf, meanOf, middleTempC, type Shape, type Shells } from '../heat';
import type { Container } from '../plan';
import { awake, saltFactor, sugarBrake, sugarHelp } from './brakes';
import { STARTING, type FermentConstants } from './constants';
import { flourLimits, mostRise, type FlourLimits } from './flour';
import { lookUp, rateTables, tablePlace, type RateTables } from './rates';

/** What about a formula matters to fermentation. */
export interface DoughTraits {
  /** Fresh-yeast-equivalent, g per kg flour. */
  readonly yeastGPerKg: number;
  readonly yeastForm: YeastForm;
  readonly saltPercent: number;
  readonly sugarPercent: number;
  /** Water, L per kg flour. */
  readonly waterLPerKg: number;
  /** Dough, kg per kg flour. */
  readonly doughKgPerKg: number;
  readonly limits: FlourLimits;
  readonly mostRise: number;
}

/** A formula's traits. @param activity of the yeast, 1 = new */
export function doughTraits(
  formula: PlainFormula,
  activity = 1,
  conversion: YeastConversion = STANDARD_YEAST_CONVERSION,
  constants = STARTING,
): DoughTraits {
  const { hydrationPercent, saltPercent, sugarPercent } = effective(formula);
  const limits = flourLimits(formula.flours);
  return {
    yeastGPerKg: freshEquivalentPercent(formula.yeast, activity, conversion) * 10,
    yeastForm: formula.yeast.form,
    saltPercent,
    sugarPercent,
    waterLPerKg: hydrationPercent / 100,
    doughKgPerKg: totalPercent(formula) / 100,
    limits,
    mostRise: mostRise(limits.strengthW, hydrationPercent, constants),
  };
}

/** How hard dough is handled: how much of its free gas it keeps. */
export type Shaping = 'ball' | 'knock-back' | 'gentle';

/** Shells a piece is cut into: the middle's cooling time is then within 2 % of many shells'. */
export const SHELLS = 6;
/** Dough that has swollen by this much more conducts heat differently enough to be cut anew. */
const RECUT_BY = 0.01;
const REFERENCE_K = 298.15;
const KELVIN = 273.15;
/** Air that is this much warmer or colder moves differently around a container. */
const RECUT_AIR_C = 5;
const SECONDS_PER_HOUR = 3600;

/** A dough on its way, changed in place step by step. Gas in L CO₂ per kg flour. */
export interface Dough {
  readonly traits: DoughTraits;
  readonly constants: FermentConstants;
  readonly tables: RateTables;
  readonly tempsC: Float64Array;
  readonly yeastG: Float64Array;
  readonly maturityH: Float64Array;
  readonly scratch: Float64Array;
  shape: Shape;
  container: Container;
  shells: Shells;
  cutForAirC: number;
  cutAtSwelling: number;
  hoursSinceMix: number;
  producedL: number;
  lostL: number;
  dissolvedL: number;
  freeL: number;
  /** Volume just after the last shaping, L per kg flour. */
  referenceL: number;
  /** Gas-free volume, L per kg flour. */
  readonly gasFreeL: number;
  /** Means by volume, kept up to date by every step. */
  meanC: number;
  meanMaturityH: number;
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
): Dough {
  const gasFreeL = traits.doughKgPerKg / (constants.doughDensity / 1000);
  return {
    traits,
    constants,
    tables: rateTables(constants),
    tempsC: new Float64Array(SHELLS).fill(tempC),
    yeastG: new Float64Array(SHELLS).fill(traits.yeastGPerKg),
    maturityH: new Float64Array(SHELLS),
    scratch: new Float64Array(SHELLS),
    shape,
    container,
    shells: cutShells(shape, filmOf(container, tempC), SHELLS),
    cutForAirC: tempC,
    cutAtSwelling: 1,
    hoursSinceMix: 0,
    producedL: 0,
    lostL: 0,
    dissolvedL: 0,
    freeL: 0,
    referenceL: gasFreeL,
    gasFreeL,
    meanC: tempC,
    meanMaturityH: 0,
    heatGivenK: 0,
  };
}

/** Puts the dough into another body or container; temperatures even out only when it is shaped. */
export function moveTo(dough: Dough, shape: Shape, container: Container, airC: number): void {
  dough.shape = shape;
  dough.container = container;
  cutAnew(dough, airC);
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
  for (const field of [dough.tempsC, dough.yeastG, dough.maturityH]) {
    field.fill(meanOf(dough.shells, field));
  }
  dough.referenceL = volumeL(dough);
}

/** Volume, L per kg flour: gas-free dough plus free gas at the dough's temperature. */
export function volumeL(dough: Dough): number {
  return dough.gasFreeL + (dough.freeL * (dough.meanC + KELVIN)) / REFERENCE_K;
}

/** Rise: volume over the volume just after the last shaping. */
export const riseOf = (dough: Dough): number => volumeL(dough) / dough.referenceL;

/** Maturity by volume, hours-at-20 °C. */
export const maturityOf = (dough: Dough): number => dough.meanMaturityH;

/** Temperature in the middle, °C. */
export const coreTempOf = (dough: Dough): number => middleTempC(dough.tempsC);

/** Mean temperature, °C. */
export const meanTempOf = (dough: Dough): number => dough.meanC;

/**
 * Lets time pass: heat by conduction, then gas, growth and ripening in every shell at the step's
 * mean temperature; CO₂ dissolves first, and what the dough cannot hold is lost.
 *
 * @param stepH hours, at most a few minutes' worth for full accuracy
 * @param airC temperature of the air around it, °C
 */
export function advance(dough: Dough, stepH: number, airC: number): void {
  const { tempsC, yeastG, maturityH, tables, traits, constants } = dough;
  const swelling = volumeL(dough) / dough.gasFreeL;
  const isStale =
    Math.abs(swelling - dough.cutAtSwelling) > RECUT_BY ||
    Math.abs(airC - dough.cutForAirC) > RECUT_AIR_C;
  if (isStale) cutAnew(dough, airC);
  const { volumeShare } = dough.shells;

  const coolingK = conduct(dough.shells, tempsC, airC, stepH * SECONDS_PER_HOUR, dough.scratch);
  dough.heatGivenK += coolingK;
  const backHalfAStepK = coolingK / 2;

  const middleH = dough.hoursSinceMix + stepH / 2;
  const salt = saltFactor(traits.saltPercent, constants);
  const { growthRoom } = constants;
  const roomG = traits.yeastGPerKg + growthRoom;
  const growth = (constants.growthAt25 * salt * stepH) / growthRoom;

  let gas = 0;
  let solubility = 0;
  let meanC = 0;
  let meanMaturityH = 0;
  for (let i = 0; i < SHELLS; i += 1) {
    const share = volumeShare[i] as number;
    const tempC = tempsC[i] as number;
    const place = tablePlace(tempC + backHalfAStepK);
    const response = lookUp(tables.response, place);
    const yeast = yeastG[i] as number;
    const grown = growth * response * yeast * Math.max(0, roomG - yeast);
    const ripe = (maturityH[i] as number) + lookUp(tables.ripening, place) * stepH;
    yeastG[i] = yeast + grown;
    maturityH[i] = ripe;
    gas += share * response * (yeast + grown / 2);
    solubility += share * lookUp(tables.solubility, place);
    meanC += share * tempC;
    meanMaturityH += share * ripe;
  }
  dough.meanC = meanC;
  dough.meanMaturityH = meanMaturityH;
  const speed =
    constants.gasAt25 *
    salt *
    sugarBrake(traits.sugarPercent) *
    sugarHelp(traits.sugarPercent, middleH) *
    awake(middleH, traits.yeastForm, constants);
  settleGas(dough, gas * speed * stepH, solubility * traits.waterLPerKg, swelling, stepH);
  dough.hoursSinceMix += stepH;
}

/** Dissolves, holds and loses gas, so that produced = dissolved + free + lost at all times. */
function settleGas(
  dough: Dough,
  producedL: number,
  holdsL: number,
  swelling: number,
  stepH: number,
): void {
  const { traits, constants } = dough;
  const overripe = Math.max(0, maturityOf(dough) / traits.limits.mostMaturityH - 1);
  const mostSwelling = traits.mostRise * Math.max(0.5, 1 - 0.4 * overripe);
  const squared = (swelling / mostSwelling) * (swelling / mostSwelling);
  const retained = Math.max(0, 1 - squared * squared);
  const leaked =
    overripe > 0 ? dough.freeL * (1 - Math.exp(-constants.collapsePerH * overripe * stepH)) : 0;

  const heldBefore = dough.dissolvedL + dough.freeL - leaked;
  const dissolvable = Math.max(0, holdsL - heldBefore);
  const dissolvedNow = Math.min(producedL, dissolvable);
  const keptL = dissolvedNow + (producedL - dissolvedNow) * retained;
  const heldL = heldBefore + keptL;

  dough.producedL += producedL;
  dough.lostL += leaked + producedL - keptL;
  dough.dissolvedL = Math.min(heldL, holdsL);
  dough.freeL = heldL - dough.dissolvedL;
}

function cutAnew(dough: Dough, airC: number): void {
  const swelling = volumeL(dough) / dough.gasFreeL;
  dough.shells = cutShells(dough.shape, filmOf(dough.container, airC), SHELLS, swelling);
  dough.cutForAirC = airC;
  dough.cutAtSwelling = swelling;
}
