import type { HouseBook, PracticeResult } from '@calm/contract';
import { scoreReading, type ReadingAnswer, type ReadingCase } from '@calm/core';
import { readableDoughs, type ReadableDough, type ReadingWish } from '@calm/domain';
import { useEffect, useMemo, useState } from 'react';
import { useOutboxItems } from '../../../../state/outbox/useOutboxItems';
import { useCursor } from '../../../../state/time/useCursor';
import { engine } from '../../../../workers/engine/engine';
import { pastReadings, ROUND, roundOf, type OpenRound } from './readingRound';

/** A dough that is to be read, and what was said of it; null until something was. */
export interface ReadingTurn {
  readonly dough: ReadableDough;
  readonly asked: ReadingCase;
  readonly said: { readonly answer: ReadingAnswer; readonly score: number } | null;
}

const SEEDS = 1_000_000;

/**
 * Somebody's round of doughs to read: one at a time, kept when it is over.
 *
 * @param results what was practised before, newest first
 * @param words what it is called while it waits to be sent
 */
export function useReading(
  house: string,
  personId: string,
  book: HouseBook,
  results: readonly PracticeResult[],
  words: string,
) {
  const { nowMs } = useCursor();
  const storage = useMemo(() => roundOf(house, personId), [house, personId]);
  const [round, setRound] = useState<OpenRound>(() => storage.read());
  const wishFor = (open: OpenRound): Omit<ReadingWish, 'documents'> => ({
    past: pastReadings(results, personId, open),
    nowMs,
    seed: Math.floor(Math.random() * SEEDS),
  });
  const [wish, setWish] = useState(() => wishFor(round));
  const [turn, setTurn] = useState<ReadingTurn | 'none' | null>(null);
  const post = useOutboxItems(house);
  const doughs = useMemo(() => readableDoughs(book), [book]);

  useEffect(() => {
    let isGone = false;
    const documents = doughs.map(({ document }) => document);
    void engine()
      .reading({ ...wish, documents })
      .then((next) => {
        const dough = next && doughs[next.dough];
        if (!isGone) setTurn(dough ? { dough, asked: next.asked, said: null } : 'none');
      });
    return () => {
      isGone = true;
    };
  }, [doughs, wish]);

  const keep = (done: OpenRound) => {
    storage.write([]);
    const readings = done.map(({ atMs: _, ...each }) => each);
    const start = { id: crypto.randomUUID(), content: { kind: 'reading', readings } } as const;
    post({ kind: 'practice', start }, words);
  };
  const isOver = round.length >= ROUND;
  return {
    turn,
    round,
    isOver,
    /** What is said last of a round keeps it. */
    say: (answer: ReadingAnswer) => {
      if (!turn || turn === 'none' || turn.said) return;
      const score = scoreReading(turn.asked, answer);
      const now = [...round, { ...turn.asked.kind, score, atMs: nowMs }];
      if (now.length >= ROUND) keep(now);
      else storage.write(now);
      setRound(now);
      setTurn({ ...turn, said: { answer, score } });
    },
    /** The next dough, of another round when this one is over. */
    goOn: () => {
      const open = isOver ? [] : round;
      setRound(open);
      setTurn(null);
      setWish(wishFor(open));
    },
    /** Keeps what was read of a round that is not over. */
    stop: () => {
      if (!isOver && round.length > 0) keep(round);
    },
  };
}
