import { useCallback } from 'react';
import { acknowledged, drafted } from './drafts';
import { useAppDispatch, useAppSelector } from '../store';

/** A value that is kept on this device until the house has acknowledged it. */
export function useDraft<T>(key: string): {
  draft: T | undefined;
  keep: (value: T) => void;
  drop: () => void;
} {
  const dispatch = useAppDispatch();
  const draft = useAppSelector((state) => state.drafts[key]) as T | undefined;
  const keep = useCallback((value: T) => dispatch(drafted({ key, value })), [dispatch, key]);
  const drop = useCallback(() => dispatch(acknowledged(key)), [dispatch, key]);
  return { draft, keep, drop };
}
