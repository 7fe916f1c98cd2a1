import { useEffect, useRef, useState } from 'react';

/** The width of what a picture of time is drawn in, px, followed as it changes: a screen that is turned, too. */
export function usePictureWidth<E extends HTMLElement>(): {
  ref: React.RefObject<E | null>;
  width: number;
} {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    // What is drawn inside must not hold it as wide as it was: a tablet is turned.
    element.style.contain = 'inline-size';
    // Time runs to the right, whichever way words do.
    element.dir = 'ltr';
    const observer = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, width };
}
