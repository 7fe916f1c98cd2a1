import { type Cause, freeTrays, type TraysAt } from '@calm/core';
import type { Place, ColdLot, ColdAlarm, Probe } from '@calm/contract';
import type { Stack } from './stacks';

/** Balls of a lot that stand where something is wrong. */
export interface AffectedLot {
  readonly lot: ColdLot;
  readonly stacks: readonly Stack[];
  readonly trays: number;
  readonly balls: number;
  /** Until when they open well, epoch ms; null when they never do. */
  readonly untilMs: number | null;
}

/** Something to do about an alarm, the next one first. */
export type Move =
  | { readonly kind: 'shut-door' | 'keep-shut' | 'check-power' | 'check-coil' | 'check-probe' }
  | {
      readonly kind: 'move';
      readonly placeId: string;
      readonly trays: number;
      readonly codes: readonly string[];
    }
  | { readonly kind: 'use-first'; readonly codes: readonly string[] }
  | { readonly kind: 'ice' }
  | { readonly kind: 'technician' }
  /** What was too warm for too long is decided by the person responsible. */
  | { readonly kind: 'decide' };

/**
 * The lots whose trays stand where a probe hangs: they share its room's air, whatever their zone. Those with least
 * time left come first; of a lot in several zones the shortest time counts.
 */
export function affectedLots(
  { placeId }: Pick<Probe, 'placeId'>,
  lots: readonly ColdLot[],
  stacks: readonly Stack[],
): AffectedLot[] {
  const here = stacks.filter(({ spot }) => spot.placeId === placeId);
  return lots
    .filter((lot) => lot.placeId === placeId && lot.zone !== null)
    .map((lot) => ({ lot, untilMs: untilOf(lot) }))
    .sort((a, b) => (a.untilMs ?? 0) - (b.untilMs ?? 0))
    .filter(({ lot }, i, all) => all.findIndex((each) => isSameBalls(each.lot, lot)) === i)
    .flatMap(({ lot, untilMs }): AffectedLot[] => {
      const own = here.filter(
        (stack) => stack.lotId === lot.key && stack.productId === lot.productId,
      );
      const sum = (of: (stack: Stack) => number) => own.reduce((all, stack) => all + of(stack), 0);
      return own.length === 0
        ? []
        : [{ lot, stacks: own, trays: sum((s) => s.trays), balls: sum((s) => s.balls), untilMs }];
    });
}

const untilOf = ({ mixedMs, now }: ColdLot): number | null =>
  now.kind === 'ready' ? mixedMs + now.latestHour * 3_600_000 : null;

const isSameBalls = (a: ColdLot, b: ColdLot) => a.key === b.key && a.productId === b.productId;

/** Other cold places that have room and are cold enough, most room first. */
export function placesToMoveTo(
  placeId: string,
  places: readonly Place[],
  stacks: readonly Stack[],
  warm: ReadonlySet<string>,
): { readonly place: Place; readonly trays: number }[] {
  return places
    .filter((place) => place.room !== null && place.id !== placeId && !warm.has(place.id))
    .map((place) => ({ place, trays: freeTrays(place, standingIn(place, stacks)) }))
    .filter(({ trays }) => trays > 0)
    .sort((a, b) => b.trays - a.trays);
}

/** Trays of a place by position. */
export const standingIn = ({ id }: Pick<Place, 'id'>, stacks: readonly Stack[]): TraysAt[] =>
  stacks
    .filter(({ spot }) => spot.placeId === id)
    .map(({ spot: { zone, position }, trays }) => ({ zone, position, trays }));

const LOOK_FIRST: Readonly<Record<Cause, readonly Move[]>> = {
  door: [{ kind: 'shut-door' }],
  power: [{ kind: 'keep-shut' }, { kind: 'check-power' }],
  compressor: [{ kind: 'keep-shut' }, { kind: 'technician' }],
  defrost: [{ kind: 'check-coil' }],
  'warm-load': [{ kind: 'keep-shut' }],
  heat: [{ kind: 'keep-shut' }],
  probe: [{ kind: 'check-probe' }],
};

/**
 * What to do about an alarm, in order: first what is likely behind it, then the dough, then whom to call. What
 * is over needs no first aid any more, only a decision.
 *
 * @param to where trays may go
 */
export function movesFor(
  alarm: ColdAlarm,
  affected: readonly AffectedLot[],
  to: readonly { readonly place: Place; readonly trays: number }[],
): Move[] {
  const [likely] = alarm.causes;
  const isOver = alarm.untilAt !== null;
  const codes = [...new Set(affected.map(({ lot }) => lot.code))];
  const trays = affected.reduce((sum, each) => sum + each.trays, 0);
  const [room] = to;
  const use: Move[] = codes.length > 0 ? [{ kind: 'use-first', codes: codes.slice(0, 2) }] : [];
  if (alarm.kind === 'silent') return [{ kind: 'check-probe' }, { kind: 'keep-shut' }];
  if (isOver) return codes.length > 0 ? [{ kind: 'decide' }, ...use] : [];
  const move: Move[] =
    room && trays > 0
      ? [{ kind: 'move', placeId: room.place.id, trays: Math.min(trays, room.trays), codes }]
      : [];
  const first = LOOK_FIRST[likely?.cause ?? 'door'];
  const then: Move[] = [...move, ...use, { kind: 'ice' }, { kind: 'technician' }];
  return [...first, ...then.filter(({ kind }) => !first.some((each) => each.kind === kind))];
}
