import type { PracticeResult, ReadingDone } from '@calm/contract';
import { DOUGH_FORMS, LOOKS, WARMTHS, type PastReading, type ReadingKind } from '@calm/core';
import { deviceStorage, isFiniteNumber, isObject, isOneOf } from '../../../../state/storage';

/** Doughs of a round; it is kept once they are read. */
export const ROUND = 6;

/** What somebody has read of a round that is not kept yet, with when, epoch ms. */
export type OpenRound = readonly (ReadingDone & { readonly atMs: number })[];

/** A round that was begun and not ended, so that a reload loses nothing. */
export const roundOf = (house: string, personId: string) =>
  deviceStorage<OpenRound>(`calm.practice.${house}.${personId}`, [], (stored) =>
    Array.isArray(stored)
      ? stored.filter(
          (each): each is OpenRound[number] =>
            isObject(each) &&
            (each['form'] === undefined || isOneOf(DOUGH_FORMS, each['form'])) &&
            isOneOf(LOOKS, each['found']) &&
            isOneOf(WARMTHS, each['warmth']) &&
            isFiniteNumber(each['score']) &&
            isFiniteNumber(each['atMs']),
        )
      : null,
  );

/** Everything that somebody has read, in time's order. @param results newest first, of everybody */
export const pastReadings = (
  results: readonly PracticeResult[],
  personId: string,
  open: OpenRound,
): PastReading[] => [
  ...results
    .filter((each) => each.personId === personId)
    .sort((a, b) => (a.at < b.at ? -1 : 1))
    .flatMap(({ at, content }) =>
      content.kind === 'reading'
        ? content.readings.map((done) => pastReading(done, Date.parse(at)))
        : [],
    ),
  ...open.map((done) => pastReading(done, done.atMs)),
];

/** What was read first were balls alone. */
const pastReading = ({ form = 'ball', found, warmth, score }: ReadingDone, atMs: number) => ({
  kind: { form, found, warmth } satisfies ReadingKind,
  score,
  atMs,
});
