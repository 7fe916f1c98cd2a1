import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../parts/messages/Notices';
import { problemWords } from '../parts/messages/problemWords';

/** Which run of the work a step belongs to: steps of one that was left are not shown. */
export type Run = number;

/**
 * Work in several steps that can be left at any of them, and goes back to the last safe one when something fails.
 *
 * @param first before anything is begun
 * @param failedWords what is said where the house gave no reason
 */
export function useBatches<Step>(first: Step, failedWords: string) {
  const { t } = useTranslation();
  const { failed } = useNotices();
  const [state, setState] = useState<Step>(first);
  const run = useRef<Run>(0);
  const safe = useRef<Step>(first);

  const isLeft = (mine: Run): boolean => mine !== run.current;
  /** Shows a step unless the work has been left in the meantime. */
  const step = (mine: Run, to: Step) => {
    if (!isLeft(mine)) setState(to);
  };
  const begin = async (work: (mine: Run) => Promise<void>) => {
    run.current += 1;
    const mine = run.current;
    try {
      await work(mine);
    } catch (error) {
      if (isLeft(mine)) return;
      setState(safe.current);
      failed(problemWords(t, error, failedWords));
    }
  };
  const goTo = (to: Step) => {
    run.current += 1;
    setState(to);
  };
  return {
    state,
    step,
    isLeft,
    /** Runs some of the work; what fails goes back to the safe step and is said. */
    begin: (work: (mine: Run) => Promise<void>) => void begin(work),
    /** The step to go back to from now on. */
    makeSafe: (to: Step) => {
      safe.current = to;
    },
    safeStep: () => safe.current,
    back: () => goTo(safe.current),
    leave: () => goTo(first),
  };
}
