import type { HouseBook, Situation } from '@calm/contract';
import { useLibrary } from '../useLibrary';

const load = async (): Promise<readonly Situation[]> => {
  const { default: text } = await import('@calm/domain/situations.json?raw');
  return JSON.parse(text) as readonly Situation[];
};

/** Evenings that can be run: those that ship with the application, and the house's own; null until they are there. */
export function useSituations(book: HouseBook | undefined): readonly Situation[] | null {
  const library = useLibrary(load);
  return library && book ? [...library, ...(book.house.settings.situations ?? [])] : null;
}
