import type { AdvisedChoice } from '@calm/contract';
import { HOUR_MS, workMinutes, type PlannedWork, type WorkKey, type WorkStage } from '@calm/core';
import type { BoardLot } from '@calm/domain';
import { coverOf, shiftTimes } from '../../../state/board/crewCover';
import type { Board } from '../../../state/board/useBoard';

/** Whose minutes a choice takes. */
export interface ChoiceWork {
  readonly minutes: number;
  /** Those who can do it and are in then; nobody where it is empty. */
  readonly who: readonly string[];
}

/** The work of a route that an action is like. */
const LIKE: Readonly<Partial<Record<AdvisedChoice['do'], WorkKey>>> = {
  're-ball': 'divide-ball',
  chill: 'chill',
  colder: 'chill',
  warmer: 'chill',
  'pull-now': 'pull',
  'pull-later': 'pull',
  'old-dough': 'chill',
};
/** Where a route has no such work: carrying trays. */
const CARRYING: WorkStage = {
  kind: 'work',
  key: 'chill',
  skill: 'cold',
  people: 1,
  rate: { fixedMin: 10 },
};

/** How long hands have to do with a choice, by the house's own rates, and who is in for it; null where nothing is done. */
export function choiceWork(
  board: Board,
  { recipe: { route } }: BoardLot,
  choice: Pick<AdvisedChoice, 'do' | 'fromHour'>,
  balls: number,
  mixedMs: number,
): ChoiceWork | null {
  const key = LIKE[choice.do];
  if (!key) return null;
  const found = route.find(
    (stage): stage is WorkStage => stage.kind === 'work' && stage.key === key,
  );
  const stage = found ?? CARRYING;
  const minutes = workMinutes(stage.rate, { loads: 1, balls });
  const startMs = mixedMs + choice.fromHour * HOUR_MS;
  const work: PlannedWork = { ...stage, index: 0, startMs, endMs: startMs + minutes * 60_000 };
  const { coverage, people } = coverOf(board, shiftTimes(board), work);
  const isDone = coverage.kind === 'covered' || coverage.kind === 'shift-too-short';
  return { minutes, who: isDone ? people.map(({ name }) => name) : [] };
}
