import {
  DOUGH_HEAT,
  filmOf,
  type Room,
  awake,
  doughTraits,
  holdingOdds,
  saltFactor,
  shapeOfStage,
  shapingAt,
  SHELLS,
  STARTING,
  sugarBrake,
  type DoughRoute,
} from '@calm/core';
import {
  LAWS,
  rateTable,
  RESPONSE,
  RIPENING,
  SOLUBILITY,
  tablePlace,
} from '../../core/src/ferment/laws/rates';

/** What the flat loop is given: whole ticks only, one sort of dough, plain rooms without events. */
export interface FlatWeek {
  readonly route: DoughRoute;
  readonly doughKg: number;
  /** Tick at which each lot comes off the mixer, and the room of its middle stage; −1 for none. */
  readonly startTicks: readonly number[];
  readonly roomOf: readonly number[];
  readonly room: Room;
  readonly rooms: number;
  readonly outsideC: number;
  readonly doorShare: number;
  readonly ticks: number;
  readonly tickMin: number;
  /** Longest wait of even dough before it ferments, ticks. */
  readonly mostWaitTicks: number;
  readonly coldWaitTicks: number;
  readonly beyondTicks: number;
}

/** Moments by column: hour, core °C, mean °C, rise, maturity; and each lot's last rise. */
export interface FlatResult {
  readonly moments: number;
  readonly rises: Float64Array;
  readonly maturities: Float64Array;
}

/**
 * The engine's loop as one would write it by hand for one purpose: no types of dough, no stages, no
 * faults, everything in typed arrays side by side. It is what the real engine's speed is held
 * against, and must give the same rises.
 */
