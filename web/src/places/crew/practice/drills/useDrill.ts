import type { DrillSkill, HouseBook } from '@calm/contract';
import { scoreOf, type DrillAnswer, type DrillQuestion } from '@calm/domain';
import { useEffect, useMemo, useState } from 'react';
import { useOutboxItems } from '../../../../state/outbox/useOutboxItems';
import { deviceStorage, isFiniteNumber } from '../../../../state/storage';
import { practiceWorker } from '../../../../workers/practice/practice';

/** Questions of a round; it is kept once they are answered. */
export const DRILL_ROUND = 6;
const SEEDS = 1_000_000;

/** What was scored of a round that is not over, so that a reload loses nothing. */
export const drillOf = (house: string, personId: string, skill: DrillSkill) =>
  deviceStorage<readonly number[]>(
    `calm.practice.${house}.${personId}.drill.${skill}`,
    [],
    (stored) => (Array.isArray(stored) && stored.every(isFiniteNumber) ? stored : null),
  );

/** A question, and what was answered; null until something was. */
export interface DrillTurn {
  readonly question: DrillQuestion;
  readonly said: { readonly answer: DrillAnswer; readonly score: number } | null;
}

/** Somebody's round of a drill: one question at a time, kept when it is over. */
export function useDrill(
  { house, personId, skill }: { house: string; personId: string; skill: DrillSkill },
  book: HouseBook,
  words: string,
) {
  const storage = useMemo(() => drillOf(house, personId, skill), [house, personId, skill]);
  const [scores, setScores] = useState(() => storage.read());
  const [seed, setSeed] = useState(() => Math.floor(Math.random() * SEEDS));
  const [turn, setTurn] = useState<DrillTurn | 'none' | null>(null);
  const post = useOutboxItems(house);

  useEffect(() => {
    let isGone = false;
    void practiceWorker()
      .drill({ book, skill, seed })
      .then((question) => {
        if (!isGone) setTurn(question ? { question, said: null } : 'none');
      });
    return () => {
      isGone = true;
    };
  }, [book, skill, seed]);

  const keep = (done: readonly number[]) => {
    storage.write([]);
    const content = { kind: 'drill', skill, scores: done } as const;
    post({ kind: 'practice', start: { id: crypto.randomUUID(), content } }, words);
  };
  const isOver = scores.length >= DRILL_ROUND;
  return {
    turn,
    scores,
    isOver,
    /** What is answered last of a round keeps it. */
    say: (answer: DrillAnswer) => {
      if (!turn || turn === 'none' || turn.said) return;
      const score = scoreOf(turn.question, answer);
      const now = [...scores, score];
      if (now.length >= DRILL_ROUND) keep(now);
      else storage.write(now);
      setScores(now);
      setTurn({ ...turn, said: { answer, score } });
    },
    /** The next question, of another round when this one is over. */
    goOn: () => {
      if (isOver) setScores([]);
      setTurn(null);
      setSeed((before) => (before * 31 + 7) % SEEDS);
    },
    /** Keeps what was answered of a round that is not over. */
    stop: () => {
      if (!isOver && scores.length > 0) keep(scores);
    },
  };
}
