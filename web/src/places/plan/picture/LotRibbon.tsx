import { MINUTE_MS, STANDARD_TARGET, type PlannedLot, type PlannedStep } from '@calm/core';
import type { SimulatedService } from '@calm/domain';
import { memo } from 'react';
import { ribbonMiddle, SwellingRibbon } from '../../../parts/lots/SwellingRibbon';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';
import { Bead, halfWords, isCrowded, type BeadHands } from './Bead';
import { stepName, type StepMarks } from './stepMarks';
import { PublishedMarks, Waves } from './LotMarks';
import { spanOfLot, stepBeads, type StepBead, type TimeScale } from './planLayout';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';

const BEAD_PX = 34;
/** From here on work and rests are named under the ribbon. */
const WORDS_FROM_PX_PER_MIN = 0.9;
const REST_WORDS_PX = 175;
const WORDS_PX = 14;
/** Below this, beads are dots without initials. */
const LETTERS_FROM_PX_PER_MIN = 0.17;

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
}: StepMarks & {
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
  const labelX = Math.max(toX(span.startMin * MINUTE_MS), scale.left + 4);
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
        x1={toX(span.startMin * MINUTE_MS)}
        x2={toX(endOf(main) * MINUTE_MS)}
        y1={lineY}
        y2={lineY}
      />
      {[main, ...others].map((serviceId, i) => (
        <g key={serviceId} onPointerDown={(event) => i === 0 && hands.onGrabLot(lot.id, event)}>
          <SimulationRibbon
            way={wayOf(serviceId)}
            scale={scale}
            y={i === 0 ? y : sideY(i - 1)}
            height={i === 0 ? ribbonHeight : sideHeight}
            fromMin={i === 0 ? -Infinity : pullOf(serviceId)}
            endMin={endOf(serviceId)}
            label={i === 0 ? words.lot(lot) : words.service(serviceId)}
          />
        </g>
      ))}
      {toX(span.endMin * MINUTE_MS) - labelX > 60 && (
        <text className={styles['lotLabel']} x={labelX} y={y + 11}>
          {code ?? words.t('plan.toMakeFor', { date: words.f.date(dateOf(lot)) })}
        </text>
      )}
      {hasWords && (
        <RestNames
          rests={lot.rests.filter(({ serviceId }) => serviceId === null || serviceId === main)}
          beads={beadsOf(0)}
          y={y + mainHeight - 3}
          scale={scale}
          words={words}
        />
      )}
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
      {[main, ...others].map((serviceId, i) => (
        <Beads
          key={serviceId}
          beads={beadsOf(i)}
          y={middleOf(i)}
          hasWords={i === 0 && hasWords}
          {...{ lot, hasLetters, nowMin, words, marks, hands }}
        />
      ))}
    </g>
  );
});

const dateOf = ({ serviceIds }: PlannedLot): string => (serviceIds[0] ?? '').slice(0, 10);

/** The works along one ribbon. */
function Beads({
  lot,
  beads,
  y,
  hasLetters,
  hasWords,
  nowMin,
  words,
  marks,
  hands,
}: {
  readonly lot: PlannedLot;
  readonly beads: readonly StepBead[];
  readonly y: number;
  readonly hasLetters: boolean;
  readonly hasWords: boolean;
  readonly nowMin: number;
  readonly words: PlanWords;
  readonly marks: StepMarks;
  readonly hands: BeadHands;
}) {
  return beads.map((bead) => (
    <Bead
      key={stepName(bead.steps[0] as PlannedStep)}
      hasWords={hasWords && !isCrowded(beads, bead, words)}
      isDone={bead.steps.every(({ endMin }) => endMin <= nowMin)}
      {...{ bead, lot, y, hasLetters, words, marks, hands }}
    />
  ));
}

/** What a lot does between its works, where there is room to say it. */
function RestNames({
  rests,
  beads,
  y,
  scale,
  words,
}: {
  readonly rests: PlannedLot['rests'];
  readonly beads: readonly StepBead[];
  readonly y: number;
  readonly scale: TimeScale;
  readonly words: PlanWords;
}) {
  return rests.map(({ stage, startMin, endMin, key, place }) => {
    const begins = scale.toX(startMin * MINUTE_MS);
    const before = beads.filter((bead) => bead.x <= begins + BEAD_PX).at(-1);
    const x = Math.max(
      begins + 18,
      scale.left + 4,
      before ? before.x + halfWords(before, words) + 8 : 0,
    );
    const room = Math.min(scale.right, scale.toX(endMin * MINUTE_MS)) - x;
    return room > REST_WORDS_PX ? (
      <text key={stage} className={styles['under']} x={x} y={y}>
        {words.f.joined(words.t(`rest.${key}`), place)}
      </text>
    ) : null;
  });
}

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
  const { course, target = STANDARD_TARGET, window } = way.way;
  const hourAt = (minute: number) => (minute - mixedMin) / 60;
  const inView = {
    fromHour: hourAt(Math.max(fromMin, scale.fromMs / MINUTE_MS - 60)),
    untilHour: hourAt(Math.min(endMin, scale.toMs / MINUTE_MS + 60)),
  };
  if (inView.fromHour >= inView.untilHour) return null;
  return (
    <SwellingRibbon
      lot={{ course, target, window, spread: null }}
      toX={(hour) => scale.toX((mixedMin + hour * 60) * MINUTE_MS)}
      y={y}
      height={height}
      part={inView}
      label={label}
    />
  );
}
