import { LIVE_HEARTBEAT, paths, type LiveEvent } from '@calm/contract';
import { useEffect } from 'react';
import { api, TAGS } from '../api/api';
import { connectionFound, connectionLost } from './connection';
import { liveTags } from './liveTags';
import { useAppDispatch } from '../store';

/** Writes that come close together are read once, ms. */
const TOGETHER_MS = 120;
/** Nothing heard for so long, two heartbeats and a little: the connection is lost, ms. */
const SILENT_MS = 2.2 * LIVE_HEARTBEAT.everyMs;
/** A lost line is opened again so often, ms. */
const AGAIN_MS = 2000;

/**
 * Follows what is written in the house on any device, and reads again what it touches. Says when the house is
 * no longer heard, and when it is again; what was missed meanwhile is then read whole.
 */
export function useLive(house: string): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    const touched = new Set<ReturnType<typeof liveTags>[number]>();
    let line: EventSource | null = null;
    let together: number | null = null;
    let silence = 0;
    let again = 0;
    let isLost = false;

    const heard = () => {
      clearTimeout(silence);
      silence = window.setTimeout(lose, SILENT_MS);
      if (!isLost) return;
      isLost = false;
      dispatch(connectionFound());
      dispatch(api.util.invalidateTags([...TAGS]));
    };
    const told = ({ data }: MessageEvent<string>) => {
      heard();
      const { path } = JSON.parse(data) as LiveEvent;
      for (const tag of liveTags(path)) touched.add(tag);
      together ??= window.setTimeout(() => {
        together = null;
        dispatch(api.util.invalidateTags([...touched]));
        touched.clear();
      }, TOGETHER_MS);
    };
    const close = () => {
      line?.close();
      clearTimeout(silence);
      clearTimeout(again);
    };
    const open = () => {
      close();
      line = new EventSource(paths.live(house));
      line.onopen = heard;
      line.onmessage = told;
      line.addEventListener(LIVE_HEARTBEAT.event, heard);
      // A line that the house refuses is not tried again by the browser: it may be that nobody is signed in.
      line.onerror = ({ target }) => {
        if (target !== line || line?.readyState !== EventSource.CLOSED) return;
        dispatch(api.util.invalidateTags(['Session']));
        lose();
      };
      silence = window.setTimeout(lose, SILENT_MS);
    };
    const lose = () => {
      close();
      again = window.setTimeout(open, AGAIN_MS);
      isLost = true;
      dispatch(connectionLost());
    };

    open();
    window.addEventListener('offline', lose);
    window.addEventListener('online', open);
    return () => {
      window.removeEventListener('offline', lose);
      window.removeEventListener('online', open);
      close();
      if (together !== null) clearTimeout(together);
    };
  }, [dispatch, house]);
}
