import type { FormerPerson } from '@calm/contract';

/** A crew with whoever has left it: of the book, or of the crew's own page. */
interface PeopleOfAllTimes {
  readonly people: readonly FormerPerson[];
  readonly formerPeople: readonly FormerPerson[];
}

/**
 * Somebody by id, also once they have left: what was done long ago keeps its name.
 *
 * @returns null when the house never had anybody of this id
 */
export const personOf = (
  { people, formerPeople }: PeopleOfAllTimes,
  id: string | null | undefined,
): FormerPerson | null => [...people, ...formerPeople].find((person) => person.id === id) ?? null;
