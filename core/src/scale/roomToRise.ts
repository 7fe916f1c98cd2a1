/** Litres that a kilogram of dough takes up off the mixer. Starting value, plausible 0.85–0.95. */
export const DOUGH_L_PER_KG = 0.9;

/** A ball that is ready stands this much of its width high. Starting value, plausible 0.3–0.5. */
const BALL_HEIGHT = 0.4;

/** Dough in tubs, and what it rises to. */
export interface TubFill {
  readonly doughKg: number;
  /** Most volumes since mixing that it gets to in the tub. */
  readonly volume: number;
  /** What one tub holds up to its rim, L. */
  readonly tubLitres: number;
}

/** Whether dough in tubs has room to rise. */
export interface TubRoom {
  /** All of it when it is at its highest, L. */
  readonly litres: number;
  /** Most dough a tub takes without going over its rim, kg. */
  readonly mostKg: number;
  /** Fewest tubs that it does not go over in. */
  readonly tubs: number;
}

/**
 * How much room dough needs in its tubs at its highest.
 *
 * @returns litres, kilograms, tubs
 * @example
 * roomInTub({ doughKg: 12, volume: 2, tubLitres: 30 }); // 21.6 L, at most 16.7 kg a tub, 1 tub
 */
export function roomInTub({ doughKg, volume, tubLitres }: TubFill): TubRoom {
  const litresPerKg = DOUGH_L_PER_KG * volume;
  const mostKg = tubLitres / litresPerKg;
  return {
    litres: doughKg * litresPerKg,
    mostKg,
    tubs: Math.max(1, Math.ceil(doughKg / mostKg - 1e-9)),
  };
}

/** Balls on a tray, and what they rise to. */
export interface TrayFill {
  readonly ballWeightG: number;
  /** Most volumes since mixing that a ball gets to on the tray. */
  readonly volume: number;
  readonly balls: number;
  /** Inside, cm. */
  readonly lengthCm: number;
  readonly widthCm: number;
}

/** How far balls spread on a tray. */
export interface TrayRoom {
  /** Width of a ball at its widest, cm. */
  readonly ballCm: number;
  /** Between two of them in the nearest direction, cm; negative where they grow into each other. */
  readonly gapCm: number;
  /** Most balls that do not touch. */
  readonly most: number;
}

/**
 * How far balls spread, and how near they come to each other where they are set out in even rows.
 *
 * @returns centimetres
 */
export function roomOnTray({ ballWeightG, volume, balls, lengthCm, widthCm }: TrayFill): TrayRoom {
  const cm3 = ballWeightG * DOUGH_L_PER_KG * volume;
  // The cap of a sphere so much as high as it is wide.
  const ballCm = Math.cbrt((6 * cm3) / (Math.PI * BALL_HEIGHT * (0.75 + BALL_HEIGHT ** 2)));
  return {
    ballCm,
    gapCm: nearest(balls, lengthCm, widthCm) - ballCm,
    most: Math.floor(lengthCm / ballCm) * Math.floor(widthCm / ballCm),
  };
}

/** From middle to middle of balls in even rows, in the nearer direction, at the best number of rows, cm. */
function nearest(balls: number, lengthCm: number, widthCm: number): number {
  const byRows = Array.from({ length: balls }, (_, i) => {
    const rows = i + 1;
    return Math.min(widthCm / rows, lengthCm / Math.ceil(balls / rows));
  });
  return Math.max(...byRows);
}
