import type { Climate } from '@calm/domain';
import type { PlanContent, Service } from '@calm/contract';
import { refOf, type Conflict, type PlannedLot, type StepRef } from '@calm/core';
import { useLayoutEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import { useWidth } from '../../../parts/layout/useWidth';
import { moved, released } from '../../../state/time/cursor';
import { useAppDispatch } from '../../../state/store';
import { useCursor } from '../../../state/time/useCursor';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';
import { Hours } from './Hours';
import { LotRibbon, markOf, type BeadHands, type BeadMarks } from './LotRibbon';
import { lanesOf, spanOfLot, stacked, timeScale, type Lane } from './planLayout';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';
import { contentOf } from './stripContent';
import { StripPicture, stripLabel, stripsOf } from './Strips';
import { isPinned, type PlanEditing } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';

const LABELS = 140;
const NARROW_LABELS = 60;
/** Below this, names are short. */
const NARROW_PX = 600;
const HEAD = 44;
const GAP = 20;
const LANE_GAP = 6;

/** Shorter ones have words under their beads. */
const NEAR_MS = 24 * 3_600_000;
/** Longer stretches are drawn with thinner lanes. */
const FAR_MS = 5 * 24 * 3_600_000;
const MS_PER_MIN = 60_000;
/** Beads go in steps of this, minutes. */
const DRAG_STEP_MIN = 5;
/** A hand that moved less than this only tapped, px. */
const TAP_PX = 4;
const CURSOR_STEP_MS = 5 * MS_PER_MIN;

/** Something in hand, and the plan that it was taken from. */
export interface InHand {
  readonly of: PlanContent;
  readonly step: StepRef;
  readonly lots: readonly PlannedLot[];
}

interface Grab {
  readonly kind: 'bead' | 'lot';
  readonly step: StepRef;
  readonly startX: number;
  readonly startY: number;
  readonly startMin: number;
}

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
  const { t } = words;
  const dispatch = useAppDispatch();
  const { atMs, nowMs } = useCursor();
  const { ref, width } = useWidth<HTMLDivElement>();
  const isNarrow = width < NARROW_PX;
  const labels = isNarrow ? NARROW_LABELS : LABELS;
  const svg = useRef<SVGSVGElement>(null);
  const grab = useRef<Grab | null>(null);
  const [target, setTarget] = useState<string | null>(null);
  const scale = useMemo(
    () => timeScale(fromMs, toMs, labels, Math.max(labels, width)),
    [fromMs, toMs, labels, width],
  );
  const endOf = useMemo(() => {
    const ends = new Map(
      week.services.map(({ date, patternId, endsAt }) => [
        `${date}/${patternId}`,
        Date.parse(endsAt) / MS_PER_MIN,
      ]),
    );
    return (serviceId: string) => ends.get(serviceId) ?? 0;
  }, [week.services]);

  // Lanes stay as they are while a bead is in hand: nothing jumps under it.
  const laid = useMemo(() => {
    const inView = week.lots.filter((lot) => {
      const span = spanOfLot(lot, endOf);
      return span.endMin * MS_PER_MIN > fromMs && span.startMin * MS_PER_MIN < toMs;
    });
    const doughIds = week.problem.doughs.map(({ id }) => id);
    const isFar = toMs - fromMs > FAR_MS;
    const isNear = toMs - fromMs < NEAR_MS;
    const [main, side] = isFar ? [34, 12] : isNear ? [64, 26] : [44, 22];
    const heightOf = ({ services }: Lane) => main + side * (services - 1) + LANE_GAP;
    return stacked(lanesOf(inView, doughIds, endOf), heightOf, HEAD).map(({ item, y }) => ({
      lane: item,
      y,
      main,
      side,
    }));
  }, [week.lots, week.problem.doughs, endOf, fromMs, toMs]);
  const lanesEnd = laid.reduce(
    (end, { lane, y, main, side }) => Math.max(end, y + main + side * (lane.services - 1)),
    HEAD,
  );
  const strips = useMemo(() => {
    const list = stripsOf(week, climate);
    return stacked(list, ({ height: high }) => high, lanesEnd + GAP).map(({ item, y }) => ({
      strip: item,
      y,
    }));
  }, [week, climate, lanesEnd]);
  const last = strips.at(-1);
  const height = last ? last.y + last.strip.height + 6 : lanesEnd;

  const wasOf = useMemo(
    () => new Map(week.isDraft ? week.publishedLots.map((lot) => [lot.id, lot] as const) : []),
    [week.isDraft, week.publishedLots],
  );
  const clashing = useMemo(() => clashMarks(conflicts), [conflicts]);
  const marksOf = (lot: PlannedLot): BeadMarks => ({
    clashing: clashing.get(lot.id) ?? ';',
    pinned: `;${lot.steps
      .filter((step) => isPinned(week.content, refOf(lot, step)))
      .map(markOf)
      .join(';')}`,
    picked: picked?.lotId === lot.id ? `;${markOf(picked)}` : ';',
  });

  const stripAt = (event: PointerEvent) => {
    const top = svg.current?.getBoundingClientRect().top ?? 0;
    const y = event.clientY - top;
    return strips.find((each) => y >= each.y && y < each.y + each.strip.height)?.strip ?? null;
  };
  const targetOf = (event: PointerEvent, held: Grab) => {
    const strip = stripAt(event);
    const isFar = Math.abs(event.clientY - held.startY) > TAP_PX * 4;
    if (!strip || !isFar) return null;
    if (held.kind === 'bead') return strip.kind === 'person' ? strip : null;
    return strip.kind === 'place' ? strip : null;
  };
  const minuteAt = (event: PointerEvent, held: Grab) =>
    Math.round((held.startMin + (event.clientX - held.startX) / scale.pxPerMin) / DRAG_STEP_MIN) *
    DRAG_STEP_MIN;

  const onMove = (event: PointerEvent) => {
    const held = grab.current;
    if (!held) return;
    const over = targetOf(event, held);
    setTarget(over ? `${over.kind}/${over.id}` : null);
    if (held.kind !== 'bead') return;
    const isMoved = Math.abs(event.clientX - held.startX) > TAP_PX && !over;
    onHold(
      isMoved
        ? {
            of: week.content,
            step: held.step,
            lots: editing.trial(held.step, minuteAt(event, held)),
          }
        : null,
    );
  };
  const onDrop = (event: PointerEvent) => {
    const held = grab.current;
    grab.current = null;
    setTarget(null);
    if (!held) return;
    const over = targetOf(event, held);
    const isMoved = Math.abs(event.clientX - held.startX) > TAP_PX;
    // What was moved stays where the hand left it until the plan that has it there is drawn.
    if (held.kind === 'bead' && !over && isMoved) {
      return editing.move(held.step, minuteAt(event, held));
    }
    onHold(null);
    if (held.kind === 'lot') {
      const rest = coldRestOf(week, held.step.lotId);
      if (over && rest && over.id !== rest.place)
        editing.putIn(held.step.lotId, rest.stage, over.id);
      return;
    }
    if (over) giveTo(over.id, held.step);
  };
  const giveTo = (personId: string, ref: StepRef) => {
    const step = week.lots
      .find(({ id }) => id === ref.lotId)
      ?.steps.find((s) => markOf(s) === markOf(ref));
    if (!step || step.personIds.includes(personId)) return;
    editing.give(ref, [...step.personIds.slice(1), personId]);
  };

  // What beads call stays the same while nothing but a hand moves, so that other lots are not drawn anew.
  const act = useRef({ editing, onPick, week });
  useLayoutEffect(() => {
    act.current = { editing, onPick, week };
  });
  const hands = useMemo((): BeadHands => {
    const take = (kind: Grab['kind'], step: StepRef, event: PointerEvent) => {
      const found = act.current.week.lots
        .find(({ id }) => id === step.lotId)
        ?.steps.find((each) => markOf(each) === markOf(step));
      if (kind === 'bead' && found && found.startMin < act.current.week.nowMin) return;
      svg.current?.setPointerCapture(event.pointerId);
      grab.current = {
        kind,
        step,
        startX: event.clientX,
        startY: event.clientY,
        startMin: found?.startMin ?? 0,
      };
    };
    return {
      onPick: (step) => act.current.onPick(step),
      onGrab: (step, event) => {
        // Taking hold of a bead focuses it, and that picks it.
        event.stopPropagation();
        take('bead', step, event);
      },
      onGrabLot: (lotId, event) => take('lot', { lotId, stage: -1, serviceId: null }, event),
      onNudge: (step, byMin) => {
        act.current.editing.nudge(step, byMin);
      },
      onPin: (step) => act.current.editing.togglePin(step),
    };
  }, []);

  const setCursor = (event: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return;
    const ms = fromMs + ((event.clientX - box.left - labels) / scale.pxPerMin) * MS_PER_MIN;
    dispatch(moved(Math.round(ms / CURSOR_STEP_MS) * CURSOR_STEP_MS));
    dispatch(released());
  };

  return (
    <div ref={ref} className={styles['picture']}>
      <svg
        ref={svg}
        width={width}
        height={height}
        role="group"
        aria-label={t('plan.picture')}
        onPointerMove={onMove}
        onPointerUp={onDrop}
        onPointerCancel={onDrop}
      >
        <clipPath id="plan-time">
          <rect x={labels} y={0} width={Math.max(0, width - labels)} height={height} />
        </clipPath>
        <g clipPath="url(#plan-time)">
          <Hours scale={scale} height={height} />
          {width > 0 && <Services services={week.services} scale={scale} height={height} />}
          <rect
            className={styles['clock']}
            x={labels}
            width={Math.max(0, width - labels)}
            y={0}
            height={HEAD - 8}
            onPointerDown={setCursor}
          />
          {strips.map(({ strip, y }) => (
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
          {laid.flatMap(({ lane, y, main, side }) =>
            lane.lots.flatMap((shown) => {
              const lot = lots.find(({ id }) => id === shown.id) ?? shown;
              return (
                <LotRibbon
                  key={lot.id}
                  lot={lot}
                  was={wasOf.get(lot.id) ?? null}
                  simulated={ofLot(lot.id)}
                  scale={scale}
                  y={y}
                  mainHeight={main}
                  sideHeight={side}
                  endOf={endOf}
                  nowMin={week.nowMin}
                  words={words}
                  code={week.codes.get(lot.id) ?? null}
                  {...marksOf(lot)}
                  hands={hands}
                />
              );
            }),
          )}
          <Line className="present" ms={nowMs} toX={scale.toX} height={height} />
          <Line className="at" ms={atMs} toX={scale.toX} height={height} />
        </g>
        {laid
          .filter(({ lane }) => lane.isFirstOfDough)
          .map(({ lane, y }) => (
            <text key={lane.doughId} className={styles['doughName']} x={0} y={y + 28}>
              {isNarrow ? words.doughCode(lane.doughId) : words.dough(lane.doughId)}
            </text>
          ))}
        {strips.map(({ strip, y }) => {
          const [name, more] = stripLabel(strip, week, words);
          return (
            <text
              key={`${strip.kind}${strip.id}`}
              className={styles['stripName']}
              x={0}
              y={y + strip.height / 2 + 5}
            >
              {isNarrow ? (strip.kind === 'person' ? more : shortName(name)) : name}{' '}
              {!isNarrow && <tspan className={styles['sub']}>{more}</tspan>}
            </text>
          );
        })}
      </svg>
    </div>
  );
}

function Line({
  className,
  ms,
  toX,
  height,
}: {
  readonly className: 'present' | 'at';
  readonly ms: number;
  readonly toX: (ms: number) => number;
  readonly height: number;
}) {
  return <line className={styles[className]} x1={toX(ms)} x2={toX(ms)} y1={20} y2={height} />;
}

function Services({
  services,
  scale,
  height,
}: {
  readonly services: readonly Service[];
  readonly scale: ReturnType<typeof timeScale>;
  readonly height: number;
}) {
  return services.map(({ date, patternId, name, startsAt, endsAt }) => {
    const [x1, x2] = [scale.toX(Date.parse(startsAt)), scale.toX(Date.parse(endsAt))];
    if (x2 < scale.left || x1 > scale.right) return null;
    return (
      <g key={date + patternId}>
        <rect className={styles['service']} x={x1} width={x2 - x1} y={20} height={height - 20} />
        {x2 - x1 > 40 && (
          <text className={styles['serviceName']} x={Math.max(x1, scale.left) + 4} y={34}>
            {name}
          </text>
        )}
      </g>
    );
  });
}

/** The first letters of a name that has no room. */
const shortName = (name: string): string => (name.length > 8 ? `${name.slice(0, 7)}…` : name);

/** The long cold rest of a lot: what moves when a lot is put elsewhere. */
function coldRestOf({ lots }: PlanWeek, lotId: string) {
  const rests = lots.find(({ id }) => id === lotId)?.rests ?? [];
  return rests.find(({ key }) => key === 'cold') ?? null;
}

/** Which steps of which lots stand in conflicts, as `LotRibbon` reads them. */
function clashMarks(conflicts: readonly Conflict[]): Map<string, string> {
  const marks = new Map<string, string>();
  const mark = (ref: StepRef | null) => {
    if (ref) marks.set(ref.lotId, `${marks.get(ref.lotId) ?? ';'};${markOf(ref)}`);
  };
  for (const conflict of conflicts) {
    if ('step' in conflict) mark(conflict.step);
    if ('other' in conflict) mark(conflict.other);
    if (conflict.kind === 'bench-full') conflict.steps.forEach(mark);
  }
  return marks;
}
