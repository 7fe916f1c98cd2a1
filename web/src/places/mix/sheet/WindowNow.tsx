import { MINUTE_MS, workOf } from '@calm/core';
import type { BoardLot } from '@calm/domain';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import type { Board } from '../../../state/board/useBoard';
import { useLotWindows } from '../../../state/board/useLotWindows';
import { useLotRecords } from '../../../state/outbox/useRecords';
import styles from './BatchSheet.module.css';

/** Windows are calculated to minutes and known to quarter hours. */
const MOVED_MIN = 15;

/**
 * What everything on record of a lot means for when its balls open well.
 *
 * @param isOnlyIfMoved nothing is said while that is as planned
 */
export function WindowNow({
  board,
  boardLot,
  isOnlyIfMoved = false,
}: {
  readonly board: Board;
  readonly boardLot: BoardLot;
  readonly isOnlyIfMoved?: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const balls = useMemo(() => [{ lot: boardLot, product: boardLot.product }], [boardLot]);
  const records = useLotRecords(board.house, boardLot.lot?.id ?? null);
  const [windows] = useLotWindows(board, balls, records);
  const { planned = null, now = null, isNever = false } = windows ?? {};
  if (isNever) {
    return (
      <p className={styles['windowNow']} data-moved="true" role="status">
        {t('mix.window.never')}
      </p>
    );
  }
  if (!now) return null;
  const shiftMin = planned ? Math.round((now.fromMs - planned.fromMs) / MINUTE_MS) : 0;
  const keepsMin = planned ? Math.round((now.untilMs - planned.untilMs) / MINUTE_MS) : 0;
  const isMoved = Math.abs(shiftMin) >= MOVED_MIN;
  const isEndMoved = Math.abs(keepsMin) >= MOVED_MIN;
  if (isOnlyIfMoved && !isMoved && !isEndMoved) return null;
  const pull = workOf(boardLot.stages).find(({ key }) => key === 'pull');
  const words = {
    by: f.duration(Math.abs(shiftMin)),
    from: f.moment(now.fromMs),
    until: f.time(now.untilMs),
    // Balls that are ready sooner come out sooner, and the other way round.
    pull: f.moment(pull ? pull.startMs + shiftMin * MINUTE_MS : now.fromMs),
  };
  return (
    <p className={styles['windowNow']} data-moved={isMoved || isEndMoved} role="status">
      {isMoved ? t(shiftMin < 0 ? 'mix.window.earlier' : 'mix.window.later', words) : ''}{' '}
      {t('mix.window.opens', words)} {isMoved && pull && t('mix.window.pull', words)}{' '}
      {isEndMoved &&
        t(keepsMin < 0 ? 'mix.window.shorter' : 'mix.window.longer', {
          by: f.duration(Math.abs(keepsMin)),
        })}
    </p>
  );
}
