import { VERDICTS, type ReadingCase, type Verdict } from './readingCase';

/** What somebody says of a dough. */
export interface ReadingAnswer {
  readonly verdict: Verdict;
  /** Until it is past, min; null where nothing was said, or where it is past. */
  readonly minutesLeft: number | null;
}

/** What the verdict counts, against until when. */
const VERDICT_SHARE = 0.75;
/** Being wrong by so much matters little, min. */
const LEEWAY_MIN = 20;

/**
 * How good an answer is: the engine's odds of its verdict against those of the surest one, and how near its minutes are, in
 * shares.
 *
 * @returns 0–1; the engine's own answer has 1
 */
export function scoreReading({ odds, minutesLeft }: ReadingCase, answer: ReadingAnswer): number {
  const surest = Math.max(...VERDICTS.map((verdict) => odds[verdict]));
  const verdict = odds[answer.verdict] / surest;
  if (minutesLeft === null) return verdict;
  const near =
    answer.minutesLeft === null
      ? 0
      : Math.exp(
          -Math.abs(Math.log((answer.minutesLeft + LEEWAY_MIN) / (minutesLeft + LEEWAY_MIN))),
        );
  return VERDICT_SHARE * verdict + (1 - VERDICT_SHARE) * near;
}

/** What the engine itself says. */
export const ownAnswer = ({ odds, minutesLeft }: ReadingCase): ReadingAnswer => ({
  verdict: VERDICTS.reduce((best, verdict) => (odds[verdict] > odds[best] ? verdict : best)),
  minutesLeft,
});
