import { DOUGH_HEAT, filmOf, awake, holdingOdds, shapingAt } from '@calm/core';
import {
  LAWS,
  RESPONSE,
  RIPENING,
  SOLUBILITY,
  tablePlace,
} from '../../core/src/ferment/laws/rates';
import { setUp, type Flat, type FlatResult, type FlatWeek } from './flatState';
import { stepRooms } from './flatRooms';

/** Cuts a lot's body for its size and its air. */
function cut(flat: Flat, l: number, s: number, airC: number): void {
  const {
    S,
    stepS,
    gasFreeL,
    stages,
    exponent,
    shapes,
    share,
    centres,
    stays,
    inner,
    outer,
    film,
    cutAt,
    cutAir,
    volume,
  } = flat;
  const swelling = volume[l]! / gasFreeL;
  const kind = shapes[s]!.kind;
  const radius = shapes[s]!.radiusM * Math.cbrt(swelling);
  const conductivity = DOUGH_HEAT.conductivityWPerMK / swelling;
  const capacity = (DOUGH_HEAT.densityKgPerM3 * DOUGH_HEAT.specificHeatJPerKgK) / swelling;
  const filmW = filmOf(stages[s]!.container, airC);
  const e = exponent[kind];
  let inwardFlow = 0;
  let previous = 0;
  for (let i = 0; i < S; i += 1) {
    const way = (i === S - 1 ? 1 : centres[s]![i + 1]!) - centres[s]![i]!;
    const resistance = (way * radius) / conductivity + (i === S - 1 ? 1 / filmW : 0);
    const flow = (stepS * (e + 1) * ((i + 1) / S) ** e) / (radius * resistance * capacity);
    const diagonal = share[s]![i]! + flow + inwardFlow * (1 - previous);
    stays[l * S + i] = share[s]![i]! / diagonal;
    inner[l * S + i] = inwardFlow / diagonal;
    previous = flow / diagonal;
    outer[l * S + i] = previous;
    inwardFlow = flow;
  }
  film[l] = inwardFlow;
  cutAt[l] = volume[l]!;
  cutAir[l] = airC;
}

/** Writes down how a lot is. */
function write(flat: Flat, l: number, tick: number): void {
  const {
    S,
    stepH,
    toMiddle,
    temps,
    mean,
    volume,
    reference,
    maturity,
    stage,
    course,
    startTicks,
  } = flat;
  const s = stage[l]!;
  const first = temps[l * S]!;
  const at = flat.moments * 5;
  course[at] = (tick - startTicks[l]!) * stepH;
  course[at + 1] = first + (first - temps[l * S + 1]!) * toMiddle[s]!;
  course[at + 2] = mean[l]!;
  course[at + 3] = volume[l]! / reference[l]!;
  course[at + 4] = maturity[l]!;
  flat.moments += 1;
}

