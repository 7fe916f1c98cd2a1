import { type ReadingCase } from './readingCase';
import { LOOKS, type Look } from '../../learn';

/** What somebody says of a dough. */
export interface ReadingAnswer {
  readonly found: Look;
  /** Until it is past, min; null where nothing was said, or where it is past. */
  readonly minutesLeft: number | null;
}

/** What the found counts, against until when. */
const LOOK_SHARE = 0.75;
/** Being wrong by so much matters little, min. */
const LEEWAY_MIN = 20;

/**
 * How good an answer is: the engine's odds of its found against those of the surest one, and how near its minutes are, in
 * shares.
 *
 * @returns 0–1; the engine's own answer has 1
 */
export function scoreReading({ odds, minutesLeft }: ReadingCase, answer: ReadingAnswer): number {
  const surest = Math.max(...LOOKS.map((found) => odds[found]));
  const found = odds[answer.found] / surest;
  if (minutesLeft === null) return found;
  const near =
    answer.minutesLeft === null
      ? 0
      : Math.exp(
          -Math.abs(Math.log((answer.minutesLeft + LEEWAY_MIN) / (minutesLeft + LEEWAY_MIN))),
        );
  return LOOK_SHARE * found + (1 - LOOK_SHARE) * near;
}

/** What the engine itself says. */
export const ownAnswer = ({ odds, minutesLeft }: ReadingCase): ReadingAnswer => ({
  found: LOOKS.reduce((best, found) => (odds[found] > odds[best] ? found : best)),
  minutesLeft,
});
