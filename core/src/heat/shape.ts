/** The body that stands in for a piece of dough: heat flows along one dimension of it. */
export type ShapeKind = 'slab' | 'cylinder' | 'sphere';

/** A body and its half-size along the way heat flows. */
export interface Shape {
  readonly kind: ShapeKind;
  /** Radius, or a slab's thickness from its insulated side (the middle) to its surface, m. */
  readonly radiusM: number;
}

/** Dough as it conducts and holds heat (docs/dough-science.md § 5; starting values, ±15 %). */
export const DOUGH_HEAT = {
  conductivityWPerMK: 0.4,
  densityKgPerM3: 1100,
  specificHeatJPerKgK: 2800,
} as const;

/** A ball as a sphere of its volume. @param weightG grams */
export function ballShape(weightG: number): Shape {
  const volumeM3 = weightG / 1000 / DOUGH_HEAT.densityKgPerM3;
  return { kind: 'sphere', radiusM: ((3 * volumeM3) / (4 * Math.PI)) ** (1 / 3) };
}

/** A mass in a tub as a cylinder as high as it is wide. @param massKg kilograms */
export function tubShape(massKg: number): Shape {
  const volumeM3 = massKg / DOUGH_HEAT.densityKgPerM3;
  return { kind: 'cylinder', radiusM: (volumeM3 / (2 * Math.PI)) ** (1 / 3) };
}

/** Floor of a tray, m². */
const TRAY_M2 = 0.24;

/** A mass spread in a tray as a slab that gives off heat above and below. @param massKg kilograms */
export function trayShape(massKg: number): Shape {
  const thicknessM = massKg / DOUGH_HEAT.densityKgPerM3 / TRAY_M2;
  return { kind: 'slab', radiusM: thicknessM / 2 };
}
