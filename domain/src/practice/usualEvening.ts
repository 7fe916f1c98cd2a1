import type { Situation } from '@calm/contract';

/** An evening on which nothing is otherwise than a house takes it to be. */
export const USUAL_EVENING: Omit<Situation, 'name' | 'doorsInMin' | 'serviceMin' | 'trays'> = {
  ballsPerGuest: 1,
  guests: 1,
  coldBy: 0,
  coldSinceH: 0,
  coldShownBy: 0,
  benchBy: 0,
  yeast: 1,
  strength: 1,
  olderH: [0],
  hands: 1,
  hasMixer: true,
};
