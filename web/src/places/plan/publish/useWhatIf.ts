import { weekAsIf } from '@calm/domain';
import type { AsIf } from '@calm/contract';
import { conflictsOf, nameOf, publishedSteps, type PlannedLot, type Settling } from '@calm/core';
import { proxy } from 'comlink';
import { useRef, useState } from 'react';
import { follower, settler } from '../../../workers/plan/plan';
import { doughWarnings, sayWarning, warningName } from '../conflicts/doughWarnings';
import { usePlanWords } from '../planWords';
import { planSayings } from '../conflicts/conflictMessages';
import type { PlanWeek } from '../editing/usePlanWeek';
import { settledProblem } from '../editing/useOptimizer';

/** What came of asking. */
export interface WhatIfAnswer {
  /** What was asked, as text. */
  readonly asIf: string;
  /** What breaks, in words. */
  readonly breaks: readonly string[];
  /** The lots that settle it; null when nothing was found that does. */
  readonly settled: readonly PlannedLot[] | null;
}

/** A way to settle it is looked for this long, seconds. */
const SECONDS = 3;

/** Asks what would break in a draft, and what settles it. */
export function useWhatIf(week: PlanWeek) {
  const words = usePlanWords(week);
  const [answer, setAnswer] = useState<WhatIfAnswer | null>(null);
  const [isAsking, setAsking] = useState(false);
  const asked = useRef(0);

  const ask = async (asIf: AsIf) => {
    asked.current += 1;
    const mine = asked.current;
    setAsking(true);
    const { content, lots, plainDocument, book, mixed } = week;
    const asIfs = [...content.asIfs, asIf];
    const { document, problem } = weekAsIf(plainDocument, asIfs);
    const known = new Set(conflictsOf(week.problem, { lots }).map(nameOf));
    const clashing = conflictsOf(problem, { lots }).filter((each) => !known.has(nameOf(each)));
    const sayings = planSayings(week, words);
    const question = { document, lots, places: book.places, asIfs, mixed };
    const [before, after] = [
      await follower().week({ ...question, document: week.document, asIfs: content.asIfs }),
      await follower().week(question),
    ];
    const warned = new Set(doughWarnings(before.lots, week).map(warningName));
    const warnings = doughWarnings(after.lots, week).filter(
      (each) => !warned.has(warningName(each)),
    );
    const breaks = [
      ...clashing.map(sayings.conflict),
      ...warnings.map((warning) => sayWarning(warning, words)),
    ];
    const settled = clashing.length > 0 ? await settledLots({ ...week, problem }) : null;
    if (mine !== asked.current) return;
    setAnswer({
      asIf: JSON.stringify(asIf),
      breaks,
      // Where nothing clashes the plan stands, and doses follow by themselves.
      settled: clashing.length === 0 ? lots : settled,
    });
    setAsking(false);
  };
  return { answer, ask: (asIf: AsIf) => void ask(asIf), isAsking };
}

/** The draft's lots settled anew, moved as little as can be; null when something stays open. */
async function settledLots(week: PlanWeek): Promise<PlannedLot[] | null> {
  const { kept, problem } = settledProblem(week);
  const published = publishedSteps(week.lots);
  let best: Settling | null = null;
  const keep = (settling: Settling) => {
    best = settling;
  };
  await settler().settle({ ...problem, published }, SECONDS, proxy(keep));
  const last = best as Settling | null;
  return last?.open === 0 ? [...kept, ...last.plan.lots] : null;
}
