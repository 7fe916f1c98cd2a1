import type { PlannedLot, PlannedStep, StepRef } from '@calm/core';
import type { KeyboardEvent, PointerEvent } from 'react';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';
import type { StepBead } from './planLayout';
import { stepName, type StepMarks, type StepNames } from './stepMarks';

/** What hands do to beads. */
export interface BeadHands {
  readonly onPick: (step: StepRef) => void;
  readonly onGrab: (step: StepRef, event: PointerEvent) => void;
  readonly onGrabLot: (lotId: string, event: PointerEvent) => void;
  readonly onNudge: (step: StepRef, byMin: number) => void;
  readonly onPin: (step: StepRef) => void;
}

/** What a bead's works are called, under it. */
const workWords = ({ steps }: StepBead, words: PlanWords): string =>
  words.f.list(steps.map(({ key }) => words.t(`work.${key}`)));

/** About as wide as a letter under a bead, px. */
const LETTER_PX = 7.5;

/** How far the words under a bead reach to each side, px. */
export const halfWords = (bead: StepBead, words: PlanWords): number =>
  (workWords(bead, words).length * LETTER_PX) / 2;

/** Whether the words of the bead before reach under this one. */
export function isCrowded(beads: readonly StepBead[], bead: StepBead, words: PlanWords): boolean {
  const before = beads[beads.indexOf(bead) - 1];
  if (!before) return false;
  return before.x + halfWords(before, words) > bead.x - halfWords(bead, words);
}

/** What Shift with a key moves a bead by, min; without Shift, keys walk from bead to bead. */
const NUDGES: Readonly<Record<string, number>> = {
  ArrowLeft: -5,
  ArrowRight: 5,
  PageUp: -60,
  PageDown: 60,
};

/** Work on a lot, as a bead on its ribbon: initials of who does it; several at once are one. */
export function Bead({
  bead,
  lot,
  y,
  hasLetters,
  hasWords,
  isDone,
  words,
  marks,
  hands,
}: {
  readonly bead: StepBead;
  readonly lot: PlannedLot;
  readonly y: number;
  readonly hasLetters: boolean;
  readonly hasWords: boolean;
  readonly isDone: boolean;
  readonly words: PlanWords;
  readonly marks: StepMarks;
  readonly hands: BeadHands;
}) {
  const first = bead.steps[0] as PlannedStep;
  const ref = { lotId: lot.id, stage: first.stage, serviceId: first.serviceId };
  const has = (names: StepNames) => bead.steps.some((step) => names.has(stepName(step)));
  const isPicked = bead.steps.some((step) => stepName(step) === marks.picked);
  const text = hasLetters ? lettersOf(bead.steps, words) : '';
  const half = hasLetters ? Math.max(13, text.length * 4.9 + 6) : 5;
  const high = hasLetters ? 12 : 5;
  const said = bead.steps
    .map((step) => {
      const who = words.f.list(step.personIds.map(words.person)) || words.t('plan.nobody');
      return words.f.joined(
        `${words.step(step, lot)} ${words.moment(step.startMin)}–${words.time(step.endMin)}`,
        who,
      );
    })
    .join('; ');
  const onKey = (event: KeyboardEvent) => {
    const byMin = event.shiftKey ? NUDGES[event.key] : undefined;
    if (byMin !== undefined) hands.onNudge(ref, byMin);
    else if (event.key === 'Enter' || event.key === ' ') hands.onPick(ref);
    else if (event.key === 'p') hands.onPin(ref);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <g
      className={styles['bead']}
      data-done={isDone}
      data-clashing={has(marks.clashing)}
      data-picked={isPicked}
      role="button"
      aria-keyshortcuts="Shift+ArrowLeft Shift+ArrowRight Shift+PageUp Shift+PageDown P"
      aria-label={`${words.lot(lot)}: ${said}`}
      onKeyDown={onKey}
      onFocus={() => hands.onPick(ref)}
      onPointerDown={(event) => hands.onGrab(ref, event)}
    >
      <rect x={bead.x - half} width={half * 2} y={y - high} height={high * 2} rx={high} />
      {hasLetters && (
        <text x={bead.x} y={y + 4.5} textAnchor="middle">
          {text}
        </text>
      )}
      {hasWords && (
        <text
          className={styles['under']}
          data-strong
          x={bead.x}
          y={y + high + 12}
          textAnchor="middle"
        >
          {workWords(bead, words)}
        </text>
      )}
      {has(marks.pinned) && (
        <path className={styles['pin']} d={`M${bead.x - 4},${y + high}h8l-4,7z`} />
      )}
      <title>{said}</title>
    </g>
  );
}

/** Initials of who does it; `MA +1` when it is several steps or people. */
function lettersOf(steps: readonly PlannedStep[], words: PlanWords): string {
  const all = [...new Set(steps.flatMap(({ personIds }) => personIds))];
  const [first] = all;
  if (first === undefined) return '?';
  return all.length === 1 ? words.initials(first) : `${words.initials(first)}+${all.length - 1}`;
}
