import { HOUR_S } from '../../units/time';
import { beginStep, endStep } from '../../heat';
import { awake, sugarHelp } from '../laws/brakes';
import { coreTempOf, recutShells, SHELLS, settleVolume, strengthOf, type Dough } from './dough';
import { LAWS, RELAXATION, RESPONSE, RIPENING, SOLUBILITY, tablePlace } from '../laws/rates';

/** Dough that has swollen by this much more conducts heat differently enough to be cut again. */
const RECUT_BY = 0.01;
/** Air that is this much warmer or colder moves differently around a container. */
const RECUT_AIR_C = 5;
/** Looked up once: where scripts run in a sandbox, each look at a global is dear. */
const { abs, exp, max, sqrt } = Math;

/**
 * Lets time pass: heat by conduction, then gas, growth and ripening in every shell at the step's
 * mean temperature; CO₂ is shared between water and bubbles, and what the dough cannot hold is lost.
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
    abs(dough.volumeL - dough.cutAtVolumeL) > RECUT_BY * dough.mixedL ||
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
  const { tempHours, tempsC, yeastG, rates } = dough;
  const { volumeShare } = dough.shells;
  const growth = dough.growthSpeed * hours;
  const roomG = dough.traits.yeastGPerKg + dough.constants.growthRoom;
  const litresPerG = dough.gasSpeed * earlyOn(dough, hours) * hours;
  const warmsK = litresPerG * dough.warmsKPerL;

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
    const made = responds * (yeast + grown / 2);
    gas += share * made;
    tempsC[i] = (tempsC[i] as number) + made * warmsK;
  }
  dough.meanC += gas * warmsK;
  dough.yeastHeatK += gas * warmsK;
  const place = tablePlace(meanC);
  const ripenedH = ripening * hours * dough.ripens;
  dough.maturityH += ripenedH;
  dough.ageH += ripenedH;
  dough.relaxedTimes += lawAt(rates, place, RELAXATION) * hours;
  const producedL = gas * litresPerG;
  const holdsL = lawAt(rates, place, SOLUBILITY) * dough.holdingWaterL;
  settleGas(dough, producedL, holdsL, ripening * hours);
  settleVolume(dough);
  dough.hoursSinceMix += hours;
  dough.unfermentedH = 0;
}

/** A law that is as good as straight within a dough, so that its mean temperature will do. */
function lawAt(rates: Float64Array, place: number, law: number): number {
  const entry = place | 0;
  const low = rates[entry * LAWS + law] as number;
  const high = rates[(entry + 1) * LAWS + law] as number;
  return low + (high - low) * (place - entry);
}

/** Waking up and the quick start of a little sugar or malt, in the middle of the step. */
function earlyOn(dough: Dough, hours: number): number {
  const { sugarPercent, maltPercent, yeastForm, yeastIsPreWetted } = dough.traits;
  const middleH = dough.hoursSinceMix + hours / 2;
  const { awakeShare } = dough;
  const woken = awake(middleH, yeastForm, yeastIsPreWetted, dough.constants);
  return sugarHelp(sugarPercent + maltPercent, middleH) * (awakeShare + (1 - awakeShare) * woken);
}

/**
 * Shares out gas between water and bubbles, and lets go what the dough cannot hold, so that
 * produced = dissolved + free + lost at all times.
 *
 * Dissolved CO₂ is in balance with the bubbles' own share of it: D = S·F/(F + A), with the air A that the mixer
 * worked in; with F + D known that is a square equation for F.
 *
 * @param holdsL S: what the water would hold under CO₂ alone
 * @param ripenedH hours-at-20 °C that have passed
 */
function settleGas(dough: Dough, producedL: number, holdsL: number, ripenedH: number): void {
  const { traits, constants, airL, freeL } = dough;
  const strength = strengthOf(dough);
  const mostSwelling = 1 + (traits.mostRise - 1) * strength;
  const full = dough.volumeL / (dough.mixedL * mostSwelling);
  const keptL = producedL * max(0, 1 - full * full * (full * full));
  let leakedL = 0;
  if (strength < 1) {
    const coarseL = max(0, freeL - constants.fineCells * dough.shapedL);
    leakedL = coarseL * (1 - exp(-constants.leakPerH * (1 - strength) * ripenedH));
  }
  const heldL = dough.dissolvedL + freeL - leakedL + keptL;
  dough.producedL += producedL;
  dough.lostL += leakedL + producedL - keptL;
  const b = airL + holdsL - heldL;
  const root = sqrt(b * b + 4 * heldL * airL);
  dough.freeL = b > 0 ? (2 * heldL * airL) / (b + root) : (root - b) / 2;
  dough.dissolvedL = heldL - dough.freeL;
}
