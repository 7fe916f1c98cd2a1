import Button from '@mui/material/Button';
import { stageKey } from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useSessionQuery } from '../../../state/api/api';
import { useBoard, useHouse, type Board } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import { DecidedOfLot } from '../../../state/advice/Decided';
import { useMark } from '../../../state/outbox/useMark';
import { CrewNav } from '../CrewNav';
import { CalendarLinksDialog } from './CalendarLinksDialog';
import { ContactDialog } from './ContactDialog';
import styles from './MyShift.module.css';
import { Unread } from '../handover/Unread';
import { shiftBoard, type ShiftWork } from './shiftWork';
import { StepActions } from './StepActions';

/** What is mine to do: now, next, later; what to look for, and one press when it is done. */
export function MyShift() {
  const { t } = useTranslation();
  const house = useHouse();
  const { atMs } = useCursor();
  const { data: me } = useSessionQuery(house);
  const { board, error, retry } = useBoard();
  const [open, setOpen] = useState<'calendars' | 'contact' | null>(null);
  if (error && !board) return <Failed error={error} onRetry={retry} />;
  if (!board || !me) return <WaitingPage />;
  const { now, next, later, done } = shiftBoard(board, me.personId, atMs);
  const isEmpty = now.length === 0 && !next;
  return (
    <Page
      title={t('crew.mine.title', { name: me.name })}
      aside={
        <>
          <Button aria-haspopup="dialog" onClick={() => setOpen('contact')}>
            {t('crew.contact.open')}
          </Button>
          <Button aria-haspopup="dialog" onClick={() => setOpen('calendars')}>
            {t('crew.calendar.open')}
          </Button>
        </>
      }
    >
      <CrewNav />
      <Unread house={house} board={board} />
      {isEmpty && (
        <p className={styles['nothing']}>
          {t(done.length > 0 ? 'crew.mine.allDone' : 'crew.mine.nothing')}{' '}
          <Link to={`/${house}/crew/practice`}>{t('crew.nav.practice')}</Link>
        </p>
      )}
      {now.map((each) => (
        <BigStep key={nameOf(each)} board={board} step={each} house={house} when="now" />
      ))}
      {next && <BigStep board={board} step={next} house={house} when="next" />}
      <Small title={t('crew.mine.later')} steps={later} house={house} />
      <Small title={t('crew.mine.done')} steps={done} house={house} />
      {open === 'calendars' && <CalendarLinksDialog house={house} onClose={() => setOpen(null)} />}
      {open === 'contact' && <ContactDialog house={house} onClose={() => setOpen(null)} />}
    </Page>
  );
}

const nameOf = ({ boardLot, work }: ShiftWork) =>
  `${boardLot.date}/${boardLot.product.id}/${stageKey(work)}`;

/** One step that is to be done, as large as floury hands need it. */
function BigStep({
  board,
  step,
  house,
  when,
}: {
  readonly board: Board;
  readonly step: ShiftWork;
  readonly house: string;
  readonly when: 'now' | 'next';
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs } = useCursor();
  const { boardLot, work, others } = step;
  const title = t(`work.${work.key}`);
  const tick = useMark(house, boardLot.lot, 0, stageKey(work), title);
  const lateMin = Math.round((atMs - work.startMs) / 60_000);
  return (
    <section className={styles['step']} data-when={when} aria-label={title}>
      <div className={styles['what']}>
        <p className={styles['when']}>
          {t(`crew.mine.${when}`)}{' '}
          <b>
            {f.time(work.startMs)}–{f.time(work.endMs)}
          </b>
          {tick.startedAt !== null ? (
            <span data-begun="true">
              {' '}
              {t('crew.mine.begun', { at: f.time(Date.parse(tick.startedAt)) })}
            </span>
          ) : (
            lateMin > 0 && <span> {t('crew.mine.began', { by: f.duration(lateMin) })}</span>
          )}
        </p>
        <h2>{title}</h2>
        <p className={styles['lot']}>
          <b>{boardLot.code}</b> {f.joined(boardLot.product.name, f.date(boardLot.date))}
          {others.length > 0 && ` ${t('crew.mine.with', { names: f.list(others) })}`}
        </p>
        <DecidedOfLot board={board} boardLot={boardLot} />
        <p>{t(`crew.look.${work.key}`)}</p>
        <p className="quiet">{t(`crew.notSo.${work.key}`)}</p>
      </div>
      <div className={styles['do']}>
        {boardLot.lot && <StepActions board={board} step={step} tick={tick} title={title} />}
        <Button
          component={Link}
          to={`/${house}/mix/${boardLot.date}/${boardLot.product.slug}`}
          variant={boardLot.lot ? 'text' : 'contained'}
          size="large"
        >
          {t(boardLot.lot ? 'crew.mine.sheet' : 'crew.mine.start')}
        </Button>
      </div>
    </section>
  );
}

/** Steps that come later, or are done: one line each. */
function Small({
  title,
  steps,
  house,
}: {
  readonly title: string;
  readonly steps: readonly ShiftWork[];
  readonly house: string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  if (steps.length === 0) return null;
  return (
    <section>
      <h2>{title}</h2>
      <ul className={styles['small']}>
        {steps.map((step) => {
          const { boardLot, work, doneMs } = step;
          return (
            <li key={nameOf(step)}>
              <span>{f.time(doneMs ?? work.startMs)}</span>{' '}
              <Link to={`/${house}/mix/${boardLot.date}/${boardLot.product.slug}`}>
                {t(`work.${work.key}`)}
              </Link>
              , {boardLot.code} {boardLot.product.name}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
