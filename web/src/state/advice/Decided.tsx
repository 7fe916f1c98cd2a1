import type { DecidedRecord } from '@calm/contract';
import { workOf } from '@calm/core';
import { personOf, type BoardLot } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { actionWords } from '../../parts/lots/actionWords';
import { useFormats } from '../../parts/format/useFormats';
import type { Board } from '../board/useBoard';
import { useCursor } from '../time/useCursor';
import { MovesToCome } from './MovesToCome';
import styles from './Decided.module.css';

/** What was decided last of a lot, by whom, and on whose shift page that stands. */
export function Decided({
  board,
  boardLot,
  decided,
}: {
  readonly board: Board;
  readonly boardLot: BoardLot;
  readonly decided: DecidedRecord;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const { at, personId, content } = decided;
  const ids = workOf(boardLot.stages)
    .filter(({ endMs }) => endMs > nowMs)
    .flatMap(({ personIds = [] }) => personIds);
  const who = [...new Set(ids)].map((id) => personOf(board.book, id)?.name ?? '').filter(Boolean);
  return (
    <p role="status" className={styles['decided']}>
      {t('whatNow.decided', {
        at: f.moment(Date.parse(at)),
        who: personOf(board.book, personId)?.name ?? '',
        what: actionWords(t, content),
        from: f.time(Date.parse(content.fromAt)),
      })}
      <MovesToCome decided={decided} />
      {who.length > 0 && ` ${t('whatNow.told', { who: f.list(who) })}`}
    </p>
  );
}

/** What was decided last of a lot; nothing where nothing was. */
export function DecidedOfLot({
  board,
  boardLot,
}: {
  readonly board: Board;
  readonly boardLot: BoardLot;
}) {
  const decided = boardLot.lot?.decided;
  return decided ? <Decided board={board} boardLot={boardLot} decided={decided} /> : null;
}
