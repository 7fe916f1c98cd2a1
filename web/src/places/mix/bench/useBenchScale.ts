import { useCallback, useEffect, useState } from 'react';
import { EMPTY_SCALE, pourRate, putOn, readScale, tare, type ScaleReading } from './benchScale';

/** A simulated scale on the page, and what hands do at it. */
export interface BenchScale extends ScaleReading {
  /** Pours towards a weight for as long as the hand holds. */
  readonly pour: (wantedG: number) => void;
  readonly stop: () => void;
  /** Puts a weight on at once, or takes it off when below nothing. */
  readonly put: (grams: number) => void;
  readonly tare: () => void;
  /** Takes everything off. */
  readonly clear: () => void;
}

const TICK_MS = 50;

/** @param stepG the smallest step the scale shows, g */
export function useBenchScale(stepG: number): BenchScale {
  const [load, setLoad] = useState(EMPTY_SCALE);
  const [pouringG, setPouringG] = useState<number | null>(null);
  const [atMs, setAtMs] = useState(() => performance.now());
  useEffect(() => {
    const timer = setInterval(() => {
      const now = performance.now();
      setAtMs(now);
      if (pouringG === null) return;
      setLoad((before) => {
        const shown = before.onItG - before.taredG;
        return putOn(before, (pourRate(shown, pouringG, stepG) * TICK_MS) / 1000, now);
      });
    }, TICK_MS);
    return () => clearInterval(timer);
  }, [pouringG, stepG]);
  const put = useCallback(
    (grams: number) => setLoad((before) => putOn(before, grams, performance.now())),
    [],
  );
  return {
    ...readScale(load, atMs, stepG),
    pour: setPouringG,
    stop: useCallback(() => setPouringG(null), []),
    put,
    tare: useCallback(() => setLoad(tare), []),
    clear: useCallback(() => setLoad({ ...EMPTY_SCALE, touchedMs: performance.now() }), []),
  };
}
