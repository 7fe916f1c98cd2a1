import { DOUGH_HEAT, type Shape } from './shape';

const EXPONENT = { slab: 0, cylinder: 1, sphere: 2 } as const;

/**
 * A body cut into shells of equal thickness, ready to be stepped. Finite volumes, implicit in time:
 * stable at any step, and what leaves one shell enters the next, so energy is conserved to rounding.
 */
export interface Shells {
  readonly count: number;
  /** Share of the body's volume in each shell; sums to 1. */
  readonly volumeShare: Float64Array;
  /** Conductance to the next shell out, and of the last to the air, per unit heat capacity, 1/s. */
  readonly outward: Float64Array;
}

/**
 * Cuts a body into shells.
 *
 * @param shape body and half-size, m
 * @param filmWPerM2K film coefficient to the air, W/(m²·K)
 * @param count number of shells, at least 2
 * @param swelling volume over gas-free volume: swollen dough is bigger and conducts less
 */
export function cutShells(shape: Shape, filmWPerM2K: number, count: number, swelling = 1): Shells {
  const exponent = EXPONENT[shape.kind];
  const growth = swelling ** (1 / 3);
  const radiusM = shape.radiusM * growth;
  const conductivity = DOUGH_HEAT.conductivityWPerMK / swelling;
  const capacityJPerM3K = (DOUGH_HEAT.densityKgPerM3 * DOUGH_HEAT.specificHeatJPerKgK) / swelling;
  const thickness = radiusM / count;
  const wholeVolume = radiusM ** (exponent + 1) / (exponent + 1);

  const volumeShare = new Float64Array(count);
  const outward = new Float64Array(count);
  for (let i = 0; i < count; i += 1) {
    const [inner, outer] = [i * thickness, (i + 1) * thickness];
    const volume = (outer ** (exponent + 1) - inner ** (exponent + 1)) / (exponent + 1);
    volumeShare[i] = volume / wholeVolume;
    const area = outer ** exponent;
    const resistance =
      i < count - 1 ? thickness / conductivity : thickness / 2 / conductivity + 1 / filmWPerM2K;
    outward[i] = area / resistance / (capacityJPerM3K * wholeVolume);
  }
  return { count, volumeShare, outward };
}

/**
 * One implicit step of conduction, in place: tridiagonal elimination.
 *
 * @param shells the body
 * @param tempsC temperature of each shell, °C; overwritten
 * @param airC temperature outside, °C
 * @param stepS seconds
 * @param scratch at least `count` long; overwritten
 * @returns heat given to the air per unit heat capacity of the whole body, K (mean cooling)
 */
export function conduct(
  shells: Shells,
  tempsC: Float64Array,
  airC: number,
  stepS: number,
  scratch: Float64Array,
): number {
  const { count, volumeShare, outward } = shells;
  const last = count - 1;
  let inwardFlow = 0;
  let previousTemp = 0;
  for (let i = 0; i < count; i += 1) {
    const share = volumeShare[i] as number;
    const outFlow = stepS * (outward[i] as number);
    const previous = i === 0 ? 0 : (scratch[i - 1] as number);
    const diagonal = share + inwardFlow + outFlow - inwardFlow * previous;
    const air = i === last ? outFlow * airC : 0;
    previousTemp = (share * (tempsC[i] as number) + air + inwardFlow * previousTemp) / diagonal;
    tempsC[i] = previousTemp;
    scratch[i] = outFlow / diagonal;
    inwardFlow = outFlow;
  }
  for (let i = last - 1; i >= 0; i -= 1) {
    tempsC[i] = (tempsC[i] as number) + (scratch[i] as number) * (tempsC[i + 1] as number);
  }
  return stepS * (outward[last] as number) * ((tempsC[last] as number) - airC);
}

/** r₀² / (r₁² − r₀²) for shell centres at a half and one and a half thicknesses. */
const PARABOLA = 1 / 8;

/** Temperature in the very middle, °C: the parabola through the two innermost shells. */
export function middleTempC(tempsC: Float64Array): number {
  const [first, second] = [tempsC[0] as number, tempsC[1] as number];
  return first + (first - second) * PARABOLA;
}

/** Mean of a field of shells by volume, in the field's own unit. */
export function meanOf(shells: Shells, field: Float64Array): number {
  let mean = 0;
  for (let i = 0; i < shells.count; i += 1) {
    mean += (shells.volumeShare[i] as number) * (field[i] as number);
  }
  return mean;
}
