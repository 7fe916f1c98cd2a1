import { DOUGH_HEAT, type Shape, type ShapeKind } from './shape';

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
  /** Of the step between the two innermost shells, how much further it is to the middle. */
  toMiddle: number;
  /** Seconds that the elimination below is prepared for; 0 when it is not. */
  preparedForS: number;
  /**
   * The elimination's rows over their diagonal: for each shell what stays, what comes from inside and
   * what comes from outside, side by side so that a step walks through memory once.
   */
  readonly rows: Float64Array;
}

/** Numbers in a row of the elimination. */
const ROW = 3;
const FROM_INSIDE = 1;
const FROM_OUTSIDE = 2;

/**
 * Cuts a body into shells.
 *
 * @param shape body and half-size, m
 * @param filmWPerM2K film coefficient to the air, W/(m²·K)
 * @param count number of shells, at least 2
 * @param swelling volume over gas-free volume: swollen dough is bigger and conducts less
 * @param into shells of the same count to be cut again in place
 */
export function cutShells(
  shape: Shape,
  filmWPerM2K: number,
  count: number,
  swelling = 1,
  into: Shells = emptyShells(count),
): Shells {
  const { volumeShare, area, way, toMiddle } = geometryOf(shape.kind, count);
  const radiusM = shape.radiusM * Math.cbrt(swelling);
  const conductivity = DOUGH_HEAT.conductivityWPerMK / swelling;
  const capacityJPerM3K = (DOUGH_HEAT.densityKgPerM3 * DOUGH_HEAT.specificHeatJPerKgK) / swelling;
  for (let i = 0; i < count; i += 1) {
    const film = i === count - 1 ? 1 / filmWPerM2K : 0;
    const resistance = ((way[i] as number) * radiusM) / conductivity + film;
    into.outward[i] = (area[i] as number) / (radiusM * resistance * capacityJPerM3K);
  }
  into.volumeShare.set(volumeShare);
  into.toMiddle = toMiddle;
  into.preparedForS = 0;
  return into;
}

/** A body of one kind cut into so many shells, as shares of its radius and volume. */
interface Geometry {
  readonly volumeShare: readonly number[];
  /** Of each shell's outside, over the body's volume, per radius. */
  readonly area: readonly number[];
  /** From each shell's centre to the next one's, of the last to the surface, per radius. */
  readonly way: readonly number[];
  readonly toMiddle: number;
}

const geometries: Record<ShapeKind, (Geometry | undefined)[]> = {
  slab: [],
  cylinder: [],
  sphere: [],
};

function geometryOf(kind: ShapeKind, count: number): Geometry {
  const known = geometries[kind][count];
  if (known) return known;
  const n = EXPONENT[kind];
  const edges = Array.from({ length: count }, (_, i) => (i + 1) / count);
  const inside = (i: number) => (i / count) ** (n + 1);
  const centres = edges.map((outer, i) => centre(i / count, outer, n));
  const [first = 0, second = 0] = centres;
  const geometry = {
    volumeShare: edges.map((_, i) => inside(i + 1) - inside(i)),
    area: edges.map((edge) => (n + 1) * edge ** n),
    way: centres.map((here, i) => (centres[i + 1] ?? 1) - here),
    toMiddle: first ** 2 / (second ** 2 - first ** 2),
  };
  geometries[kind][count] = geometry;
  return geometry;
}

/**
 * Where in a shell its mean temperature is found, as a share of the radius: the centre of its volume.
 * The middle of its thickness would need half as many shells again for the same accuracy.
 */
function centre(inner: number, outer: number, n: number): number {
  const moment = outer ** (n + 2) - inner ** (n + 2);
  const volume = outer ** (n + 1) - inner ** (n + 1);
  return ((n + 1) / (n + 2)) * (moment / volume);
}

/** Temperature in the very middle, °C: the parabola through the two innermost shells' centres. */
export function middleTempC(shells: Shells, tempsC: Float64Array): number {
  const first = tempsC[0] as number;
  return first + (first - (tempsC[1] as number)) * shells.toMiddle;
}

function emptyShells(count: number): Shells {
  const row = () => new Float64Array(count);
  return {
    count,
    volumeShare: row(),
    outward: row(),
    toMiddle: 0,
    preparedForS: 0,
    rows: new Float64Array(count * ROW),
  };
}

