import { bandOdds, type DoughLook, type Target } from '../../ferment';
import type { Random } from '../../numerics';

/** A ball as it is seen from the side: a half of an ellipse, in widths of the ball as it was set down. */
export interface Silhouette {
  readonly width: number;
  readonly height: number;
}

/** What a dent does. */
export const POKES = ['springs-back', 'slowly', 'stays'] as const;
/** One of them. */
export type Poke = (typeof POKES)[number];

/** Height to half-width of a ball as it is set down, and of one that has wholly let go. */
const TIGHT = 1.5;
const SLACK = 0.55;

/**
 * How a ball stands: as large as it has risen, and the flatter the more it has relaxed and the less it holds. The volume
 * is the dough's; how flat it gets is a drawing, not a measurement.
 *
 * @example
 * silhouetteOf({ volume: 1, relaxed: 0, holding: 1, coreTempC: 20 }).width // 1
 */
export function silhouetteOf({ volume, relaxed, holding }: DoughLook): Silhouette {
  const slack = Math.min(1, 0.5 * relaxed + (1 - holding));
  const ratio = TIGHT - (TIGHT - SLACK) * slack;
  // Half an ellipsoid, as wide as long: 2/3 π a² h, h = ratio · a; against one of volume 1 that is tight.
  const half = 0.5 * Math.cbrt((volume * TIGHT) / ratio);
  return { width: 2 * half, height: ratio * half };
}

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
