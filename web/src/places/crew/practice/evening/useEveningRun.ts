import { momentsOf, weighedCost, type Debrief, type Deed } from '@calm/core';
import type { PracticeEvening } from '@calm/domain';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useOutboxItems } from '../../../../state/outbox/useOutboxItems';
import { practiceWorker } from '../../../../workers/practice/practice';
import type { EveningSeen } from '../../../../workers/practice/practiceAnswers';
import { useLatest } from '../../../../workers/useLatest';
import { withProgress } from '../../../../workers/withProgress';
import { FRESH, runOf, takenBack, type EveningRun } from './eveningRun';

interface SeenAsked {
  readonly evening: PracticeEvening;
  readonly run: EveningRun;
}

const seenOf = ({ evening: { really, believed }, run }: SeenAsked): Promise<EveningSeen> =>
  practiceWorker().seen({ really, believed, decisions: run.decisions, moment: run.moment });

/** How the talk afterwards stands: how much of it is worked out, or all of it. */
export type DebriefState = { readonly share: number } | { readonly debrief: Debrief };

/** An evening that somebody runs: what is decided, what is seen, and what it came to. */
export function useEveningRun(
  { house, personId, situation }: { house: string; personId: string; situation: string },
  evening: PracticeEvening,
  words: string,
) {
  const storage = useMemo(() => runOf(house, personId, situation), [house, personId, situation]);
  const [run, setRun] = useState(() => storage.read());
  const change = (next: EveningRun) => {
    storage.write(next);
    setRun(next);
  };
  const asked = useMemo(() => ({ evening, run }), [evening, run]);
  const seen = useLatest(seenOf, asked)?.answer ?? null;
  const isOver = run.moment >= momentsOf(evening.really);
  const talk = useDebrief(evening, run, isOver);
  const post = useOutboxItems(house);

  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  }, [run]);
  const keep = useRef<(debrief: Debrief) => void>(() => undefined);
  useEffect(() => {
    keep.current = (debrief) => {
      if (run.isKept) return;
      change({ ...run, isKept: true });
      const content = {
        kind: 'evening',
        situation,
        score: debrief.score,
        cost: weighedCost(debrief.cost),
        best: weighedCost(debrief.best),
        plain: weighedCost(debrief.plain),
      } as const;
      post({ kind: 'practice', start: { id: crypto.randomUUID(), content } }, words);
    };
  });
  const told = talk && 'debrief' in talk ? talk.debrief : null;
  useEffect(() => {
    if (told) keep.current(told);
  }, [told]);

  return {
    run,
    seen,
    isOver,
    talk,
    decide: (dough: number, deed: Deed) =>
      change({ ...run, decisions: [...run.decisions, { moment: run.moment, dough, deed }] }),
    takeBack: () => change(takenBack(run)),
    goOn: () => change({ ...run, moment: run.moment + 1 }),
    goOnToEvent: async () => {
      const { really } = evening;
      const moment = await practiceWorker().nextEvent({ ...run, really });
      // Whatever is decided meanwhile stays, and the clock with it.
      if (latest.current === run) change({ ...run, moment });
    },
    again: () => change(FRESH),
  };
}

/** What an evening that is over came to; null before. */
function useDebrief(
  { really, believed }: PracticeEvening,
  { decisions }: EveningRun,
  isOver: boolean,
): DebriefState | null {
  const [state, setState] = useState<DebriefState>({ share: 0 });
  useEffect(() => {
    if (!isOver) return undefined;
    let isGone = false;
    const tell = (next: DebriefState) => {
      if (!isGone) setState(next);
    };
    void withProgress(
      (onProgress) => practiceWorker().debrief({ really, believed, decisions }, onProgress),
      (share: number) => tell({ share }),
    ).then((debrief) => tell({ debrief }));
    return () => {
      isGone = true;
      setState({ share: 0 });
    };
  }, [really, believed, decisions, isOver]);
  return isOver ? state : null;
}
