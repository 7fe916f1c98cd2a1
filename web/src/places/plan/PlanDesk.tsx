import { conflictsOf, type Conflict, type StepRef } from '@calm/core';
import { startTransition, useCallback, useDeferredValue, useMemo, useState } from 'react';
import type { SimulatedPlan } from '../../workers/plan/planAnswers';
import { PlanPicture } from './picture/PlanPicture';
import type { InHand } from './picture/useBeadDrag';
import type { PlanWords } from './planWords';
import type { PlanMessages } from './conflicts/conflictMessages';
import { StepFacts } from './steps/StepFacts';
import type { PlanEditing } from './editing/usePlanEditing';
import { useInHand } from './editing/useSimulatedPlan';
import type { PlanWeek } from './editing/usePlanWeek';

/** The picture with what is in hand in it, and the facts of the step that is picked. */
export function PlanDesk({
  week,
  fromMs,
  toMs,
  words,
  messages,
  editing,
  simulated,
  conflicts,
}: {
  readonly week: PlanWeek;
  readonly fromMs: number;
  readonly toMs: number;
  readonly words: PlanWords;
  readonly messages: PlanMessages;
  readonly editing: PlanEditing;
  readonly simulated: SimulatedPlan | null;
  /** Of the plan as it stands. */
  readonly conflicts: readonly Conflict[];
}) {
  const [picked, setPicked] = useState<StepRef | null>(null);
  // What is picked is told between frames: the hand may be moving already.
  const pick = useCallback((step: StepRef) => startTransition(() => setPicked(step)), []);
  const [held, setHeld] = useState<InHand | null>(null);
  const inHand = held?.of === week.content ? held : null;
  if (held && !inHand) setHeld(null);

  const lots = inHand?.lots ?? week.lots;
  const editedLot = inHand ? (lots.find(({ id }) => id === inHand.step.lotId) ?? null) : null;
  const ofLot = useInHand(simulated, editedLot);
  const heldLots = inHand?.lots ?? null;
  const shown = useMemo(
    () => (heldLots ? conflictsOf(week.problem, { lots: heldLots }) : conflicts),
    [week.problem, heldLots, conflicts],
  );
  const clashing = useMemo(
    () => (inHand ? inTheWay(shown, inHand.step).map(messages.conflict) : NOTHING),
    [inHand, shown, messages],
  );
  // The picture follows the hand; words below it follow the picture.
  const facts = useDeferredValue(
    useMemo(() => ({ lots, inTheWay: clashing, ofLot }), [lots, clashing, ofLot]),
  );
  return (
    <>
      <PlanPicture
        week={week}
        lots={lots}
        fromMs={fromMs}
        toMs={toMs}
        words={words}
        climate={simulated?.climate}
        ofLot={ofLot}
        conflicts={shown}
        picked={picked}
        editing={editing}
        onPick={pick}
        onHold={setHeld}
      />
      <StepFacts
        week={week}
        lots={facts.lots}
        picked={picked}
        simulated={picked ? facts.ofLot(picked.lotId) : null}
        words={words}
        editing={editing}
        inTheWay={facts.inTheWay}
      />
    </>
  );
}

const NOTHING: readonly string[] = [];

/** The conflicts of the lot in hand, those of the very step first. */
function inTheWay(conflicts: readonly Conflict[], held: StepRef): Conflict[] {
  const isOwn = (conflict: Conflict) => 'step' in conflict && conflict.step.stage === held.stage;
  return conflicts
    .filter((each) => JSON.stringify(each).includes(JSON.stringify(held.lotId)))
    .sort((a, b) => Number(isOwn(b)) - Number(isOwn(a)));
}
