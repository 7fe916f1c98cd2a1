import type { Random } from '@calm/core';
import type { ServicePart } from './servicePart';

/** Guests of many evenings, drawn once for whatever is tried with them. */
export interface Evenings {
  readonly count: number;
  /** Guests of one of them in each quarter of an hour; of more than there are, the first ones again. */
  readonly guestsOf: (evening: number) => Uint16Array;
}

/** Draws evenings: how many guests one brings scatters as a whole (gamma), and by chance within it (Poisson). */
export function drawEvenings(
  { perQuarter, cv }: Pick<ServicePart, 'perQuarter' | 'cv'>,
  count: number,
  random: Random,
): Evenings {
  const quarters = perQuarter.length;
  const guests = new Uint16Array(count * quarters);
  for (let i = 0; i < guests.length; i += quarters) {
    const level = random.gamma(cv);
    perQuarter.forEach((mean, quarter) => {
      guests[i + quarter] = random.poisson(mean * level);
    });
  }
  return {
    count,
    guestsOf: (evening) => {
      const from = (evening % count) * quarters;
      return guests.subarray(from, from + quarters);
    },
  };
}
