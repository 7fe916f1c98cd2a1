import { useEffect } from 'react';

/** No field: whoever has just deleted something may want to undo it by key, and a field would take the key. */
const CAN_HAVE_FOCUS =
  'a[href], button:not(:disabled), [tabindex="0"]:not(input, [contenteditable])';

/** Whoever typed goes on typing, or presses Enter: on a button that would do something nobody meant. */
const IS_FIELD = 'input, textarea, [contenteditable]';

/** Where the keyboard goes on when what it was on is gone: what stood nearest to it, or the page after a field. */
function nearest(last: Element, ancestors: readonly Element[]): HTMLElement | null {
  if (last.matches(IS_FIELD)) return document.querySelector('main');
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
      nearest(last, ancestors)?.focus({ preventScroll: true });
      last = null;
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
