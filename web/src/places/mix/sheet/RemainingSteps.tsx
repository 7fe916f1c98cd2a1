import type { BoardLot } from '@calm/domain';
import { stageKey, workOf, type PlannedWork } from '@calm/core';
import Checkbox from '@mui/material/Checkbox';
import { useTranslation } from 'react-i18next';
import { Caution } from '../../../parts/messages/Caution';
import { useFormats } from '../../../parts/format/useFormats';
import { coverOf, shiftTimes } from '../../../state/board/crewCover';
import { coverWords } from '../../../state/board/lotWords';
import type { Board } from '../../../state/board/useBoard';
import styles from './BatchSheet.module.css';
import { Losses } from './Losses';
import { useMark } from '../../../state/outbox/useMark';

/** The lot's way from the scale to the doors: each piece of work, when, by whom, done or not. */
export function RemainingSteps({
  board,
  boardLot,
}: {
  readonly board: Board;
  readonly boardLot: BoardLot;
}) {
  const { t } = useTranslation();
  return (
    <section aria-label={t('mix.onward.title')}>
      <h2>{t('mix.onward.title')}</h2>
      <ol className={styles['steps']}>
        {workOf(boardLot.stages).map((work) => (
          <RemainingStep key={stageKey(work)} board={board} boardLot={boardLot} work={work} />
        ))}
      </ol>
      {boardLot.lot && <Losses house={board.house} lot={boardLot.lot} />}
      <Caution about="cold-room" />
      <Caution about="raw-dough" />
    </section>
  );
}

function RemainingStep({
  board,
  boardLot,
  work,
}: {
  readonly board: Board;
  readonly boardLot: BoardLot;
  readonly work: PlannedWork;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const title = t(`work.${work.key}`);
  const tick = useMark(board.house, boardLot.lot, 0, stageKey(work), title);
  const cover = coverOf(board, shiftTimes(board), work);
  return (
    <li data-done={tick.isDone}>
      <Checkbox
        checked={tick.isDone}
        disabled={tick.isSending}
        onChange={(event) => tick.toggle(event.target.checked)}
        slotProps={{ input: { 'aria-label': title } }}
        sx={{ width: 48, height: 48, '& svg': { fontSize: 32 } }}
      />
      <div className={styles['step']}>
        <b>
          {title}{' '}
          <span className="quiet">
            {f.moment(work.startMs)}–{f.time(work.endMs)}
          </span>
          {tick.doneAt !== null && (
            <span className={styles['at']}>
              {' '}
              {t('mix.onward.doneAt', { at: f.moment(Date.parse(tick.doneAt)) })}
            </span>
          )}
        </b>
        <p className="quiet small">{coverWords(t, f, work, cover)}</p>
      </div>
    </li>
  );
}
