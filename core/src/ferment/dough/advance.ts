import { HOUR_S } from '../../units/time';
import { beginStep, endStep } from '../../heat';
import { awake, sugarHelp } from '../laws/brakes';
import { coreTempOf, recutShells, SHELLS, settleVolume, type Dough } from './dough';
import { LAWS, RESPONSE, RIPENING, SOLUBILITY, tablePlace } from '../laws/rates';

/** Dough that has swollen by this much more conducts heat differently enough to be cut again. */
const RECUT_BY = 0.01;
/** Air that is this much warmer or colder moves differently around a container. */
const RECUT_AIR_C = 5;
/** Looked up once: where scripts run in a sandbox, each look at a global is dear. */
const { abs, exp, max, min } = Math;

/**
 * Lets time pass: heat by conduction, then gas, growth and ripening in every shell at the step's
 * mean temperature; CO₂ dissolves first, and what the dough cannot hold is lost.
 *
 * @param stepH hours, at most a few minutes' worth for full accuracy
 * @param airC temperature of the air around it, °C
 */
export function advance(dough: Dough, stepH: number, airC: number): void {
  passHeat(dough, stepH, airC);
  ferment(dough);
}

/** A step of heat alone: what the yeast felt waits for `ferment`. */
export function passHeat(dough: Dough, stepH: number, airC: number): void {
  dough.stepH = stepH;
  dough.airC = airC;
  beginHeat(dough);
  endHeat(dough);
}

/** Half a step of heat, with the air's temperature still open; `airC` is where it was. */
export function beginHeat(dough: Dough): void {
  const isStale =
    abs(dough.volumeL - dough.cutAtVolumeL) > RECUT_BY * dough.gasFreeL ||
    abs(dough.airC - dough.cutForAirC) > RECUT_AIR_C;
  if (isStale) recutShells(dough);
  beginStep(dough.shells, dough.tempsC, dough.stepH * HOUR_S);
}

/**
 * The other half, once the air's temperature over the step is known, °C. What the yeast felt is
 * summed up for `ferment`, which may wait for several steps of heat.
 */
export function endHeat(dough: Dough): void {
  const { stepH, tempsC, tempHours } = dough;
  const coolingK = endStep(dough.shells, tempsC, dough.airC);
  const backHalfAStepK = coolingK / 2;
  for (let i = 0; i < SHELLS; i += 1) {
    tempHours[i] = (tempHours[i] as number) + ((tempsC[i] as number) + backHalfAStepK) * stepH;
  }
  dough.heatGivenK += coolingK;
  dough.meanC -= coolingK;
  dough.unfermentedH += stepH;
}

/** Dough this nearly of one temperature, °C, changes slowly enough to ferment in longer steps. */
const EVEN_WITHIN_C = 0.5;

/**
 * Whether `ferment` may wait while heat goes on. What the yeast felt is summed up meanwhile, so a
 * quarter of an hour's wait moves a peak by seconds.
 *
 * @param mostH longest wait, h
 */
export function mayWait(dough: Dough, mostH: number): boolean {
  return dough.unfermentedH < mostH - 1e-9 && abs(dough.meanC - coreTempOf(dough)) < EVEN_WITHIN_C;
}

/** Gas, growth and ripening for all the time since the last call, at that time's mean temperatures. */
export function ferment(dough: Dough): void {
  const hours = dough.unfermentedH;
  if (hours === 0) return;
  const { tempHours, yeastG, rates } = dough;
  const { volumeShare } = dough.shells;
  const growth = dough.growthSpeed * hours;
  const roomG = dough.traits.yeastGPerKg + dough.constants.growthRoom;

  let gas = 0;
  let ripening = 0;
  let meanC = 0;
  for (let i = 0; i < SHELLS; i += 1) {
    const share = volumeShare[i] as number;
    const tempC = (tempHours[i] as number) / hours;
    tempHours[i] = 0;
    meanC += share * tempC;
    const place = tablePlace(tempC);
    const entry = place | 0;
    const upper = place - entry;
    const at = entry * LAWS;
    const response = rates[at + RESPONSE] as number;
    const ripe = rates[at + RIPENING] as number;
    const responds = response + upper * ((rates[at + LAWS + RESPONSE] as number) - response);
    ripening += share * (ripe + upper * ((rates[at + LAWS + RIPENING] as number) - ripe));
    const yeast = yeastG[i] as number;
    const grown = growth * responds * yeast * max(0, roomG - yeast);
    yeastG[i] = yeast + grown;
    gas += share * responds * (yeast + grown / 2);
  }
  dough.maturityH += ripening * hours;
  const producedL = gas * dough.gasSpeed * earlyOn(dough, hours) * hours;
  const holdsL = solubility(rates, meanC) * dough.traits.waterLPerKg;
  settleGas(dough, producedL, holdsL, hours);
  settleVolume(dough);
  dough.hoursSinceMix += hours;
  dough.unfermentedH = 0;
}

/** CO₂ that water holds, L per L; as good as straight within a dough, so its mean will do. */
function solubility(rates: Float64Array, tempC: number): number {
  const place = tablePlace(tempC);
  const entry = place | 0;
  const low = rates[entry * LAWS + SOLUBILITY] as number;
  const high = rates[(entry + 1) * LAWS + SOLUBILITY] as number;
  return low + (high - low) * (place - entry);
}

/** Waking up and the quick start of a little sugar, in the middle of the step. */
function earlyOn(dough: Dough, hours: number): number {
  const { sugarPercent, yeastForm } = dough.traits;
  const middleH = dough.hoursSinceMix + hours / 2;
  return sugarHelp(sugarPercent, middleH) * awake(middleH, yeastForm, dough.constants);
}

/** Dissolves, holds and loses gas, so that produced = dissolved + free + lost at all times. */
function settleGas(dough: Dough, producedL: number, holdsL: number, hours: number): void {
  const { traits, constants } = dough;
  const overripe = max(0, dough.maturityH / traits.limits.mostMaturityH - 1);
  const mostSwelling = traits.mostRise * max(0.5, 1 - 0.4 * overripe);
  const full = dough.volumeL / (dough.gasFreeL * mostSwelling);
  const retained = max(0, 1 - full * full * (full * full));
  const leaked =
    overripe > 0 ? dough.freeL * (1 - exp(-constants.collapsePerH * overripe * hours)) : 0;

  const heldBefore = dough.dissolvedL + dough.freeL - leaked;
  const dissolvable = max(0, holdsL - heldBefore);
  const dissolvedNow = min(producedL, dissolvable);
  const keptL = dissolvedNow + (producedL - dissolvedNow) * retained;
  const heldL = heldBefore + keptL;

  dough.producedL += producedL;
  dough.lostL += leaked + producedL - keptL;
  dough.dissolvedL = min(heldL, holdsL);
  dough.freeL = heldL - dough.dissolvedL;
}
