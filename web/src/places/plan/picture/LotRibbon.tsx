import { STANDARD_TARGET, type PlannedLot, type PlannedStep, type StepRef } from '@calm/core';
import type { SimulatedService } from '@calm/domain';
import { memo, type KeyboardEvent, type PointerEvent } from 'react';
import { ribbonMiddle, SwellingRibbon } from '../../../parts/lots/SwellingRibbon';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';
import { PublishedMarks, Waves } from './LotMarks';
import { spanOfLot, stepBeads, type StepBead, type TimeScale } from './planLayout';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';

const MS_PER_MIN = 60_000;
const BEAD_PX = 30;
/** From here on work and rests are named under the ribbon. */
const WORDS_FROM_PX_PER_MIN = 0.9;
const REST_WORDS_PX = 150;
const WORDS_PX = 14;
/** Below this, beads are dots without initials. */
const LETTERS_FROM_PX_PER_MIN = 0.17;

/** What hands do to beads. */
export interface BeadHands {
  readonly onPick: (step: StepRef) => void;
  readonly onGrab: (step: StepRef, event: PointerEvent) => void;
  readonly onGrabLot: (lotId: string, event: PointerEvent) => void;
  readonly onNudge: (step: StepRef, byMin: number) => void;
  readonly onPin: (step: StepRef) => void;
}

/** How beads of a lot stand: names of its steps, as `stage/service`. */
export interface BeadMarks {
  readonly clashing: string;
  readonly pinned: string;
  readonly picked: string;
}

/** A step's name within its lot. */
export const markOf = ({ stage, serviceId }: Pick<PlannedStep, 'stage' | 'serviceId'>): string =>
  `${stage}/${serviceId ?? ''};`;

/** One lot of the plan: its ribbon, one more for each further service once its balls part, and its beads. */
export const LotRibbon = memo(function LotRibbon({
  lot,
  was,
  simulated,
  scale,
  y,
  mainHeight,
  sideHeight,
  endOf,
  nowMin,
  words,
  code,
  clashing,
  pinned,
  picked,
  hands,
}: BeadMarks & {
  readonly lot: PlannedLot;
  /** As it is published; null when this is no draft of it. */
  readonly was: PlannedLot | null;
  readonly simulated: SimulatedPlanLot | null;
  readonly scale: TimeScale;
  readonly y: number;
  readonly mainHeight: number;
  readonly sideHeight: number;
  readonly endOf: (serviceId: string) => number;
  readonly nowMin: number;
  readonly words: PlanWords;
  readonly code: string | null;
  readonly hands: BeadHands;
}) {
  const marks = { clashing, pinned, picked };
  const { toX, pxPerMin } = scale;
  const span = spanOfLot(lot, endOf);
  const main = simulated?.ways[0]?.serviceId ?? lot.serviceIds[0] ?? '';
  const others = lot.serviceIds.filter((id) => id !== main);
  const hasWords = pxPerMin >= WORDS_FROM_PX_PER_MIN;
  const ribbonHeight = hasWords ? mainHeight - WORDS_PX : mainHeight;
  const lineY = ribbonMiddle(y, ribbonHeight);
  const sideY = (i: number) => y + mainHeight + i * sideHeight;
  const middleOf = (i: number) => (i === 0 ? lineY : ribbonMiddle(sideY(i - 1), sideHeight));
  const hasLetters = pxPerMin >= LETTERS_FROM_PX_PER_MIN;
  const labelX = Math.max(toX(span.startMin * MS_PER_MIN), scale.left + 4);
  const wayOf = (serviceId: string) =>
    simulated?.ways.find((each) => each.serviceId === serviceId) ?? null;
  const pullOf = (serviceId: string) =>
    lot.steps.find((step) => step.serviceId === serviceId)?.startMin ?? span.startMin;
  const beadsOf = (i: number) =>
    stepBeads(
      lot.steps.filter(({ serviceId }) =>
        i === 0 ? serviceId === null || serviceId === main : serviceId === others[i - 1],
      ),
      scale,
      hasLetters ? BEAD_PX : 9,
    );
  return (
    <g className={styles['lot']} data-lot={lot.id}>
      <line
        className={styles['thread']}
        x1={toX(span.startMin * MS_PER_MIN)}
        x2={toX(endOf(main) * MS_PER_MIN)}
        y1={lineY}
        y2={lineY}
      />
      <g onPointerDown={(event) => hands.onGrabLot(lot.id, event)}>
        <SimulationRibbon
          way={wayOf(main)}
          scale={scale}
          y={y}
          height={ribbonHeight}
          fromMin={-Infinity}
          endMin={endOf(main)}
          label={words.lot(lot)}
        />
      </g>
      {others.map((serviceId, i) => (
        <SimulationRibbon
          key={serviceId}
          way={wayOf(serviceId)}
          scale={scale}
          y={sideY(i)}
          height={sideHeight}
          fromMin={pullOf(serviceId)}
          endMin={endOf(serviceId)}
          label={words.service(serviceId)}
        />
      ))}
      {toX(span.endMin * MS_PER_MIN) - labelX > 60 && (
        <text className={styles['lotLabel']} x={labelX} y={y + 11}>
          {code ?? words.t('plan.toMakeFor', { date: words.f.date(dateOf(lot)) })}
        </text>
      )}
      {hasWords &&
        lot.rests
          .filter(({ serviceId }) => serviceId === null || serviceId === main)
          .map(({ stage, startMin, endMin, key, place }) => {
            const begins = toX(startMin * MS_PER_MIN);
            const before = beadsOf(0)
              .filter((bead) => bead.x <= begins + BEAD_PX)
              .at(-1);
            const x = Math.max(
              begins + 18,
              scale.left + 4,
              before ? before.x + halfWords(before, words) + 8 : 0,
            );
            const room = Math.min(scale.right, toX(endMin * MS_PER_MIN)) - x;
            return room > REST_WORDS_PX ? (
              <text key={stage} className={styles['under']} x={x} y={y + mainHeight - 3}>
                {words.t(`rest.${key}`)}, {place}
              </text>
            ) : null;
          })}
      <PublishedMarks
        lot={lot}
        was={was}
        scale={scale}
        yOf={(serviceId) => middleOf(Math.max(0, [main, ...others].indexOf(serviceId ?? main)))}
        words={words}
      />
      {pxPerMin >= LETTERS_FROM_PX_PER_MIN &&
        [main, ...others].map((serviceId, i) => (
          <Waves key={serviceId} y={middleOf(i)} {...{ simulated, serviceId, scale, words }} />
        ))}
      {[main, ...others].map((_serviceId, i) => {
        const beads = beadsOf(i);
        return beads.map((bead) => (
          <Bead
            key={markOf(bead.steps[0] as PlannedStep)}
            bead={bead}
            lot={lot}
            y={middleOf(i)}
            hasLetters={hasLetters}
            hasWords={i === 0 && hasWords && !isCrowded(beads, bead, words)}
            isDone={bead.steps.every(({ endMin }) => endMin <= nowMin)}
            words={words}
            marks={marks}
            hands={hands}
          />
        ));
      })}
    </g>
  );
});

