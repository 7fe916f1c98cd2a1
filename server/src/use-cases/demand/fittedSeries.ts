import type { SeriesForecast } from '@calm/core';
import { LRUCache } from 'lru-cache';
import { createHash } from 'node:crypto';
import type { SeriesToFit } from '../../workers/calculations';
import { onThread } from '../../workers/threads';

/** Series of every house that stay fitted. */
const MOST_KEPT = 2000;

/** By what they were fitted to: the same history is fitted once, whoever asks and whatever else was written. */
const kept = new LRUCache<string, Promise<SeriesForecast>>({ max: MOST_KEPT });

/** How a series is forecast; fitted on another thread, and once for the same history. */
export function fittedSeries(series: SeriesToFit): Promise<SeriesForecast> {
  const key = createHash('sha256').update(JSON.stringify(series)).digest('base64');
  const known = kept.get(key);
  if (known) return known;
  const fitting = onThread('fitSeries', series);
  kept.set(key, fitting);
  fitting.catch(() => kept.delete(key));
  return fitting;
}
