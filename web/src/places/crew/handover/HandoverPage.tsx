import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useHandoversQuery } from '../../../state/api/api';
import { useBoard, type Board } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import { useDraft } from '../../../state/drafts/useDraft';
import { useOutboxItems } from '../../../state/outbox/useOutboxItems';
import { usePermission } from '../../../state/api/usePermission';
import { useLotWindows } from '../../../state/board/useLotWindows';
import { useRecords } from '../../../state/outbox/useRecords';
import { addDays, dateAt } from '../../../state/time/localDate';
import { CrewNav } from '../CrewNav';
import { HandoverCard } from './HandoverCard';
import { HandoverParts } from './HandoverParts';
import { handoverLines } from './handoverLines';
import styles from './Handover.module.css';

/** A shift's word to the next one: put together by the board, finished by a person. */
export function HandoverPage() {
  const { board, error, retry } = useBoard();
  if (error && !board) return <Failed error={error} onRetry={retry} />;
  return board ? <Handing board={board} /> : <WaitingPage />;
}

const NOTE_LENGTH = 1000;
/** Days whose lots may be under way. */
const DAYS_BACK = 2;
const DAYS = 9;

function Handing({ board }: { readonly board: Board }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const { said } = useNotices();
  const mayMark = usePermission('mark');
  const { house } = board;
  const note = useDraft<string>(`handover/${house}`);
  const post = useOutboxItems(house);
  const { data: earlier = [] } = useHandoversQuery(house);
  const started = useMemo(
    () =>
      board.lots.filter(({ lot }) => lot !== null).map((lot) => ({ lot, product: lot.product })),
    [board],
  );
  const records = useRecords(
    house,
    addDays(dateAt(nowMs, board.book.house.timeZone), -DAYS_BACK),
    DAYS,
  );
  const windows = useLotWindows(board, started, records);
  const lines = useMemo(
    () =>
      handoverLines(
        board,
        (lot) => windows[started.findIndex((each) => each.lot === lot)],
        nowMs,
        t,
        f,
      ),
    [board, windows, started, nowMs, t, f],
  );
  const hand = () => {
    const start = { lines, note: note.draft ?? '' };
    post({ kind: 'handover', start }, t('crew.handover.title'));
    note.drop();
    said(t('crew.handover.handed'));
  };
  return (
    <Page title={t('crew.handover.title')} lead={t('crew.handover.lead')}>
      <CrewNav />
      <HandoverParts lines={lines} />
      {mayMark && (
        <div className={styles['own']}>
          <TextField
            fullWidth
            multiline
            minRows={2}
            label={t('crew.handover.note')}
            value={note.draft ?? ''}
            onChange={(event) => note.keep(event.target.value.slice(0, NOTE_LENGTH))}
          />
          <Button variant="contained" size="large" onClick={hand}>
            {t('crew.handover.hand')}
          </Button>
        </div>
      )}
      <h2>{t('crew.handover.before')}</h2>
      {earlier.length === 0 && <p className="quiet">{t('crew.handover.nobody')}</p>}
      {earlier.map((handover) => (
        <HandoverCard key={handover.id} board={board} handover={handover} />
      ))}
    </Page>
  );
}
