import { useCallback, useRef } from 'react';

/**
 * Runs one write after another. Somebody may change a thing twice before the house has acknowledged the
 * first; the second must go over what the first made of it, not beside it.
 *
 * @returns runs work when all that was asked for before it has ended
 */
export function useInOrder(): (work: () => Promise<void>) => Promise<void> {
  const last = useRef<Promise<void>>(Promise.resolve());
  return useCallback((work) => {
    // What failed has been told where it was typed; the next one is tried all the same.
    last.current = last.current.then(work, work);
    return last.current;
  }, []);
}
