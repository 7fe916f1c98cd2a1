import { useLayoutEffect, useRef, type KeyboardEvent, type RefObject } from 'react';

type Side = 'left' | 'right' | 'up' | 'down';

const SIDES: Readonly<Record<string, Side>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};

type Box = Pick<DOMRect, 'left' | 'right' | 'top' | 'bottom'>;

const middle = ({ left, right, top, bottom }: Box) => ({
  x: (left + right) / 2,
  y: (top + bottom) / 2,
});
const isInRow = (one: Box, other: Box) => one.top < other.bottom && other.top < one.bottom;

/** The first of the least by a measure; -1 of none. */
function leastBy(of: readonly number[], measure: (index: number) => number): number {
  let least = of[0] ?? -1;
  for (const each of of) if (measure(each) < measure(least)) least = each;
  return least;
}

/**
 * Which is next on a side: along a row the next in it, from row to row the nearest of the next row.
 * Two that stand in the same place are told apart by their order, so every one is come to.
 *
 * @param side which way to go
 * @param from where to go from, the index of its box
 * @param boxes where each stands, px
 * @returns the index of the next box; null at the edge
 */
export function nextStop(side: Side, from: number, boxes: readonly Box[]): number | null {
  const here = boxes[from];
  if (!here) return null;
  const middles = boxes.map(middle);
  const isAcross = side === 'left' || side === 'right';
  const sign = side === 'left' || side === 'up' ? -1 : 1;
  const onward = (index: number) => {
    const [to, at] = [middles[index], middle(here)];
    return to ? sign * (isAcross ? to.x - at.x : to.y - at.y) : Infinity;
  };
  const others = [...boxes.keys()].filter((index) => index !== from);
  const ordered = sign > 0 ? others : others.reverse();
  if (isAcross) {
    const ahead = ordered.filter((index) => {
      const box = boxes[index];
      const isBehind = sign * (index - from) < 0;
      return box && isInRow(here, box) && (onward(index) > 0 || (onward(index) === 0 && !isBehind));
    });
    return ahead.length > 0 ? leastBy(ahead, onward) : null;
  }
  const beyond = ordered.filter((index) => {
    const box = boxes[index];
    return box && !isInRow(here, box) && onward(index) > 0;
  });
  const first = boxes[leastBy(beyond, onward)];
  if (!first) return null;
  const row = beyond.filter((index) => isInRow(first, boxes[index] ?? first));
  return leastBy(row, (index) => Math.abs((middles[index]?.x ?? 0) - middle(here).x));
}

const boxesOf = (all: readonly Element[]) => all.map((each) => each.getBoundingClientRect());

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
      (side && all[nextStop(side, all.indexOf(from), boxesOf(all)) ?? -1]);
    if (side || to) event.preventDefault();
    if (to instanceof HTMLElement || to instanceof SVGElement) to.focus();
  };
}
