import type { ShapeKind } from '../heat';

/*
 * Exact cooling of a body of one temperature in air of another, by series: the middle's remaining
 * share of the first difference. Source: Carslaw and Jaeger, Conduction of Heat in Solids, 2nd ed.,
 * 1959; the same in any heat-transfer text as the one-term solution with all its terms.
 */

/** Bessel function of the first kind, integer order, by its integral. */
function bessel(order: 0 | 1, x: number): number {
  const slices = 60;
  let sum = 0;
  for (let i = 0; i < slices; i += 1) {
    const angle = (Math.PI * (i + 0.5)) / slices;
    sum += Math.cos(order * angle - x * Math.sin(angle));
  }
  return sum / slices;
}

/** The root of a falling-through-zero function between two bounds. */
function rootOf(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  for (let i = 0; i < 100; i += 1) {
    const middle = (a + b) / 2;
    if (f(a) > 0 === f(middle) > 0) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}

/** All roots of a function in (0, most), found by walking. */
function rootsOf(f: (x: number) => number, most: number): number[] {
  const roots: number[] = [];
  const step = 0.05;
  for (let x = 1e-6; x < most; x += step) {
    if (f(x) > 0 !== f(x + step) > 0) roots.push(rootOf(f, x, x + step));
  }
  return roots;
}

const EQUATION: Readonly<Record<ShapeKind, (root: number, biot: number) => number>> = {
  slab: (x, biot) => x * Math.sin(x) - biot * Math.cos(x),
  cylinder: (x, biot) => x * bessel(1, x) - biot * bessel(0, x),
  sphere: (x, biot) => Math.sin(x) * (1 - biot) - x * Math.cos(x),
};

const WEIGHT: Readonly<Record<ShapeKind, (root: number) => number>> = {
  slab: (x) => (4 * Math.sin(x)) / (2 * x + Math.sin(2 * x)),
  cylinder: (x) => (2 / x) * (bessel(1, x) / (bessel(0, x) ** 2 + bessel(1, x) ** 2)),
  sphere: (x) => (4 * (Math.sin(x) - x * Math.cos(x))) / (2 * x - Math.sin(2 * x)),
};

/**
 * Share of the first temperature difference that is left in the middle.
 *
 * @param biot film coefficient × half-size ÷ conductivity
 * @param fourier diffusivity × time ÷ half-size², at least 0.1
 */
export function seriesMiddle(kind: ShapeKind, biot: number, fourier: number): number {
  return rootsOf((x) => EQUATION[kind](x, biot), 14).reduce(
    (sum, root) => sum + WEIGHT[kind](root) * Math.exp(-root * root * fourier),
    0,
  );
}
