import { MINUTE_MS } from '@calm/core';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { useNotices } from '../parts/messages/Notices';
import { moved, released, snappedToNow } from '../state/time/cursor';
import { useAppDispatch } from '../state/store';
import { useHouse } from '../state/board/useBoard';
import { useCursor } from '../state/time/useCursor';
import { STOPS } from './spine/stops';

const CURSOR_KEYS: Readonly<Record<string, number>> = {
  '[': -15 * MINUTE_MS,
  ']': 15 * MINUTE_MS,
  '{': -180 * MINUTE_MS,
  '}': 180 * MINUTE_MS,
};

/** The keys that work everywhere but in a field. */
export function useKeys(onHelp: () => void): void {
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const house = useHouse();
  const { atMs } = useCursor();
  const { undoLast } = useNotices();

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isField = (event.target as HTMLElement).matches(
        'input, textarea, select, [role=slider]',
      );
      const isUndo = event.key.toLowerCase() === 'z' && (event.ctrlKey || event.metaKey);
      // In a text field the browser undoes typing; a slider has none of its own.
      const isTyping = isField && !(event.target as HTMLElement).matches('input[type=range]');
      if (isUndo && !isTyping) {
        event.preventDefault();
        undoLast();
      }
      if (isField || event.ctrlKey || event.metaKey || event.altKey) return;
      const stop = STOPS.find(({ digit }) => digit === event.key);
      const step = CURSOR_KEYS[event.key];
      if (stop) void navigate(`/${house}/${stop.path}`);
      else if (event.key === '?') onHelp();
      else if (event.key === 'n') dispatch(snappedToNow());
      else if (step !== undefined) {
        dispatch(moved(atMs + step));
        dispatch(released());
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [navigate, dispatch, house, atMs, undoLast, onHelp]);
}
