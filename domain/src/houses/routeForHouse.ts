import type { Person, Place } from '@calm/contract';
import type { Route, Stage } from '@calm/core';

/** What of a house a route has to fit into. */
interface HouseRoom {
  readonly people: readonly Pick<Person, 'skills'>[];
  readonly places: readonly Pick<Place, 'name' | 'room'>[];
}

/**
 * A route of the trade as a house can go it: with no more hands than there are, which then takes longer, and in the
 * house's own places where it has none of the name.
 */
export const routeForHouse = (route: Route, house: HouseRoom): Route =>
  route.map((stage) => (stage.kind === 'work' ? withHands(stage, house) : inPlace(stage, house)));

type Work = Extract<Stage, { kind: 'work' }>;
type Rest = Extract<Stage, { kind: 'rest' }>;

function withHands(stage: Work, { people }: HouseRoom): Work {
  const able = people.filter(({ skills }) => skills.includes(stage.skill)).length;
  if (stage.people === 1 || able > 1) return stage;
  const { fixedMin = 0, perHundredBallsMin, perLoadMin } = stage.rate;
  const times = (minutes: number) => Math.round(minutes * stage.people);
  return {
    ...stage,
    people: 1,
    rate: {
      fixedMin,
      ...(perLoadMin !== undefined && { perLoadMin }),
      ...(perHundredBallsMin !== undefined && { perHundredBallsMin: times(perHundredBallsMin) }),
    },
  };
}

/** The first place of the house that is as cold, or as warm, as the one that is named; the name where there is none. */
function inPlace(stage: Rest, { places }: HouseRoom): Rest {
  if (places.some(({ name }) => name === stage.place)) return stage;
  const isCold = stage.key === 'cold';
  const own = places.find(({ room }) => (room !== null) === isCold);
  return own ? { ...stage, place: own.name } : stage;
}
