import { paths, type LiveEvent } from '@calm/contract';
import { useEffect } from 'react';
import { api } from './api';
import { liveTags } from './liveTags';
import { useAppDispatch } from '../store';

/** Writes that come close together are read once, ms. */
const TOGETHER_MS = 120;

/**
 * Follows what is written in the house on any device, and reads again what it touches. The browser comes
 * back by itself after a gap and says what it has seen.
 */
export function useLive(house: string): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    const line = new EventSource(paths.live(house));
    let timer: number | null = null;
    const touched = new Set<ReturnType<typeof liveTags>[number]>();
    line.onmessage = ({ data }: MessageEvent<string>) => {
      const { path } = JSON.parse(data) as LiveEvent;
      for (const tag of liveTags(path)) touched.add(tag);
      timer ??= window.setTimeout(() => {
        timer = null;
        dispatch(api.util.invalidateTags([...touched]));
        touched.clear();
      }, TOGETHER_MS);
    };
    return () => {
      if (timer !== null) clearTimeout(timer);
      line.close();
    };
  }, [dispatch, house]);
}
