import { useCallback } from 'react';
import { useLocation, useSearchParams } from 'react-router';
import { pageAt } from '../pages';

/** The page of the manual that is open, which is in the address as `help`, and how to open and close it. */
export function useHelp(): {
  readonly manualPage: string | null;
  readonly askForHelp: () => void;
  readonly closeHelp: () => void;
} {
  const [params, setParams] = useSearchParams();
  const { pathname } = useLocation();
  const own = pageAt(pathname.split('/').slice(2).join('/'))?.manual ?? 'tonight';
  const put = useCallback(
    (page: string | null) =>
      setParams((before) => {
        const next = new URLSearchParams(before);
        if (page === null) next.delete('help');
        else next.set('help', page);
        return next;
      }),
    [setParams],
  );
  return {
    manualPage: params.get('help'),
    askForHelp: () => put(own),
    closeHelp: () => put(null),
  };
}
