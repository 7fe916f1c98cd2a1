import { bandOdds, type DoughLook, type Target } from '../../ferment';
import type { Random } from '../../numerics';

/** What dough is read as: balls on a tray, or all of it in its tub. */
export const DOUGH_FORMS = ['ball', 'tub'] as const;
/** One of them. */
export type DoughForm = (typeof DOUGH_FORMS)[number];

/** A ball as it is seen from the side: a half of an ellipse, in widths of the ball as it was set down. */
export interface BallSilhouette {
  readonly form: 'ball';
  readonly width: number;
  readonly height: number;
}

/** Dough in a tub with straight walls, seen through them. */
export interface TubSilhouette {
  readonly form: 'tub';
  /** How high it stands, in heights of the dough as it was set down. */
  readonly level: number;
  /** How its top stands: 1 domed, 0 flat, −1 sunk in. */
  readonly dome: number;
}

/** How dough stands. */
export type Silhouette = BallSilhouette | TubSilhouette;

/** What a dent does. */
export const POKES = ['springs-back', 'slowly', 'stays'] as const;
/** One of them. */
export type Poke = (typeof POKES)[number];

/** Height to half-width of a ball as it is set down, and of one that has wholly let go. */
const TIGHT = 1.5;
const SLACK = 0.55;

/** How dough in a tub stands: its mark tells the volume, and its top falls flat and in as it lets go. */
const tubSilhouette = ({ volume, holding }: DoughLook): TubSilhouette => ({
  form: 'tub',
  level: volume,
  dome: 2 * holding - 1,
});

/**
 * How a ball stands: as large as it has risen, and the flatter the more it has relaxed and the less it holds. The volume
 * is the dough's; how flat it gets is a drawing, not a measurement.
 *
 * @example
 * ballSilhouette({ volume: 1, relaxed: 0, holding: 1, coreTempC: 20 }).width // 1
 */
export function ballSilhouette({ volume, relaxed, holding }: DoughLook): BallSilhouette {
  const slack = Math.min(1, 0.5 * relaxed + (1 - holding));
  const ratio = TIGHT - (TIGHT - SLACK) * slack;
  // Half an ellipsoid, as wide as long: 2/3 π a² h, h = ratio · a; against one of volume 1 that is tight.
  const half = 0.5 * Math.cbrt((volume * TIGHT) / ratio);
  return { form: 'ball', width: 2 * half, height: ratio * half };
}

/** How dough stands in its form. */
export const silhouetteOf = (form: DoughForm, look: DoughLook): Silhouette =>
  form === 'tub' ? tubSilhouette(look) : ballSilhouette(look);

/** How often a finger is wrong. */
const MISTAKEN = 0.1;

/** What a dent does: back at once before it has begun, slowly while it opens well, not any more once it is past. */
export function pokeOf(look: DoughLook, target: Target, { uniform }: Random): Poke {
  const { started, lasting } = bandOdds(look, target);
  const draw = uniform();
  const other = POKES[Math.floor(uniform() * POKES.length)] as Poke;
  if (draw < MISTAKEN) return other;
  if (started < 0.5) return 'springs-back';
  return lasting < 0.5 ? 'stays' : 'slowly';
}
