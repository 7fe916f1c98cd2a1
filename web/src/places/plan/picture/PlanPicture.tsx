import { MINUTE_MS, type Conflict, type PlannedLot, type StepRef } from '@calm/core';
import type { Climate } from '@calm/domain';
import { useMemo, useRef, type PointerEvent } from 'react';
import { usePictureWidth } from '../../../parts/layout/usePictureWidth';
import { useRovingStops } from '../../../parts/layout/useRovingStops';
import { moved, released } from '../../../state/time/cursor';
import { useAppDispatch } from '../../../state/store';
import { useCursor } from '../../../state/time/useCursor';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';
import type { PlanEditing } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';
import type { BeadHands } from './Bead';
import { Hours } from './Hours';
import { LotRibbon } from './LotRibbon';
import { LaneLabels, ServiceBands, TimeLine } from './PlanLabels';
import { clashingSteps, NO_STEPS, pinnedSteps, stepName } from './stepMarks';
import { contentOf } from './stripContent';
import { StripPicture } from './Strips';
import { useBeadDrag, type InHand } from './useBeadDrag';
import { HEAD_PX, usePlanLayout, type PlanLayout } from './usePlanLayout';

const CURSOR_STEP_MS = 5 * MINUTE_MS;

/** Time across: lots as ribbons with beads, services through them; below, who and what is busy. */
export function PlanPicture({
  week,
  lots,
  fromMs,
  toMs,
  words,
  climate,
  ofLot,
  conflicts,
  picked,
  editing,
  onPick,
  onHold,
}: {
  readonly week: PlanWeek;
  /** As they are in hand. */
  readonly lots: readonly PlannedLot[];
  readonly fromMs: number;
  readonly toMs: number;
  readonly words: PlanWords;
  readonly climate: Climate | undefined;
  readonly ofLot: (lotId: string) => SimulatedPlanLot | null;
  readonly conflicts: readonly Conflict[];
  readonly picked: StepRef | null;
  readonly editing: PlanEditing;
  readonly onPick: (step: StepRef) => void;
  /** Lots while a bead is in hand; null when it is let go. */
  readonly onHold: (inHand: InHand | null) => void;
}) {
  const dispatch = useAppDispatch();
  const { atMs, nowMs } = useCursor();
  const { ref, width } = usePictureWidth<HTMLDivElement>();
  const svg = useRef<SVGSVGElement>(null);
  const walk = useRovingStops(svg, '[role=button]');
  const layout = usePlanLayout(week, climate, { fromMs, toMs, width });
  const { scale, labels, height } = layout;
  const { target, hands, onMove, onDrop } = useBeadDrag({
    svg,
    week,
    layout,
    editing,
    onPick,
    onHold,
  });
  const setCursor = (event: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return;
    const ms = fromMs + ((event.clientX - box.left - labels) / scale.pxPerMin) * MINUTE_MS;
    dispatch(moved(Math.round(ms / CURSOR_STEP_MS) * CURSOR_STEP_MS));
    dispatch(released());
  };
  const timeWidth = Math.max(0, width - labels);

  return (
    <div ref={ref} className={styles['picture']}>
      <svg
        ref={svg}
        width={width}
        height={height}
        role="group"
        aria-label={words.t('plan.picture')}
        onKeyDown={walk}
        onPointerMove={onMove}
        onPointerUp={onDrop}
        onPointerCancel={onDrop}
      >
        <clipPath id="plan-time">
          <rect x={labels} y={0} width={timeWidth} height={height} />
        </clipPath>
        <g clipPath="url(#plan-time)">
          <Hours scale={scale} height={height} />
          {width > 0 && <ServiceBands services={week.services} scale={scale} height={height} />}
          <rect
            className={styles['clock']}
            x={labels}
            width={timeWidth}
            y={0}
            height={HEAD_PX - 8}
            onPointerDown={setCursor}
          />
          {layout.strips.map(({ strip, y }) => (
            <StripPicture
              key={`${strip.kind}${strip.id}`}
              strip={strip}
              content={contentOf(strip, week.problem, lots, climate)}
              scale={scale}
              y={y}
              words={words}
              isTarget={target === `${strip.kind}/${strip.id}`}
            />
          ))}
          <LotRibbons {...{ week, lots, layout, words, ofLot, conflicts, picked, hands }} />
          <TimeLine className="present" ms={nowMs} toX={scale.toX} height={height} />
          <TimeLine className="at" ms={atMs} toX={scale.toX} height={height} />
        </g>
        <LaneLabels layout={layout} week={week} words={words} />
      </svg>
    </div>
  );
}

/** Every lot that is in view, as it is in hand, with its marks. */
function LotRibbons({
  week,
  lots,
  layout,
  words,
  ofLot,
  conflicts,
  picked,
  hands,
}: {
  readonly week: PlanWeek;
  readonly lots: readonly PlannedLot[];
  readonly layout: PlanLayout;
  readonly words: PlanWords;
  readonly ofLot: (lotId: string) => SimulatedPlanLot | null;
  readonly conflicts: readonly Conflict[];
  readonly picked: StepRef | null;
  readonly hands: BeadHands;
}) {
  const publishedOf = useMemo(
    () => new Map(week.isDraft ? week.publishedLots.map((lot) => [lot.id, lot] as const) : []),
    [week.isDraft, week.publishedLots],
  );
  const clashing = useMemo(() => clashingSteps(conflicts), [conflicts]);
  const pinned = useMemo(() => pinnedSteps(week.lots, week.content), [week.lots, week.content]);
  return layout.lanes.flatMap(({ lane, y, main, side }) =>
    lane.lots.map((shown) => {
      const lot = lots.find(({ id }) => id === shown.id) ?? shown;
      return (
        <LotRibbon
          key={lot.id}
          lot={lot}
          was={publishedOf.get(lot.id) ?? null}
          simulated={ofLot(lot.id)}
          scale={layout.scale}
          y={y}
          mainHeight={main}
          sideHeight={side}
          endOf={layout.endOf}
          nowMin={week.nowMin}
          words={words}
          code={week.codes.get(lot.id) ?? null}
          clashing={clashing.get(lot.id) ?? NO_STEPS}
          pinned={pinned.get(lot.id) ?? NO_STEPS}
          picked={picked?.lotId === lot.id ? stepName(picked) : null}
          hands={hands}
        />
      );
    }),
  );
}
