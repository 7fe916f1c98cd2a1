import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

/** A password, and what whoever guesses it knows: the person's name and the house's. */
interface PasswordToJudge {
  readonly password: string;
  readonly names: readonly string[];
}

/** Fewest guesses, log10: with tries counted at the door, a million take years. */
const LEAST_GUESSES_LOG10 = 6;
/** A password this long is not made worse by what follows, and judging takes the longer the longer it is. */
const JUDGED_CHARACTERS = 64;

let estimator: ZxcvbnFactory | null = null;

/** Whether a password is among the first to be guessed: one of the usual ones, a name, a row of keys, or made of such. */
export function isGuessable({ password, names }: PasswordToJudge): boolean {
  // Its lists of passwords take a while to unpack.
  estimator ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  const known = names.flatMap((name) => [name, name.replaceAll(' ', ''), ...name.split(' ')]);
  const judged = password.slice(0, JUDGED_CHARACTERS);
  return estimator.check(judged, known).guessesLog10 < LEAST_GUESSES_LOG10;
}
