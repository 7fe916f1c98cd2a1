import { useRef } from 'react';
import { useDraft } from '../drafts/useDraft';
import { useInOrder } from './useInOrder';

/** A value that is typed here: shown at once, kept on this device, written in order. */
export interface DraftedWrite<Value, Saved> {
  /** What is typed and not yet acknowledged. */
  readonly draft: Value | undefined;
  /** The newest the house is known to have: what is shown, or what the last write made of it. */
  readonly present: () => Saved;
  /** Keeps the value and writes it when those before it are written; null when that failed. */
  readonly put: (value: Value, over?: number) => Promise<Saved | null>;
  /** Runs another write in the same order. */
  readonly inOrder: (write: () => Promise<Saved | null>) => Promise<Saved | null>;
  readonly drop: () => void;
}

/**
 * A drafted value and its writes. Two quick changes go one over the other, and the draft goes only when
 * the last of them is acknowledged.
 *
 * @param key of the draft on this device
 * @param shown as the house has it, by what came last
 * @param write sends a value over a version; null when it failed
 */
export function useDraftedWrite<Value, Saved extends { readonly version: number }>(
  key: string,
  shown: Saved,
  write: (value: Value, version: number) => Promise<Saved | null>,
): DraftedWrite<Value, Saved> {
  const { draft, keep, drop } = useDraft<Value>(key);
  const run = useInOrder();
  const written = useRef<Saved | null>(null);
  const puts = useRef(0);
  const present = () =>
    written.current && written.current.version > shown.version ? written.current : shown;

  const inOrder = (work: () => Promise<Saved | null>) =>
    new Promise<Saved | null>((resolve, reject) => {
      void run(async () => {
        try {
          const saved = await work();
          if (saved) written.current = saved;
          resolve(saved);
        } catch (error) {
          reject(error as Error);
        }
      });
    });
  const put = (value: Value, over?: number) => {
    keep(value);
    puts.current += 1;
    const mine = puts.current;
    return inOrder(async () => {
      const saved = await write(value, over ?? present().version);
      if (saved && mine === puts.current) drop();
      return saved;
    });
  };
  return { draft, present, put, inOrder, drop };
}
