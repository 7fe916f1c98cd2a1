import { useEffect } from 'react';

/** Ctrl+Z and Ctrl+Shift+Z on this page take the plan back and forth. */
export function useUndoKeys(undo: (() => void) | null, redo: (() => void) | null): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isField = (event.target as HTMLElement).matches('input, textarea, select');
      const key = event.key.toLowerCase();
      const isCommand = (event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y');
      if (!isCommand || isField) return;
      const act = key === 'y' || event.shiftKey ? redo : undo;
      if (!act) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      act();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [undo, redo]);
}
