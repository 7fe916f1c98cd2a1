import type { RecordContent } from '@calm/contract';

/** Puts a measure on record; `words` say it in a few. */
export type PutMeasure = (content: RecordContent, words: string) => void;