const dateOf = ({ serviceIds }: PlannedLot): string => (serviceIds[0] ?? '').slice(0, 10);

function SimulationRibbon({
  way,
  scale,
  y,
  height,
  fromMin,
  endMin,
  label,
}: {
  readonly way: SimulatedService | null;
  readonly scale: TimeScale;
  readonly y: number;
  readonly height: number;
  /** Drawn from here on; minutes since 1970. */
  readonly fromMin: number;
  readonly endMin: number;
  readonly label: string;
}) {
  if (!way?.way) return null;
  const { mixedMin } = way;
  const { course, target = STANDARD_TARGET, mostMaturityH, window } = way.way;
  const hourAt = (minute: number) => (minute - mixedMin) / 60;
  const inView = {
    fromHour: hourAt(Math.max(fromMin, scale.fromMs / MS_PER_MIN - 60)),
    untilHour: hourAt(Math.min(endMin, scale.toMs / MS_PER_MIN + 60)),
  };
  if (inView.fromHour >= inView.untilHour) return null;
  return (
    <SwellingRibbon
      lot={{ course, target, mostMaturityH, window, spread: null }}
      toX={(hour) => scale.toX((mixedMin + hour * 60) * MS_PER_MIN)}
      y={y}
      height={height}
      part={inView}
      label={label}
    />
  );
}

/** What a bead's works are called, under it. */
const workWords = ({ steps }: StepBead, words: PlanWords): string =>
  steps.map(({ key }) => words.t(`work.${key}`)).join(', ');

/** About as wide as a letter under a bead, px. */
const LETTER_PX = 6.4;

/** How far the words under a bead reach to each side, px. */
const halfWords = (bead: StepBead, words: PlanWords): number =>
  (workWords(bead, words).length * LETTER_PX) / 2;

/** Whether the words of the bead before reach under this one. */
function isCrowded(beads: readonly StepBead[], bead: StepBead, words: PlanWords): boolean {
  const before = beads[beads.indexOf(bead) - 1];
  if (!before) return false;
  return before.x + halfWords(before, words) > bead.x - halfWords(bead, words);
}

const NUDGE_MIN = 5;
const NUDGE_FAR_MIN = 60;

function Bead({
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
  readonly marks: BeadMarks;
  readonly hands: BeadHands;
}) {
  const first = bead.steps[0] as PlannedStep;
  const ref = { lotId: lot.id, stage: first.stage, serviceId: first.serviceId };
  const has = (list: string) => bead.steps.some((step) => list.includes(`;${markOf(step)}`));
  const text = hasLetters ? lettersOf(bead.steps, words) : '';
  const half = hasLetters ? Math.max(13, text.length * 4.2 + 5) : 5;
  const high = hasLetters ? 12 : 5;
  const said = bead.steps
    .map((step) => {
      const who = step.personIds.map(words.person).join(', ') || words.t('plan.nobody');
      return `${words.step(step, lot)} ${words.moment(step.startMin)}–${words.time(step.endMin)}, ${who}`;
    })
    .join('; ');
  const onKey = (event: KeyboardEvent) => {
    const far = event.shiftKey ? NUDGE_FAR_MIN : NUDGE_MIN;
    if (event.key === 'ArrowLeft') hands.onNudge(ref, -far);
    else if (event.key === 'ArrowRight') hands.onNudge(ref, far);
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
      data-picked={has(marks.picked)}
      role="button"
      tabIndex={0}
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
