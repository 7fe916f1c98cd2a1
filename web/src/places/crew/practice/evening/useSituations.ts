import type { HouseBook, Situation } from '@calm/contract';
import { useEffect, useState } from 'react';

let read: Promise<readonly Situation[]> | null = null;

const load = (): Promise<readonly Situation[]> =>
  import('@calm/domain/situations.json?raw').then(
    ({ default: text }) => JSON.parse(text) as readonly Situation[],
  );

/** Evenings that can be run: those that ship with the application, and the house's own; null until they are there. */
export function useSituations(book: HouseBook | undefined): readonly Situation[] | null {
  const [library, setLibrary] = useState<readonly Situation[] | null>(null);
  useEffect(() => {
    let isGone = false;
    read ??= load();
    void read.then((all) => {
      if (!isGone) setLibrary(all);
    });
    return () => {
      isGone = true;
    };
  }, []);
  return library && book ? [...library, ...(book.house.settings.situations ?? [])] : null;
}
