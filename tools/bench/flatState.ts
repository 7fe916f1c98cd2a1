import {
  DOUGH_HEAT,
  type Room,
  doughTraits,
  saltFactor,
  shapeOfStage,
  SHELLS,
  STARTING,
  sugarBrake,
  type DoughRoute,
} from '@calm/core';
import { rateTable } from '../../core/src/ferment/laws/rates';

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

/** What a dough and a step come to. */
function numbersOf(week: FlatWeek) {
  const { route, startTicks, tickMin } = week;
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
  return {
    n,
    S,
    stepH,
    stepS,
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
    heatJPerK,
    wattsPerK,
  };
}

/** Stages, and the bodies that the dough has in them. */
function stagesOf({ route, tickMin, beyondTicks }: FlatWeek) {
  const S = SHELLS;
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
  return { stages, stageTicks, exponent, shapes, share, centres, toMiddle };
}

/** A number of each lot, or of each of its shells, in a row of its own. */
function rowsOf({ route, startTicks, rooms, room }: FlatWeek, gasFreeL: number, yeastG: number) {
  const n = startTicks.length;
  const S = SHELLS;
  const temps = new Float64Array(n * S).fill(route.doughTempC);
  const tempHours = new Float64Array(n * S);
  const yeast = new Float64Array(n * S).fill(yeastG);
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
  const air = new Float64Array(rooms).fill(room.setC);
  const roomMean = new Float64Array(rooms);
  const cooling = new Uint8Array(rooms);
  const loadAtZero = new Float64Array(rooms);
  const loadPerK = new Float64Array(rooms);
  return {
    temps,
    tempHours,
    yeast,
    stays,
    inner,
    outer,
    film,
    cutAt,
    cutAir,
    mean,
    dissolved,
    free,
    volume,
    reference,
    maturity,
    age,
    shaped,
    mixed,
    waiting,
    waits,
    stage,
    until,
    air,
    roomMean,
    cooling,
    loadAtZero,
    loadPerK,
  };
}

/** Everything in typed arrays side by side. */
export function setUp(week: FlatWeek) {
  const numbers = numbersOf(week);
  const stages = stagesOf(week);
  const rows = rowsOf(week, numbers.gasFreeL, numbers.traits.yeastGPerKg);
  const moments = week.startTicks.length * (stages.stageTicks.reduce((a, b) => a + b, 0) + 8);
  const course = new Float64Array(moments * 5);
  return { week, moments: 0, course, ...week, ...numbers, ...stages, ...rows };
}

export type Flat = ReturnType<typeof setUp>;
