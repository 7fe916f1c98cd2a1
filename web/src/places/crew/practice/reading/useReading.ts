import type { HouseBook, PracticeResult } from '@calm/contract';
import {
  nextReading,
  scoreReading,
  type PastReading,
  type ReadingAnswer,
  type ReadingCase,
  type ReadingKind,
} from '@calm/core';
import { readableDoughs, type ReadableDough } from '@calm/domain';
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

/** What the next dough is chosen by. */
interface Wish {
  readonly past: readonly PastReading[];
  readonly nowMs: number;
  readonly seed: number;
}

const SEEDS = 1_000_000;

/** A dough of the house to read next: of the kind that is asked next and that some dough can be; null where none can. */
async function drawn(
  doughs: readonly ReadableDough[],
  { past, nowMs, seed }: Wish,
): Promise<ReadingTurn | null> {
  const without: ReadingKind[] = [];
  for (;;) {
    const next = nextReading(past, nowMs, seed, without);
    if (!next) return null;
    for (let i = 0; i < doughs.length; i += 1) {
      const dough = doughs[(seed + i) % doughs.length] as ReadableDough;
      const asked = await engine().reading({ document: dough.document, ...next, seed: seed + i });
      if (asked) return { dough, asked, said: null };
    }
    without.push(next.kind);
  }
}

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
  const wishFor = (open: OpenRound): Wish => ({
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
    void drawn(doughs, wish).then((next) => {
      if (!isGone) setTurn(next ?? 'none');
    });
    return () => {
      isGone = true;
    };
  }, [doughs, wish]);

  const keep = (done: OpenRound) => {
    storage.write([]);
    const readings = done.map(({ found, warmth, score }) => ({ found, warmth, score }));
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
