import {
  BULK_PAST,
  simulate,
  type DoughLook,
  type DoughRoute,
  type StageEnd,
  type Target,
} from '../../ferment';
import type { DoughForm } from './seen';

/** A dough that is read, as a house plans it; its last stage is where it is read. */
export interface ReadingDough {
  readonly route: DoughRoute;
  /** How it should be when it is opened; of a tub, when it is balled. */
  readonly target: Target;
}

/** Dough that is to grow by less shows nothing in its tub. */
const LEAST_RISE = 1.2;
/** A tub is balled however cold it is, °C. */
const ANY_TEMP_C = -273;
const STEP_MIN = 15;

/** What a dough is read as, by where it is last. */
export const formOf = ({ route }: ReadingDough): DoughForm =>
  route.stages.at(-1)?.kind === 'bulk' ? 'tub' : 'ball';

/** What a dough is judged by: in a tub nothing has to relax. */
export const judgedLook = (dough: ReadingDough, look: DoughLook): DoughLook =>
  formOf(dough) === 'tub' ? { ...look, relaxed: 1 } : look;

/** Hours before it came to its last place. */
export const hoursBefore = ({ stages }: DoughRoute): number =>
  stages.slice(0, -1).reduce((sum, { hours }) => sum + hours, 0);

/** Hours in its last place at which a dough is at its best, as planned; null where it never is. */
export function plannedHours(dough: ReadingDough): number | null {
  const { route, target } = dough;
  if (formOf(dough) === 'tub') return route.stages.at(-1)?.hours ?? null;
  const told = simulate(route, { target, stepMin: STEP_MIN });
  if (!told.ok || told.value.window.kind !== 'ready') return null;
  return told.value.window.peakHour - hoursBefore(route);
}

/**
 * The same dough as it stands in its tub, until it is balled. By then it should have grown as it does by its plan, with
 * as much gas more or less as its balls may have against their best.
 *
 * @returns null of dough that is never in a tub, or that shows nothing there
 */
export function tubOf({ route, target }: ReadingDough): ReadingDough | null {
  const told = simulate(route, { target, stepMin: STEP_MIN, beyondH: 0 });
  if (!told.ok) return null;
  const inTub = told.value.stages.slice(
    0,
    route.stages.findIndex(({ kind }) => kind === 'ball'),
  );
  const planned = inTub.at(-1)?.volume ?? 1;
  if (planned < LEAST_RISE) return null;
  const grown = (volumes: number) => 1 + ((planned - 1) * (volumes - 1)) / (target.risePeak - 1);
  return {
    route: { ...route, stages: asLongAs(inTub, route) },
    target: {
      riseMin: grown(target.riseMin),
      risePeak: planned,
      riseMax: Math.min(BULK_PAST, grown(target.riseMax)),
      openTempC: ANY_TEMP_C,
      maturityMinH: 0,
    },
  };
}

/** Stages for as long as they lasted: one that a mark ends is over before its hours are. */
const asLongAs = (ended: readonly StageEnd[], { stages }: DoughRoute) =>
  ended.map(({ endHour }, i) => {
    const { untilRise: _, ...stage } = stages[i] as DoughRoute['stages'][number];
    return { ...stage, hours: endHour - (ended[i - 1]?.endHour ?? 0) };
  });
