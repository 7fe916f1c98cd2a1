import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { nowMs as readNow } from '../../state/time/clock';
import { useAppSelector } from '../../state/store';
import { useWakeLock } from '../../state/time/useWakeLock';
import { countdown, timersOf, type Timer } from '../../state/time/timers';
import { useSessionQuery } from '../../state/api/api';
import { isTimerOf } from '../../state/board/timerOwner';
import { useBoard, useHouse } from '../../state/board/useBoard';
import { useDraft } from '../../state/drafts/useDraft';
import { useMark } from '../../state/outbox/useMark';
import { ring } from './ring';
import styles from './Timers.module.css';

/** What the clock in the title puts before a page's own title. */
const IN_TITLE = /^\+?[\d:]+ · /;
/** A step that ended longer ago than this was forgotten, and rings nobody out of bed, ms. */
const FORGOTTEN_MS = 6 * 3_600_000;
/** A step of another device rings here as it ends, not whenever somebody signs in later, ms. */
const JUST_MS = 60_000;

/**
 * Every step that was begun on this device, or is of whoever is signed in here, counting down; each can be ended
 * or given two more minutes.
 */
export function Timers() {
  const { board } = useBoard();
  const { data: me } = useSessionQuery(useHouse());
  const drafts = useAppSelector((state) => state.drafts);
  const running = useMemo(
    () =>
      board
        ? timersOf(board.lots).filter(
            (timer) =>
              drafts[timer.key] !== undefined || (me && isTimerOf(board, timer, me.personId)),
          )
        : [],
    [board, drafts, me],
  );
  const atMs = useSeconds(running.length > 0);
  const timers = running.filter(({ endsMs }) => atMs - endsMs < FORGOTTEN_MS);
  useWakeLock(timers.length > 0);
  const [first] = timers;
  const inTitle = first ? countdown(first.endsMs, atMs) : null;
  useEffect(() => {
    const plain = document.title.replace(IN_TITLE, '');
    document.title = inTitle === null ? plain : `${inTitle} · ${plain}`;
  }, [inTitle]);
  if (!board || timers.length === 0) return null;
  return (
    <ul className={styles['timers']}>
      {timers.map((timer) => (
        <Running key={timer.key} house={board.house} timer={timer} atMs={atMs} />
      ))}
    </ul>
  );
}

function Running({
  house,
  timer,
  atMs,
}: {
  readonly house: string;
  readonly timer: Timer;
  readonly atMs: number;
}) {
  const { t } = useTranslation();
  const { boardLot, loadNumber, stepKey, endsMs } = timer;
  const stage = stepKey.replace(/^\d+-/, '');
  const title = timer.title ?? t(`work.${stage}`);
  const tick = useMark(house, boardLot.lot, loadNumber, stepKey, title);
  // Until when it has rung: two more minutes ring again.
  const rung = useDraft<number>(timer.key);
  const isOver = atMs >= endsMs;
  const { keep } = rung;
  const isNew = rung.draft !== undefined || atMs - endsMs < JUST_MS;
  const isToRing = isOver && isNew && rung.draft !== endsMs;
  useEffect(() => {
    if (!isToRing) return;
    ring();
    keep(endsMs);
  }, [isToRing, keep, endsMs]);
  return (
    <li data-over={isOver}>
      <b className={styles['left']} role="timer" aria-label={title}>
        {countdown(endsMs, atMs)}
      </b>
      <Link to={`/${house}/mix/${boardLot.date}/${boardLot.product.slug}`}>
        {title}
        {', '}
        {boardLot.code}
      </Link>
      <Button variant="outlined" onClick={() => tick.more(2)}>
        {t('mark.twoMore')}
      </Button>
      <Button variant="contained" onClick={() => tick.toggle(true)}>
        {t('mark.done')}
      </Button>
    </li>
  );
}

/** The present by the second, while something runs. */
function useSeconds(isRunning: boolean): number {
  const [atMs, setAtMs] = useState(readNow);
  useEffect(() => {
    if (!isRunning) return;
    const timer = setInterval(() => setAtMs(readNow()), 500);
    return () => clearInterval(timer);
  }, [isRunning]);
  return atMs;
}
