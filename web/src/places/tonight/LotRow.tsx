import type { LotHeld } from '@calm/contract';
import { isTooLateToMake, lotPositionOf, type BoardLot } from '@calm/domain';
import { stageKey, type PlannedWork, type LotPosition } from '@calm/core';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Ball } from '../../parts/lots/Ball';
import { doneKeys } from '../../parts/format/doneKeys';
import { useFormats } from '../../parts/format/useFormats';
import { formatOdds } from '../../parts/format/odds';
import { LotBand } from '../../parts/lots/LotBand';
import { usePictureWidth } from '../../parts/layout/usePictureWidth';
import { MovesToCome } from '../../state/advice/MovesToCome';
import { coverOf, shiftTimes } from '../../state/board/crewCover';
import { coverWords, silhouetteOf, stateWord } from '../../state/board/lotWords';
import type { Board } from '../../state/board/useBoard';
import { useCursor } from '../../state/time/useCursor';
import { useMark } from '../../state/outbox/useMark';
import { usePermission } from '../../state/api/usePermission';
import type { LotWindows } from '../../state/board/useLotWindows';
import styles from './Tonight.module.css';

/** One lot: how it stands, where it is in its route, and what is next. */
export function LotRow({
  board,
  lot,
  windows,
  isQuiet = false,
}: {
  readonly board: Board;
  readonly lot: BoardLot;
  readonly windows: LotWindows | undefined;
  readonly isQuiet?: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs, nowMs } = useCursor();
  const where = lotPositionOf(lot, atMs, nowMs);
  const { shape, tone } = silhouetteOf(where);
  // Once doors are open, every wave has a window of its own.
  const isOut = where.kind === 'serving' || where.kind === 'served';
  const sheet = `/${board.house}/mix/${lot.date}/${lot.product.slug}`;
  return (
    <li className={styles['lot']} data-quiet={isQuiet}>
      <div className={styles['who']}>
        <Ball shape={shape} tone={tone} />
        <div>
          <Link to={sheet} className={styles['name']}>
            {lot.recipe.formulaName}
          </Link>
          <span className={styles['code']}>{lot.lot ? lot.code : t('tonight.noLot')}</span>
          <span className={styles['items']}>
            {lot.items.map((item) => `${f.count(item.count)} ${item.name}`).join(' · ')}
            {isQuiet && ` · ${f.date(lot.date)}`}
          </span>
        </div>
      </div>
      <div className={styles['where']}>
        <b>{stateWord(t, where)}</b>
        <span className="quiet">{sinceWords(t, f, where)}</span>
        {windows && !isOut && <WindowWords windows={windows} />}
        {lot.lot?.decided && (
          <span className="quiet">
            <MovesToCome decided={lot.lot.decided} />
          </span>
        )}
        {lot.lot && where.kind !== 'served' && (
          <Link to={`/${board.house}/tonight/what-now/${lot.code}`} className={styles['whatNow']}>
            {t('tonight.whatNow')}
          </Link>
        )}
        {windows &&
          lot.lot &&
          windows.held.map((held) => <HeldWords key={held.name} held={held} />)}
      </div>
      <Next board={board} lot={lot} where={where} sheet={sheet} />
      <Strip lot={lot} atMs={atMs} nowMs={nowMs} />
    </li>
  );
}

/** How long it has been warm, for something in it that the house limits. */
function HeldWords({ held }: { readonly held: LotHeld }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { name, aboveC, mostMin, minutes, overMs } = held;
  const words = { name, above: f.temperature(aboveC), most: f.duration(mostMin) };
  return (
    <span className={minutes > mostMin ? styles['never'] : 'quiet'}>
      {t('tonight.held', { ...words, minutes: f.duration(Math.round(minutes)) })}
      {minutes <= mostMin &&
        overMs !== null &&
        `, ${t('tonight.heldOver', { ...words, at: f.moment(overMs) })}`}
    </span>
  );
}

/** Between these it opens well so often, if at all. */
const SUREST = 0.9;

/** When its balls open well, and what that was before anything was measured. */
function WindowWords({ windows: { planned, now, isNever } }: { readonly windows: LotWindows }) {
  const { t } = useTranslation();
  const f = useFormats();
  if (isNever) return <span className={styles['never']}>{t('tonight.windowNever')}</span>;
  if (!now) return null;
  const isMoved = planned !== null && Math.abs(now.fromMs - planned.fromMs) >= MOVED_MS;
  return (
    <span className="quiet">
      {t('tonight.window', { from: f.moment(now.fromMs), until: f.time(now.untilMs) })}
      {now.surest
        ? `, ${t('tonight.windowSurest', {
            odds: formatOdds(t, SUREST),
            from: f.time(now.surest.fromMs),
            until: f.time(now.surest.untilMs),
          })}`
        : `, ${t('tonight.windowAtBest', { odds: formatOdds(t, now.odds) })}`}
      {isMoved && `, ${t('tonight.windowMoved', { was: f.time(planned.fromMs) })}`}
    </span>
  );
}

