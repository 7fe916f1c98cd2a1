import { weekWithAssumptions } from '@calm/domain';
import type { Assumption } from '@calm/contract';
import { conflictsOf, nameOf, publishedSteps, type PlannedLot } from '@calm/core';
import { useRef, useState } from 'react';
import { simulator, optimizer } from '../../../workers/plan/plan';
import { withProgress } from '../../../workers/withProgress';
import { doughWarnings, formatWarningMessage, warningName } from '../conflicts/doughWarnings';
import { usePlanWords } from '../planWords';
import { planMessages } from '../conflicts/conflictMessages';
import type { PlanWeek } from '../editing/usePlanWeek';
import { solvedProblem } from '../editing/useOptimizer';

/** What came of asking. */
export interface WhatIfAnswer {
  /** What was asked, as text. */
  readonly assumption: string;
  /** What breaks, in words. */
  readonly breaks: readonly string[];
  /** The lots that settle it; null when nothing was found that does. */
  readonly solved: readonly PlannedLot[] | null;
}

/** A way to settle it is looked for this long, seconds. */
const SECONDS = 3;

/** Asks what would break in a draft, and what settles it. */
export function useWhatIf(week: PlanWeek) {
  const words = usePlanWords(week);
  const [answer, setAnswer] = useState<WhatIfAnswer | null>(null);
  const [isAsking, setAsking] = useState(false);
  const asked = useRef(0);

  const ask = async (assumption: Assumption) => {
    asked.current += 1;
    const mine = asked.current;
    setAsking(true);
    const { content, lots, plainDocument, book, mixed } = week;
    const assumptions = [...content.assumptions, assumption];
    const { document, problem } = weekWithAssumptions(plainDocument, assumptions);
    const known = new Set(conflictsOf(week.problem, { lots }).map(nameOf));
    const clashing = conflictsOf(problem, { lots }).filter((each) => !known.has(nameOf(each)));
    const messages = planMessages(week, words);
    const question = { document, lots, places: book.places, assumptions, mixed };
    const [before, after] = [
      await simulator().week({
        ...question,
        document: week.document,
        assumptions: content.assumptions,
      }),
      await simulator().week(question),
    ];
    const warned = new Set(doughWarnings(before.lots, week).map(warningName));
    const warnings = doughWarnings(after.lots, week).filter(
      (each) => !warned.has(warningName(each)),
    );
    const breaks = [
      ...clashing.map(messages.conflict),
      ...warnings.map((warning) => formatWarningMessage(warning, words)),
    ];
    const solved = clashing.length > 0 ? await solvedLots({ ...week, problem }) : null;
    if (mine !== asked.current) return;
    setAnswer({
      assumption: JSON.stringify(assumption),
      breaks,
      // Where nothing clashes the plan stands, and doses follow by themselves.
      solved: clashing.length === 0 ? lots : solved,
    });
    setAsking(false);
  };
  return { answer, ask: (assumption: Assumption) => void ask(assumption), isAsking };
}

/** The draft's lots settled again, moved as little as can be; null when something stays open. */
async function solvedLots(week: PlanWeek): Promise<PlannedLot[] | null> {
  const { kept, problem } = solvedProblem(week);
  const published = publishedSteps(week.lots);
  const last = await withProgress(
    (tell) => optimizer().optimize({ ...problem, published }, SECONDS, tell),
    () => undefined,
  );
  return last?.open === 0 ? [...kept, ...last.plan.lots] : null;
}
