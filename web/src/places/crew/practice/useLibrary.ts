import { useEffect, useState } from 'react';

const read = new Map<() => Promise<unknown>, Promise<unknown>>();

/** What ships with the application in a file of its own, read once; null until it is there. @param load the same one each time */
export function useLibrary<Content>(load: () => Promise<Content>): Content | null {
  const [library, setLibrary] = useState<Content | null>(null);
  useEffect(() => {
    let isGone = false;
    const reading = (read.get(load) ?? load()) as Promise<Content>;
    read.set(load, reading);
    void reading.then((all) => {
      if (!isGone) setLibrary(() => all);
    });
    return () => {
      isGone = true;
    };
  }, [load]);
  return library;
}