/** Eliminates the tridiagonal system once for a step length, so that each step only multiplies. */
function prepare(shells: Shells, stepS: number): void {
  const { count, volumeShare, outward, rows } = shells;
  let inwardFlow = 0;
  let previous = 0;
  for (let i = 0; i < count; i += 1) {
    const share = volumeShare[i] as number;
    const outFlow = stepS * (outward[i] as number);
    const diagonal = share + outFlow + inwardFlow * (1 - previous);
    previous = outFlow / diagonal;
    rows[i * ROW] = share / diagonal;
    rows[i * ROW + FROM_INSIDE] = inwardFlow / diagonal;
    rows[i * ROW + FROM_OUTSIDE] = previous;
    inwardFlow = outFlow;
  }
  shells.preparedForS = stepS;
}

/**
 * The first half of an implicit step, in place: elimination with the air outside left open. What the
 * body will give to the air is then linear in the air's temperature (`heatGiven`), so a room can be
 * solved together with everything in it before `endStep`.
 *
 * @param tempsC temperature of each shell, °C; overwritten with the half-done step
 * @param stepS seconds
 */
export function beginStep(shells: Shells, tempsC: Float64Array, stepS: number): void {
  if (shells.preparedForS !== stepS) prepare(shells, stepS);
  const { count, rows } = shells;
  let inside = 0;
  for (let i = 0; i < count; i += 1) {
    const row = i * ROW;
    const stays = (rows[row] as number) * (tempsC[i] as number);
    inside = stays + (rows[row + FROM_INSIDE] as number) * inside;
    tempsC[i] = inside;
  }
}

/**
 * The second half of a step, in place, once the air's temperature is known.
 *
 * @param airC temperature outside, °C
 * @returns heat given to the air per unit heat capacity of the whole body, K (mean cooling)
 */
export function endStep(shells: Shells, tempsC: Float64Array, airC: number): number {
  const { count, rows, outward, preparedForS } = shells;
  const last = count - 1;
  let outside = airC;
  for (let i = last; i >= 0; i -= 1) {
    outside = (tempsC[i] as number) + (rows[i * ROW + FROM_OUTSIDE] as number) * outside;
    tempsC[i] = outside;
  }
  return preparedForS * (outward[last] as number) * ((tempsC[last] as number) - airC);
}

/**
 * Between `beginStep` and `endStep`: the heat the body will give in the step is
 * `atZeroK − perAirK × air`, per unit heat capacity, K.
 */
export function heatGiven(
  shells: Shells,
  tempsC: Float64Array,
): { readonly atZeroK: number; readonly perAirK: number } {
  const last = shells.count - 1;
  const flow = shells.preparedForS * (shells.outward[last] as number);
  return {
    atZeroK: flow * (tempsC[last] as number),
    perAirK: flow * (1 - (shells.rows[last * ROW + FROM_OUTSIDE] as number)),
  };
}

/** One whole implicit step of conduction, in place. @returns mean cooling, K */
export function conduct(shells: Shells, tempsC: Float64Array, airC: number, stepS: number): number {
  beginStep(shells, tempsC, stepS);
  return endStep(shells, tempsC, airC);
}

/** Mean of a field of shells by volume, in the field's own unit. */
export function meanOf(shells: Shells, field: Float64Array): number {
  let mean = 0;
  for (let i = 0; i < shells.count; i += 1) {
    mean += (shells.volumeShare[i] as number) * (field[i] as number);
  }
  return mean;
}

/**
 * A field of shells of one body, over the shells of another: each part keeps what it has, counted by volume from the
 * inside out, so that what the field sums up to stays the same.
 *
 * @param from and to shares of the volume by shell; each sums to 1
 */
export function remapped(from: Float64Array, to: Float64Array, field: Float64Array): Float64Array {
  const moved = new Float64Array(to.length);
  let at = 0;
  let left = from[0] as number;
  for (let i = 0; i < to.length; i += 1) {
    const share = to[i] as number;
    let wanted = share;
    let sum = 0;
    while (at < from.length - 1 && left < wanted) {
      sum += left * (field[at] as number);
      wanted -= left;
      at += 1;
      left = from[at] as number;
    }
    sum += wanted * (field[at] as number);
    left -= wanted;
    moved[i] = sum / share;
  }
  return moved;
}
