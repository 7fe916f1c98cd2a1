import type { HouseBook, PracticeWeek } from '@calm/contract';
import { useLibrary } from '../useLibrary';

const load = async (): Promise<readonly PracticeWeek[]> => {
  const { default: text } = await import('@calm/domain/weeks.json?raw');
  return JSON.parse(text) as readonly PracticeWeek[];
};

/** Weeks that can be run: those that ship with the application, and the house's own; null until they are there. */
export function useWeeks(book: HouseBook | undefined): readonly PracticeWeek[] | null {
  const library = useLibrary(load);
  return library && book ? [...library, ...(book.house.settings.weeks ?? [])] : null;
}
