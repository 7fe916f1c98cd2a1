import { useEffect } from 'react';

/** No field: whoever has just deleted something may want to undo it by key, and a field would take the key. */
const CAN_HAVE_FOCUS =
  'a[href], button:not(:disabled), [tabindex="0"]:not(input, [contenteditable])';

/** Where the keyboard goes on when what it was on is gone: what stood nearest to it. */
function nearest(ancestors: readonly Element[]): HTMLElement | null {
  const left = ancestors.find((each) => each.isConnected);
  if (!left || left === document.body) return document.querySelector('main');
  return left.querySelector<HTMLElement>(CAN_HAVE_FOCUS) ?? document.querySelector('main');
}

/** Keeps the keyboard's place when what it is on is taken away: deleted, sent, or closed with its dialog. */
export function useFocusKept(): void {
  useEffect(() => {
    let last: Element | null = null;
    let ancestors: Element[] = [];
    const remember = ({ target }: FocusEvent) => {
      if (!(target instanceof Element)) return;
      last = target;
      ancestors = [];
      for (let at = target.parentElement; at; at = at.parentElement) ancestors.push(at);
    };
    const restore = () => {
      if (!last || last.isConnected || document.activeElement !== document.body) return;
      last = null;
      nearest(ancestors)?.focus({ preventScroll: true });
    };
    const observer = new MutationObserver(restore);
    document.addEventListener('focusin', remember);
    observer.observe(document.body, { childList: true, subtree: true });
    return () => {
      document.removeEventListener('focusin', remember);
      observer.disconnect();
    };
  }, []);
}
