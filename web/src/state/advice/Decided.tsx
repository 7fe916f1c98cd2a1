import type { RecordOf } from '@calm/contract';
import { workOf } from '@calm/core';
import { currentRecords, personOf, type BoardLot } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { actionWords } from '../../parts/lots/actionWords';
import { useFormats } from '../../parts/format/useFormats';
import type { Board } from '../board/useBoard';
import { useLotRecords } from '../outbox/useRecords';
import { useCursor } from '../time/useCursor';
import styles from './Decided.module.css';

/** What was decided last of a lot, by whom, and on whose shift page that stands. */
export function Decided({
  board,
  boardLot,
  decided: { at, personId, content },
}: {
  readonly board: Board;
  readonly boardLot: BoardLot;
  readonly decided: RecordOf<'decided'>;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
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
  const records = useLotRecords(board.house, boardLot.lot?.id ?? null);
  const decided = currentRecords(records, 'decided').at(-1);
  return decided ? <Decided board={board} boardLot={boardLot} decided={decided} /> : null;
}
