import { engine } from './engine';
import type { ServiceChances } from './engineAnswers';
import { useLatest } from '../useLatest';

const ask = (chances: ServiceChances): Promise<number> => engine().enough(chances);

/** The odds that a service's balls are enough at every minute, 0–1, by the engine in its worker. */
export function useServiceOdds(chances: ServiceChances | null): number | null {
  const latest = useLatest(ask, chances);
  return chances ? (latest?.answer ?? null) : null;
}