export function flatLoop(week: FlatWeek): FlatResult {
  const { route, room, startTicks, roomOf, ticks, tickMin, beyondTicks } = week;
  const n = startTicks.length;
  const S = SHELLS;
  const stepH = tickMin / 60;
  const stepS = tickMin * 60;
  const traits = doughTraits(route.formula);
  const k = STARTING;
  const rates = rateTable(k);
  const gasSpeed =
    k.gasAt25 *
    saltFactor(traits.saltPercent, traits.waterLPerKg * 100) *
    sugarBrake(traits.sugarPercent);
  const growthSpeed =
    (k.growthAt25 * saltFactor(traits.saltPercent, traits.waterLPerKg * 100)) / k.growthRoom;
  const roomG = traits.yeastGPerKg + k.growthRoom;
  const gasFreeL = traits.doughKgPerKg / (k.doughDensity / 1000);
  const ripest = traits.limits.mostMaturityH * k.endurance;
  const warmsKPerL = k.yeastHeat / (traits.doughKgPerKg * (DOUGH_HEAT.specificHeatJPerKgK / 1000));
  const holdingWaterL = traits.waterLPerKg * traits.saltingOut;
  const airL = k.airAtMixing * gasFreeL;
  const heatJPerK = week.doughKg * DOUGH_HEAT.specificHeatJPerKgK;
  const wattsPerK = heatJPerK / stepS;

  const stages = route.stages;
  const stageTicks = stages.map(
    (s, i) => Math.round((s.hours * 60) / tickMin) + (i === stages.length - 1 ? beyondTicks : 0),
  );
  const exponent = { slab: 0, cylinder: 1, sphere: 2 };
  const shapes = stages.map((s) => shapeOfStage(s, route.ballWeightG));
  const share = shapes.map(({ kind }) =>
    Float64Array.from({ length: S }, (_, i) => {
      const e = exponent[kind] + 1;
      return ((i + 1) / S) ** e - (i / S) ** e;
    }),
  );
  const centres = shapes.map(({ kind }) =>
    Float64Array.from({ length: S }, (_, i) => {
      const e = exponent[kind];
      const [a, b] = [i / S, (i + 1) / S];
      return (((e + 1) / (e + 2)) * (b ** (e + 2) - a ** (e + 2))) / (b ** (e + 1) - a ** (e + 1));
    }),
  );
  const toMiddle = centres.map((c) => (c[0]! * c[0]!) / (c[1]! * c[1]! - c[0]! * c[0]!));

  const temps = new Float64Array(n * S).fill(route.doughTempC);
  const tempHours = new Float64Array(n * S);
  const yeast = new Float64Array(n * S).fill(traits.yeastGPerKg);
  const stays = new Float64Array(n * S);
  const inner = new Float64Array(n * S);
  const outer = new Float64Array(n * S);
  const film = new Float64Array(n);
  const cutAt = new Float64Array(n).fill(NaN);
  const cutAir = new Float64Array(n);
  const mean = new Float64Array(n).fill(route.doughTempC);
  const dissolved = new Float64Array(n);
  const free = new Float64Array(n);
  const volume = new Float64Array(n).fill(gasFreeL);
  const reference = new Float64Array(n).fill(gasFreeL);
  const maturity = new Float64Array(n);
  const age = new Float64Array(n);
  const shaped = new Float64Array(n);
  const mixed = new Float64Array(n);
  const waiting = new Float64Array(n);
  const waits = new Int32Array(n);
  const stage = new Int32Array(n).fill(-1);
  const until = Int32Array.from(startTicks);
  const air = new Float64Array(week.rooms).fill(room.setC);
  const roomMean = new Float64Array(week.rooms);
  const cooling = new Uint8Array(week.rooms);
  const loadAtZero = new Float64Array(week.rooms);
  const loadPerK = new Float64Array(week.rooms);
  const course = new Float64Array(n * (stageTicks.reduce((a, b) => a + b, 0) + 8) * 5);
  let moments = 0;

  const cut = (l: number, s: number, airC: number) => {
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
  };
  const write = (l: number, tick: number) => {
    const s = stage[l]!;
    const first = temps[l * S]!;
    const at = moments * 5;
    course[at] = (tick - startTicks[l]!) * stepH;
    course[at + 1] = first + (first - temps[l * S + 1]!) * toMiddle[s]!;
    course[at + 2] = mean[l]!;
    course[at + 3] = volume[l]! / reference[l]!;
    course[at + 4] = maturity[l]!;
    moments += 1;
  };
  const ferment = (l: number) => {
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
        part *
        (rates[at + RIPENING]! + up * (rates[at + LAWS + RIPENING]! - rates[at + RIPENING]!));
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
  };

  for (let tick = 0; tick < ticks; tick += 1) {
    loadAtZero.fill(0);
    loadPerK.fill(0);
    for (let l = 0; l < n; l += 1) {
      let s = stage[l]!;
      if (until[l]! <= tick && s < stages.length) {
        if (s >= 0 && waiting[l]! > 0) {
          ferment(l);
          write(l, tick);
        }
        s += 1;
        stage[l] = s;
        if (s === stages.length) continue;
        until[l] = tick + stageTicks[s]!;
        if (shapingAt(stages, s)) {
          free[l] = Math.min(k.keptByBalling * free[l]!, k.mostKeptByBalling * gasFreeL);
          shaped[l] = free[l]!;
          age[l] = Math.max(
            age[l]! * (1 - k.forgivenByShaping),
            Math.min(age[l]!, maturity[l]! / 2),
          );
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
        cut(l, s, s === 1 && roomOf[l]! >= 0 ? air[roomOf[l]!]! : stages[s]!.airTempC);
        write(l, tick);
      }
      if (s < 0 || s >= stages.length) continue;
      const r = s === 1 ? roomOf[l]! : -1;
      const airC = r >= 0 ? air[r]! : stages[s]!.airTempC;
      if (Math.abs(volume[l]! - cutAt[l]!) > 0.01 * gasFreeL || Math.abs(airC - cutAir[l]!) > 5) {
        cut(l, s, airC);
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
    for (let r = 0; r < week.rooms; r += 1) {
      const hour = tick * stepH;
      const round = Math.floor((hour + stepH) / (room.defrost?.everyH ?? Infinity));
      const start = round * (room.defrost?.everyH ?? 0);
      const lasts = (room.defrost?.minutes ?? 0) / 60;
      const thaw =
        round < 1
          ? 0
          : Math.max(0, Math.min(hour + stepH, start + lasts) - Math.max(hour, start)) / stepH;
      const toOut = room.lossWPerK + week.doorShare * room.doorWPerK;
      const pull = toOut + loadPerK[r]!;
      const warming = toOut * week.outsideC + loadAtZero[r]! + thaw * (room.defrost?.heaterW ?? 0);
      const timeS = room.heatCapacityJPerK / pull;
      let left = stepS;
      let sum = 0;
      let a = air[r]!;
      while (left > 0) {
        if (a >= room.setC + room.deadBandC) cooling[r] = 1;
        else if (a <= room.setC - room.deadBandC) cooling[r] = 0;
        const ends = (warming - (cooling[r] ? room.coolingW * (1 - thaw) : 0)) / pull;
        const to = room.setC + (cooling[r] ? -room.deadBandC : room.deadBandC);
        const part = (to - ends) / (a - ends);
        const untilS = part > 0 && part < 1 ? -timeS * Math.log(part) : Infinity;
        const pass = Math.min(left, untilS);
        const faded = -Math.expm1(-pass / timeS);
        sum += ends * pass + (a - ends) * timeS * faded;
        a = pass === untilS ? to : a + (ends - a) * faded;
        left -= pass;
      }
      air[r] = a;
      roomMean[r] = sum / stepS;
    }
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
      const most = mean[l]! < 10 ? week.coldWaitTicks : week.mostWaitTicks;
      if (waits[l]! < most && Math.abs(mean[l]! - core) < 0.5) continue;
      ferment(l);
      write(l, tick + 1);
      const isBeyond = s === stages.length - 1 && tick + 1 > until[l]! - beyondTicks;
      const isSpent =
        volume[l]! / gasFreeL > 2.5 * 1.25 || holdingOdds(age[l]! / ripest, traits.steepness) < 0.1;
      if (isBeyond && isSpent) stage[l] = stages.length;
    }
  }
  return {
    moments,
    rises: Float64Array.from({ length: n }, (_, l) => volume[l]! / reference[l]!),
    maturities: maturity,
  };
}
