import type { PlanContent } from '@calm/contract';
import type { PlannedLot, PlannedStep, StepRef } from '@calm/core';
import {
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type PointerEvent,
  type RefObject,
} from 'react';
import type { PlanEditing } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';
import type { BeadHands } from './Bead';
import { stepName } from './stepMarks';
import type { PlanLayout } from './usePlanLayout';

/** Beads go in steps of this, minutes. */
const DRAG_STEP_MIN = 5;
/** A hand that moved less than this only tapped, px. */
const TAP_PX = 4;

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

type Week = Pick<PlanWeek, 'lots' | 'content' | 'nowMin'>;

interface DragOf {
  readonly svg: RefObject<SVGSVGElement | null>;
  readonly week: Week;
  readonly layout: Pick<PlanLayout, 'scale' | 'strips'>;
  readonly editing: PlanEditing;
  readonly onPick: (step: StepRef) => void;
  /** Lots while a bead is in hand; null when it is let go. */
  readonly onHold: (inHand: InHand | null) => void;
}

/**
 * Beads dragged along time move, dropped on a person's strip they are that person's; a ribbon dropped on a
 * place's strip has its cold rest there.
 */
export function useBeadDrag({ svg, week, layout, editing, onPick, onHold }: DragOf) {
  const grab = useRef<Grab | null>(null);
  const [target, setTarget] = useState<string | null>(null);
  const { scale, strips } = layout;

  const targetOf = (event: PointerEvent, held: Grab) => {
    const y = event.clientY - (svg.current?.getBoundingClientRect().top ?? 0);
    const strip = strips.find((each) => y >= each.y && y < each.y + each.strip.height)?.strip;
    const isFar = Math.abs(event.clientY - held.startY) > TAP_PX * 4;
    if (!strip || !isFar) return null;
    return strip.kind === (held.kind === 'bead' ? 'person' : 'place') ? strip : null;
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
    const tried = () => editing.trial(held.step, minuteAt(event, held));
    onHold(isMoved ? { of: week.content, step: held.step, lots: tried() } : null);
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
    if (!over) return;
    if (held.kind === 'bead') return giveTo(over.id, held.step);
    const rest = coldRestOf(week, held.step.lotId);
    if (rest && over.id !== rest.place) editing.putIn(held.step.lotId, rest.stage, over.id);
  };
  const giveTo = (personId: string, ref: StepRef) => {
    const step = stepOf(week, ref);
    if (!step || step.personIds.includes(personId)) return;
    editing.give(ref, [...step.personIds.slice(1), personId]);
  };

  // What beads call stays the same while nothing but a hand moves, so that other lots are not drawn again.
  const act = useRef({ editing, onPick, week });
  useLayoutEffect(() => {
    act.current = { editing, onPick, week };
  });
  const hands = useMemo((): BeadHands => {
    const take = (kind: Grab['kind'], step: StepRef, event: PointerEvent) => {
      const found = stepOf(act.current.week, step);
      if (kind === 'bead' && found && found.startMin < act.current.week.nowMin) return;
      svg.current?.setPointerCapture(event.pointerId);
      const { clientX: startX, clientY: startY } = event;
      grab.current = { kind, step, startX, startY, startMin: found?.startMin ?? 0 };
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
  }, [svg]);

  return { target, hands, onMove, onDrop };
}

function stepOf({ lots }: Week, ref: StepRef): PlannedStep | undefined {
  const lot = lots.find(({ id }) => id === ref.lotId);
  return lot?.steps.find((step) => stepName(step) === stepName(ref));
}

/** The long cold rest of a lot: what moves when a lot is put elsewhere. */
function coldRestOf({ lots }: Week, lotId: string) {
  const rests = lots.find(({ id }) => id === lotId)?.rests ?? [];
  return rests.find(({ key }) => key === 'cold') ?? null;
}