/** Windows are calculated to minutes and known to quarter hours. */
const MOVED_MS = 15 * 60_000;

function sinceWords(
  t: ReturnType<typeof useTranslation>['t'],
  f: ReturnType<typeof useFormats>,
  where: LotPosition,
): string {
  if (where.kind === 'to-make') return '';
  return t('tonight.since', { at: f.moment(where.sinceMs) });
}

/** Work further off than this has no button yet: nobody shall tick tomorrow's pull tonight. */
const SOON_MS = 3 * 3_600_000;

/** What is next, who can do it, and the button that records it. */
function Next({
  board,
  lot,
  where,
  sheet,
}: {
  readonly board: Board;
  readonly lot: BoardLot;
  readonly where: LotPosition;
  readonly sheet: string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { isNow, nowMs } = useCursor();
  const mayMark = usePermission('mark');
  if (where.kind === 'served') return <div className={styles['next']} />;
  if (where.kind === 'serving') {
    return (
      <div className={styles['next']}>
        <span className="quiet">{t('tonight.until', { at: f.time(lot.closeMs) })}</span>
      </div>
    );
  }
  const { next } = where;
  if (!next) {
    return (
      <div className={styles['next']}>
        <b>{t('tonight.ready', { at: f.time(lot.doorsMs) })}</b>
      </div>
    );
  }
  if (isTooLateToMake(lot, nowMs)) {
    return (
      <div className={styles['next']}>
        <b className={styles['late']}>{t('tonight.tooLate')}</b>
      </div>
    );
  }
  const cover = coverOf(board, shiftTimes(board), next);
  const late = where.lateMin > 0 ? t('tonight.late', { by: f.duration(where.lateMin) }) : '';
  return (
    <div className={styles['next']}>
      <div>
        <b>{t('tonight.next', { work: t(`work.${next.key}`), at: f.moment(next.startMs) })}</b>
        {late && <b className={styles['late']}> {late}</b>}
        <span className="quiet" data-open={cover.coverage.kind !== 'covered'}>
          {coverWords(t, f, next, cover)}
        </span>
      </div>
      {isNow &&
        next.startMs - nowMs < SOON_MS &&
        mayMark &&
        (lot.lot ? (
          <DoneButton board={board} lot={lot} work={next} />
        ) : (
          <Button variant="outlined" component={Link} to={sheet}>
            {t('tonight.openSheet')}
          </Button>
        ))}
    </div>
  );
}

function DoneButton({
  board,
  lot,
  work,
}: {
  readonly board: Board;
  readonly lot: BoardLot;
  readonly work: PlannedWork;
}) {
  const { t } = useTranslation();
  const words = `${lot.code}: ${t(`workDone.${work.key}`)}`;
  const tick = useMark(board.house, lot.lot, 0, stageKey(work), t(`work.${work.key}`), words);
  return (
    <Button
      variant="contained"
      size="large"
      disabled={tick.isSending}
      onClick={() => tick.toggle(true)}
      aria-label={words}
    >
      {t(`workDone.${work.key}`)}
    </Button>
  );
}

const STRIP_HEIGHT = 22;

/** The whole route on one line, with the moment shown. */
function Strip({
  lot,
  atMs,
  nowMs,
}: {
  readonly lot: BoardLot;
  readonly atMs: number;
  readonly nowMs: number;
}) {
  const { ref, width } = usePictureWidth<HTMLDivElement>();
  const startMs = lot.stages[0]?.startMs ?? lot.doorsMs;
  const toX = (ms: number) => 8 + ((ms - startMs) / (lot.closeMs - startMs)) * (width - 16);
  return (
    <div ref={ref} className={styles['strip']} aria-hidden="true">
      <svg width={width} height={STRIP_HEIGHT}>
        <rect
          className={styles['serving']}
          x={toX(lot.doorsMs)}
          width={Math.max(0, toX(lot.closeMs) - toX(lot.doorsMs))}
          y={0}
          height={STRIP_HEIGHT}
        />
        <LotBand
          stages={lot.stages}
          doneKeys={doneKeys(lot, Math.min(atMs, nowMs))}
          toX={toX}
          y={0}
          height={STRIP_HEIGHT}
        />
        <line className={styles['at']} x1={toX(atMs)} x2={toX(atMs)} y1={0} y2={STRIP_HEIGHT} />
      </svg>
    </div>
  );
}
