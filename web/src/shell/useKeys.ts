import { MINUTE_MS } from '@calm/core';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useNotices } from '../parts/messages/Notices';
import { useHouse } from '../state/board/useBoard';
import { useAppDispatch, useAppSelector } from '../state/store';
import { moved, released, snappedToNow } from '../state/time/cursor';
import { useCursor } from '../state/time/useCursor';
import { shortcutOf, type ShortcutId } from './shortcuts';

const CURSOR_STEPS: Readonly<Partial<Record<ShortcutId, number>>> = {
  'quarter-back': -15 * MINUTE_MS,
  'quarter-on': 15 * MINUTE_MS,
  'hours-back': -180 * MINUTE_MS,
  'hours-on': 180 * MINUTE_MS,
};

/** Whatever stands over the page has the keys to itself. */
const OVERLAYS = '[role=dialog], [role=menu], .MuiModal-root [role=listbox]';
/** Fields that undo their own typing. */
const TYPING =
  'textarea, [contenteditable=true], input:not([type=range], [type=checkbox], [type=radio])';

const isElsewhere = ({ target }: KeyboardEvent): boolean =>
  document.querySelector(OVERLAYS) !== null ||
  (target instanceof Element && target.closest('[role=application], [role=grid]') !== null);

/** The single keys of the page, as whoever is here has set them; not in fields, menus and dialogs. */
export function useKeys(onHelp: () => void, onSearch: () => void): void {
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const house = useHouse();
  const { atMs } = useCursor();
  const { undoLast } = useNotices();
  const { areKeysOn, keys } = useAppSelector((state) => state.preferences);

  useHotkeys(
    '*',
    ({ key }) => {
      const id = shortcutOf(keys, key);
      const step = id && CURSOR_STEPS[id];
      if (!id) return;
      if (id === 'help') onHelp();
      else if (id === 'now') dispatch(snappedToNow());
      else if (step === undefined) void navigate(`/${house}/${id.replace('stop-', '')}`);
      else {
        dispatch(moved(atMs + step));
        dispatch(released());
      }
    },
    {
      enabled: areKeysOn,
      ignoreModifiers: false,
      ignoreEventWhen: (event) =>
        event.ctrlKey || event.metaKey || event.altKey || isElsewhere(event),
    },
  );
  useHotkeys('mod+k', onSearch, {
    preventDefault: true,
    enableOnFormTags: true,
    ignoreEventWhen: () => document.querySelector(OVERLAYS) !== null,
  });
  // In a text field the browser undoes typing; a slider has none of its own.
  useHotkeys('mod+z', undoLast, {
    preventDefault: true,
    enableOnFormTags: true,
    ignoreEventWhen: ({ target }) =>
      document.querySelector('[role=dialog]') !== null ||
      (target instanceof Element && target.matches(TYPING)),
  });
}
