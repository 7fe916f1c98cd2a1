import { useAppSelector } from '../store';

/** The moment the page shows. */
export function useCursor(): { atMs: number; nowMs: number; isNow: boolean } {
  const { atMs, nowMs } = useAppSelector((state) => state.cursor);
  return { atMs: atMs ?? nowMs, nowMs, isNow: atMs === null };
}
