import type { DecidedRecord, Lot } from '@calm/contract';
import {
  COLD_AIR_C,
  stageKey,
  workOf,
  type PlannedStage,
  type PlannedWork,
  type WorkKey,
} from '@calm/core';

/** A lot's stages, with its way into the cold and out of it when that was decided, where it is not done yet. */
export function stagesAsDecided(
  stages: readonly PlannedStage[],
  lot: Lot | null,
): readonly PlannedStage[] {
  if (!lot?.decided || lot.decided.content.of === 'cold') return stages;
  const { decided } = lot;
  const isCold = coldStages(decided);
  const chilled = isCold.indexOf(true);
  const pulled = isCold.lastIndexOf(true) + 1;
  // What was planned to be over by then has put it where it is; only what is taken out later was not pulled.
  const isAhead = (work: PlannedStage) => work.startMs > Date.parse(decided.at);
  const chill = stillToDo(stages, lot, 'chill');
  const pull = stillToDo(stages, lot, 'pull');
  const withChill =
    chill && chilled >= 0 && isAhead(chill)
      ? moved(stages, chill, startOf(decided, chilled))
      : stages;
  return pull && pulled < isCold.length && (pulled > 0 || isAhead(pull))
    ? moved(withChill, pull, startOf(decided, pulled))
    : withChill;
}

/** A lot's work of one kind where it is not done yet. */
const stillToDo = (stages: readonly PlannedStage[], { marks }: Lot, key: WorkKey) =>
  workOf(stages).find(
    (work) =>
      work.key === key &&
      !marks.some(
        ({ loadNumber, stepKey, doneAt }) =>
          loadNumber === 0 && stepKey === stageKey(work) && doneAt !== null,
      ),
  );

/** Stages with one piece of work at another time: what is before it ends by then, what follows begins when it is done. */
function moved(
  stages: readonly PlannedStage[],
  { index: own, startMs: fromMs, endMs: untilMs }: PlannedWork,
  toMs: number,
): readonly PlannedStage[] {
  const index = stages.findIndex((stage) => stage.index === own);
  const doneMs = toMs + untilMs - fromMs;
  return stages.map((stage, i) => {
    if (i === index) return { ...stage, startMs: toMs, endMs: doneMs };
    if (i < index) {
      const endMs = i === index - 1 ? toMs : Math.min(stage.endMs, toMs);
      return { ...stage, startMs: Math.min(stage.startMs, endMs), endMs };
    }
    const startMs = i === index + 1 ? doneMs : Math.max(stage.startMs, doneMs);
    return { ...stage, startMs, endMs: Math.max(stage.endMs, startMs) };
  });
}

/** Which stages of a decision are in the cold. */
export const coldStages = ({ content }: DecidedRecord): boolean[] =>
  content.stages.map(({ airTempC }) => airTempC <= COLD_AIR_C);

/** When a stage of a decision begins, ms. */
export const startOf = ({ content, at }: DecidedRecord, i: number): number =>
  Date.parse(content.stages[i - 1]?.untilAt ?? at);
