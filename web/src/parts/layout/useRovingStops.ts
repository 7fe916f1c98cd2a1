import { useLayoutEffect, useRef, type KeyboardEvent, type RefObject } from 'react';

type Side = 'left' | 'right' | 'up' | 'down';

const SIDES: Readonly<Record<string, Side>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};

/** From row to row, a way down counts for so much of a way aside. */
const ASIDE_COUNTS = 6;

type Box = Pick<DOMRect, 'left' | 'right' | 'top' | 'bottom'>;

/** How far `to` lies from `from` on a side, px; null when it does not lie there. */
export function distanceTo(side: Side, from: Box, to: Box): number | null {
  const across = (to.left + to.right - from.left - from.right) / 2;
  const down = (to.top + to.bottom - from.top - from.bottom) / 2;
  const isAcross = side === 'left' || side === 'right';
  const onward = isAcross ? across : down;
  const ahead = side === 'left' || side === 'up' ? -onward : onward;
  if (ahead < 1) return null;
  // Along a row is what stands in it; from row to row, the next row comes first.
  if (isAcross) return from.top < to.bottom && to.top < from.bottom ? ahead : null;
  return ASIDE_COUNTS * ahead + Math.abs(across);
}

/** The nearest on a side; null at the edge. */
function nearest(side: Side, from: Element, all: readonly Element[]): Element | null {
  const box = from.getBoundingClientRect();
  let found: Element | null = null;
  let least = Infinity;
  for (const each of all) {
    const far = distanceTo(side, box, each.getBoundingClientRect());
    if (each === from || far === null || far >= least) continue;
    [found, least] = [each, far];
  }
  return found;
}

/**
 * Makes many buttons one stop of the keyboard: Tab comes to the one that was used last and then goes past,
 * arrow keys walk among them as they stand on the screen, Home and End go to the first and the last.
 *
 * @param around the element around them
 * @param selector which elements in it are walked among; they carry no `tabIndex` of their own
 * @returns what hears the keys of the element around them
 */
export function useRovingStops(
  around: RefObject<Element | null>,
  selector: string,
): (event: KeyboardEvent) => void {
  const last = useRef<Element>(null);
  useLayoutEffect(() => {
    const within = around.current;
    if (!within) return undefined;
    const settle = () => {
      const all = within.querySelectorAll(selector);
      if (!last.current || !within.contains(last.current)) last.current = all[0] ?? null;
      for (const each of all) each.setAttribute('tabindex', each === last.current ? '0' : '-1');
    };
    const remember = ({ target }: FocusEvent) => {
      const stop = target instanceof Element ? target.closest(selector) : null;
      if (!stop || !within.contains(stop)) return;
      last.current = stop;
      settle();
    };
    settle();
    const observer = new MutationObserver(settle);
    observer.observe(within, { childList: true, subtree: true });
    document.addEventListener('focusin', remember);
    return () => {
      observer.disconnect();
      document.removeEventListener('focusin', remember);
    };
  }, [around, selector]);

  return (event) => {
    const from = (event.target as Element).closest(selector);
    if (!from || event.shiftKey || event.ctrlKey || event.metaKey || event.altKey) return;
    const all = [...(around.current?.querySelectorAll(selector) ?? [])];
    const side = SIDES[event.key];
    const to =
      (event.key === 'Home' && all[0]) ||
      (event.key === 'End' && all.at(-1)) ||
      (side && nearest(side, from, all));
    if (side || to) event.preventDefault();
    if (to instanceof HTMLElement || to instanceof SVGElement) to.focus();
  };
}
