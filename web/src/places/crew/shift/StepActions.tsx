import { stageKey } from '@calm/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { shiftTimes } from '../../../state/board/crewCover';
import { timerKey } from '../../../state/time/timers';
import type { Board } from '../../../state/board/useBoard';
import { useDraft } from '../../../state/drafts/useDraft';
import type { StepTick } from '../../../state/outbox/useMark';
import styles from './MyShift.module.css';
import type { ShiftWork } from './shiftWork';

/** What hands do to a step: begin it, end it, give it two minutes, skip it with a reason, hand it on. */
export function StepActions({
  board,
  step: { boardLot, work },
  tick,
  title,
}: {
  readonly board: Board;
  readonly step: ShiftWork;
  readonly tick: StepTick;
  readonly title: string;
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState<'skip' | 'hand' | null>(null);
  const timer = useDraft<number>(timerKey(boardLot.lot?.id ?? '', 0, stageKey(work)));
  const begin = () => {
    timer.keep(0);
    tick.start();
  };
  const isBegun = tick.startedAt !== null;
  return (
    <>
      {!isBegun && (
        <Button variant="outlined" size="large" onClick={begin}>
          {t('mark.begin')}
        </Button>
      )}
      <Button variant="contained" size="large" onClick={() => tick.toggle(true)}>
        {t('mark.done')}
      </Button>
      {isBegun && (
        <Button variant="outlined" size="large" onClick={() => tick.more(2)}>
          {t('mark.twoMore')}
        </Button>
      )}
      <div className={styles['else']}>
        <Button aria-haspopup="dialog" onClick={() => setOpen('hand')}>
          {t('mark.hand')}
        </Button>
        <Button aria-haspopup="dialog" onClick={() => setOpen('skip')}>
          {t('mark.skip')}
        </Button>
      </div>
      {open === 'skip' && (
        <SkipDialog title={title} onClose={() => setOpen(null)} onSkip={tick.skip} />
      )}
      {open === 'hand' && (
        <HandDialog
          board={board}
          title={title}
          atMs={work.startMs}
          personId={tick.personId}
          onClose={() => setOpen(null)}
          onHand={tick.handTo}
        />
      )}
    </>
  );
}

function SkipDialog({
  title,
  onClose,
  onSkip,
}: {
  readonly title: string;
  readonly onClose: () => void;
  readonly onSkip: (why: string) => void;
}) {
  const { t } = useTranslation();
  const [why, setWhy] = useState('');
  const isSaid = why.trim() !== '';
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!isSaid) return;
          onSkip(why.trim());
          onClose();
        }}
      >
        <DialogTitle>{t('mark.skipWhy', { title })}</DialogTitle>
        <DialogContent>
          <TextField
            autoFocus
            fullWidth
            value={why}
            onChange={(event) => setWhy(event.target.value.slice(0, 200))}
            slotProps={{ htmlInput: { 'aria-label': t('mark.skipWhy', { title }) } }}
            helperText={t('mark.skipHow')}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{t('record.cancel')}</Button>
          <Button type="submit" variant="contained" disabled={!isSaid}>
            {t('mark.skip')}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** Those who are in then come first; anybody can be asked. */
function HandDialog({
  board,
  title,
  atMs,
  personId,
  onClose,
  onHand,
}: {
  readonly board: Board;
  readonly title: string;
  readonly atMs: number;
  readonly personId: string | null;
  readonly onClose: () => void;
  readonly onHand: (personId: string | null, name: string) => void;
}) {
  const { t } = useTranslation();
  const inThen = new Set(
    shiftTimes(board)
      .filter(({ startMs, endMs }) => startMs <= atMs && endMs > atMs)
      .map((shift) => shift.personId),
  );
  const people = [...board.book.people].sort(
    (a, b) => Number(inThen.has(b.id)) - Number(inThen.has(a.id)),
  );
  const hand = (to: string | null, name: string) => {
    onHand(to, name);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{t('mark.handWho', { title })}</DialogTitle>
      <DialogContent className={styles['hands'] ?? ''}>
        {people.map(({ id, name }) => (
          <Button
            key={id}
            variant={inThen.has(id) ? 'contained' : 'outlined'}
            size="large"
            onClick={() => hand(id, name)}
          >
            {name}
            {!inThen.has(id) && ` (${t('crew.mine.notIn')})`}
          </Button>
        ))}
        {personId !== null && (
          <Button size="large" onClick={() => hand(null, t('mark.byPlan'))}>
            {t('mark.byPlan')}
          </Button>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('record.cancel')}</Button>
      </DialogActions>
    </Dialog>
  );
}