/** Gas, growth and ripening of a lot for the time that waited. */
function ferment(flat: Flat, l: number): void {
  const {
    S,
    traits,
    k,
    rates,
    gasSpeed,
    growthSpeed,
    roomG,
    gasFreeL,
    ripest,
    warmsKPerL,
    holdingWaterL,
    airL,
    share,
    temps,
    tempHours,
    yeast,
    mean,
    dissolved,
    free,
    volume,
    maturity,
    age,
    shaped,
    mixed,
    waiting,
    waits,
    stage,
  } = flat;
  const hours = waiting[l]!;
  if (hours === 0) return;
  const s = stage[l]!;
  const litresPerG = gasSpeed * awake(mixed[l]! + hours / 2, traits.yeastForm) * hours;
  let gas = 0;
  let ripening = 0;
  let meanC = 0;
  for (let i = 0; i < S; i += 1) {
    const part = share[s]![i]!;
    const tempC = tempHours[l * S + i]! / hours;
    tempHours[l * S + i] = 0;
    meanC += part * tempC;
    const place = tablePlace(tempC);
    const entry = place | 0;
    const up = place - entry;
    const at = entry * LAWS;
    const f = rates[at + RESPONSE]! + up * (rates[at + LAWS + RESPONSE]! - rates[at + RESPONSE]!);
    ripening +=
      part * (rates[at + RIPENING]! + up * (rates[at + LAWS + RIPENING]! - rates[at + RIPENING]!));
    const y = yeast[l * S + i]!;
    const grown = growthSpeed * hours * f * y * Math.max(0, roomG - y);
    yeast[l * S + i] = y + grown;
    const made = f * (y + grown / 2);
    gas += part * made;
    temps[l * S + i] = temps[l * S + i]! + made * litresPerG * warmsKPerL;
  }
  mean[l] = mean[l]! + gas * litresPerG * warmsKPerL;
  maturity[l] = maturity[l]! + ripening * hours;
  age[l] = age[l]! + ripening * hours;
  const produced = gas * litresPerG;
  const place = tablePlace(meanC);
  const at = (place | 0) * LAWS + SOLUBILITY;
  const holds =
    (rates[at]! + (rates[at + LAWS]! - rates[at]!) * (place - (place | 0))) * holdingWaterL;
  const x = age[l]! / ripest;
  const strength = x < 0.5 ? 1 : 1 / (1 + (x / 1.7) ** 6);
  const full = volume[l]! / (gasFreeL * (1 + (traits.mostRise - 1) * strength));
  const kept = produced * Math.max(0, 1 - full * full * (full * full));
  const coarse = Math.max(0, free[l]! - k.fineCells * shaped[l]!);
  const leaked =
    strength < 1 ? coarse * (1 - Math.exp(-k.leakPerH * (1 - strength) * ripening * hours)) : 0;
  const held = dissolved[l]! + free[l]! - leaked + kept;
  const half = airL + holds - held;
  const root = Math.sqrt(half * half + 4 * held * airL);
  free[l] = half > 0 ? (2 * held * airL) / (half + root) : (root - half) / 2;
  dissolved[l] = held - free[l]!;
  volume[l] = gasFreeL + free[l]! * ((mean[l]! + 273.15) / 298.15);
  mixed[l] = mixed[l]! + hours;
  waiting[l] = 0;
  waits[l] = 0;
}

/** Stages that begin, and each lot's half of a step of heat. */
function beginStep(flat: Flat, tick: number): void {
  const {
    n,
    S,
    k,
    gasFreeL,
    wattsPerK,
    stages,
    stageTicks,
    share,
    temps,
    yeast,
    stays,
    inner,
    outer,
    film,
    cutAt,
    cutAir,
    mean,
    free,
    volume,
    reference,
    maturity,
    age,
    shaped,
    waiting,
    stage,
    until,
    air,
    loadAtZero,
    loadPerK,
    roomOf,
  } = flat;
  loadAtZero.fill(0);
  loadPerK.fill(0);
  for (let l = 0; l < n; l += 1) {
    let s = stage[l]!;
    if (until[l]! <= tick && s < stages.length) {
      if (s >= 0 && waiting[l]! > 0) {
        ferment(flat, l);
        write(flat, l, tick);
      }
      s += 1;
      stage[l] = s;
      if (s === stages.length) continue;
      until[l] = tick + stageTicks[s]!;
      if (shapingAt(stages, s)) {
        free[l] = Math.min(k.keptByBalling * free[l]!, k.mostKeptByBalling * gasFreeL);
        shaped[l] = free[l]!;
        age[l] = Math.max(age[l]! * (1 - k.forgivenByShaping), Math.min(age[l]!, maturity[l]! / 2));
        const old = share[s - 1]!;
        let t = 0;
        let y = 0;
        for (let i = 0; i < S; i += 1) {
          t += old[i]! * temps[l * S + i]!;
          y += old[i]! * yeast[l * S + i]!;
        }
        temps.fill(t, l * S, l * S + S);
        yeast.fill(y, l * S, l * S + S);
        volume[l] = gasFreeL + free[l]! * ((mean[l]! + 273.15) / 298.15);
        reference[l] = volume[l]!;
      }
      cut(flat, l, s, s === 1 && roomOf[l]! >= 0 ? air[roomOf[l]!]! : stages[s]!.airTempC);
      write(flat, l, tick);
    }
    if (s < 0 || s >= stages.length) continue;
    const r = s === 1 ? roomOf[l]! : -1;
    const airC = r >= 0 ? air[r]! : stages[s]!.airTempC;
    if (Math.abs(volume[l]! - cutAt[l]!) > 0.01 * gasFreeL || Math.abs(airC - cutAir[l]!) > 5) {
      cut(flat, l, s, airC);
    }
    let from = 0;
    for (let i = l * S; i < l * S + S; i += 1) {
      from = stays[i]! * temps[i]! + inner[i]! * from;
      temps[i] = from;
    }
    if (r >= 0) {
      loadAtZero[r] = loadAtZero[r]! + wattsPerK * film[l]! * from;
      loadPerK[r] = loadPerK[r]! + wattsPerK * film[l]! * (1 - outer[l * S + S - 1]!);
    }
  }
}

