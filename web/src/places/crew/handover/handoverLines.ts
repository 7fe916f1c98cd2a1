import { HOUR_MS, MINUTE_MS, stageKey, workOf } from '@calm/core';
import type { HandoverLine, HandoverPart } from '@calm/contract';
import { doughOutOf, lotPositionOf, type BoardLot, personOf } from '@calm/domain';
import type { TFunction } from 'i18next';
import type { Formats } from '@calm/domain';
import { stateWord } from '../../../state/board/lotWords';
import { markOf } from '../../../state/outbox/outboxLots';
import type { Board } from '../../../state/board/useBoard';
import type { LotWindows } from '../../../state/board/useLotWindows';

/** What happened in the last hours is this shift's. */
const SHIFT_MS = 10 * HOUR_MS;
const LATE_MIN = 15;
const OFF_C = 1;
const MOVED_MIN = 20;

/**
 * A shift's word to the next, put together from the board: what is running, what went otherwise than planned,
 * what to watch.
 *
 * @param windowsOf when a lot's balls open well, where that is known
 */
export function handoverLines(
  board: Board,
  windowsOf: (lot: BoardLot) => LotWindows | undefined,
  atMs: number,
  t: TFunction,
  f: Formats,
): HandoverLine[] {
  const lines: HandoverLine[] = [];
  const say = (part: HandoverPart, key: string, words: Record<string, string>) =>
    lines.push({ part, text: t(`crew.handover.line.${key}`, words) });
  for (const lot of board.lots) {
    if (!lot.lot) continue;
    const where = lotPositionOf(lot, atMs, atMs);
    if (where.kind === 'served' || (where.kind === 'to-make' && lot.doorsMs < atMs)) continue;
    const windows = windowsOf(lot);
    lines.push({ part: 'running', text: runningWords(lot, where, windows, t, f) });
    if (lot.lot.note) say('watch', 'note', { code: lot.code, note: lot.lot.note });
    for (const line of changesOf(board, lot, atMs, t, f)) lines.push(line);
    const { planned, now } = windows ?? {};
    const shiftMin = planned && now ? Math.round((now.fromMs - planned.fromMs) / MINUTE_MS) : 0;
    if (Math.abs(shiftMin) >= MOVED_MIN) {
      say('watch', 'moved', {
        code: lot.code,
        by: f.duration(Math.abs(shiftMin)),
        way: t(shiftMin < 0 ? 'tonight.decide.earlier' : 'tonight.decide.later'),
      });
    }
  }
  return lines;
}

function runningWords(
  lot: BoardLot,
  where: ReturnType<typeof lotPositionOf>,
  windows: LotWindows | undefined,
  t: TFunction,
  f: Formats,
): string {
  const next = 'next' in where ? where.next : null;
  // Once doors are open, every wave has a window of its own.
  const window = where.kind === 'serving' ? null : windows?.now;
  return [
    t('crew.handover.line.resting', {
      code: lot.code,
      product: lot.product.name,
      date: f.date(lot.date),
      state: stateWord(t, where),
      since: 'sinceMs' in where ? f.moment(where.sinceMs) : f.moment(lot.doorsMs),
    }),
    next
      ? t('crew.handover.line.next', { work: t(`work.${next.key}`), at: f.moment(next.startMs) })
      : '',
    window
      ? t('crew.handover.line.window', {
          from: f.moment(window.fromMs),
          until: f.time(window.untilMs),
        })
      : '',
  ].join('');
}

function changesOf(
  board: Board,
  lot: BoardLot,
  atMs: number,
  t: TFunction,
  f: Formats,
): HandoverLine[] {
  const { code } = lot;
  const line = (
    key: string,
    words: Record<string, string>,
    part: HandoverPart = 'changed',
  ): HandoverLine => ({
    part,
    text: t(`crew.handover.line.${key}`, { code, ...words }),
  });
  const ofSteps = workOf(lot.stages).flatMap((stage): HandoverLine[] => {
    const { doneAt, skippedWhy, personId } = markOf(lot.lot, 0, stageKey(stage));
    const work = t(`work.${stage.key}`);
    if (doneAt === null) {
      const lateMin = Math.round((atMs - stage.endMs) / MINUTE_MS);
      const name = personOf(board.book, personId)?.name;
      return [
        ...(lateMin >= LATE_MIN && lateMin * MINUTE_MS < SHIFT_MS
          ? [line('overdue', { work, by: f.duration(lateMin) }, 'watch')]
          : []),
        ...(name ? [line('handed', { work, name }, 'watch')] : []),
      ];
    }
    if (atMs - Date.parse(doneAt) > SHIFT_MS) return [];
    if (skippedWhy !== null) return [line('skipped', { work, why: skippedWhy })];
    const lateMin = Math.round((Date.parse(doneAt) - stage.endMs) / MINUTE_MS);
    return lateMin >= LATE_MIN ? [line('late', { work, by: f.duration(lateMin) })] : [];
  });
  const outC = doughOutOf(lot);
  const wantedC = lot.recipe.doughTempC;
  const isOff = outC !== null && Math.abs(outC - wantedC) >= OFF_C;
  return isOff
    ? [...ofSteps, line('off', { out: f.temperature(outC), wanted: f.temperature(wantedC) })]
    : ofSteps;
}
