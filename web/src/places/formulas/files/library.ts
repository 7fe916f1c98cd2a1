import type { BookFile } from '@calm/contract';
import { useEffect, useState } from 'react';

/** Ways of the trade to start from: formulas, methods and routes of every school. */
export type Library = Pick<BookFile, 'formulas'> & {
  readonly routes: NonNullable<BookFile['routes']>;
};

let read: Promise<Library> | null = null;

async function load(): Promise<Library> {
  const [{ readBookFile }, { default: text }] = await Promise.all([
    import('@calm/domain/files'),
    import('@calm/domain/schools.json?raw'),
  ]);
  const answer = readBookFile(text);
  if (!answer.ok) throw new Error('the library that ships with the application is readable');
  return { formulas: answer.value.formulas, routes: answer.value.routes ?? [] };
}

/** The library, which comes when somebody first looks for it; null until then. */
export function useLibrary(): Library | null {
  const [library, setLibrary] = useState<Library | null>(null);
  useEffect(() => {
    read ??= load();
    void read.then(setLibrary);
  }, []);
  return library;
}