/** The other half of the step, and fermentation where it is due. */
function endStep(flat: Flat, tick: number): void {
  const {
    n,
    S,
    stepH,
    traits,
    gasFreeL,
    ripest,
    stages,
    toMiddle,
    temps,
    tempHours,
    outer,
    film,
    mean,
    volume,
    age,
    waiting,
    waits,
    stage,
    until,
    roomMean,
    roomOf,
    beyondTicks,
  } = flat;
  for (let l = 0; l < n; l += 1) {
    const s = stage[l]!;
    if (s < 0 || s >= stages.length) continue;
    const r = s === 1 ? roomOf[l]! : -1;
    const airC = r >= 0 ? roomMean[r]! : stages[s]!.airTempC;
    let from = airC;
    for (let i = l * S + S - 1; i >= l * S; i -= 1) {
      from = temps[i]! + outer[i]! * from;
      temps[i] = from;
    }
    const coolingK = film[l]! * (temps[l * S + S - 1]! - airC);
    for (let i = l * S; i < l * S + S; i += 1) {
      tempHours[i] = tempHours[i]! + (temps[i]! + coolingK / 2) * stepH;
    }
    mean[l] = mean[l]! - coolingK;
    waiting[l] = waiting[l]! + stepH;
    waits[l] = waits[l]! + 1;
    const first = temps[l * S]!;
    const core = first + (first - temps[l * S + 1]!) * toMiddle[s]!;
    const most = mean[l]! < 10 ? flat.week.coldWaitTicks : flat.week.mostWaitTicks;
    if (waits[l]! < most && Math.abs(mean[l]! - core) < 0.5) continue;
    ferment(flat, l);
    write(flat, l, tick + 1);
    const isBeyond = s === stages.length - 1 && tick + 1 > until[l]! - beyondTicks;
    const isSpent =
      volume[l]! / gasFreeL > 2.5 * 1.25 || holdingOdds(age[l]! / ripest, traits.steepness) < 0.1;
    if (isBeyond && isSpent) stage[l] = stages.length;
  }
}

/**
 * The engine's loop as one would write it by hand for one purpose: no types of dough, no stages, no
 * faults, everything in typed arrays side by side. It is what the real engine's speed is held
 * against, and must give the same rises.
 */
export function flatLoop(week: FlatWeek): FlatResult {
  const flat = setUp(week);
  for (let tick = 0; tick < flat.ticks; tick += 1) {
    beginStep(flat, tick);
    stepRooms(flat, tick);
    endStep(flat, tick);
  }
  const { moments, n, volume, reference, maturity } = flat;
  return {
    moments,
    rises: Float64Array.from({ length: n }, (_, l) => volume[l]! / reference[l]!),
    maturities: maturity,
  };
}
