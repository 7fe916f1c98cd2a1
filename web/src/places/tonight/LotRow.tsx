import { stageKey, type PlannedWork, type Whereabouts } from '@calm/core';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Ball } from '../../parts/Ball';
import { doneKeys } from '../../parts/doneKeys';
import { useFormats } from '../../parts/format';
import { LotBand } from '../../parts/LotBand';
import { useNotices } from '../../parts/Notices';
import { useWidth } from '../../parts/useWidth';
import { useMarkMutation } from '../../state/api';
import { coverOf, shiftTimes } from '../../state/crewCover';
import { whereIs, type BoardLot } from '../../state/lotBoard';
import { coverWords, silhouetteOf, stateWord } from '../../state/lotWords';
import type { Board } from '../../state/useBoard';
import { useCursor } from '../../state/useCursor';
import { useWrite } from '../../state/useWrite';
import styles from './Tonight.module.css';

/** One lot: how it stands, where it is in its route, and what is next. */
export function LotRow({
  board,
  lot,
  isQuiet = false,
}: {
  readonly board: Board;
  readonly lot: BoardLot;
  readonly isQuiet?: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs, nowMs } = useCursor();
  const where = whereIs(lot, atMs, nowMs);
  const { shape, tone } = silhouetteOf(where);
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
      </div>
      <Next board={board} lot={lot} where={where} sheet={sheet} />
      <Strip lot={lot} atMs={atMs} nowMs={nowMs} />
    </li>
  );
}

function sinceWords(
  t: ReturnType<typeof useTranslation>['t'],
  f: ReturnType<typeof useFormats>,
  where: Whereabouts,
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
  readonly where: Whereabouts;
  readonly sheet: string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { isNow, nowMs } = useCursor();
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
  const cover = coverOf(board, shiftTimes(board), next);
  const late = where.lateMin > 0 ? t('tonight.late', { by: f.duration(where.lateMin) }) : '';
  return (
    <div className={styles['next']}>
      <div>
        <b>{t('tonight.next', { work: t(`work.${next.key}`), at: f.moment(next.startMs) })}</b>
        {late && <b className={styles['late']}> {late}</b>}
        <span className="quiet" data-open={cover.coverage.kind !== 'covered'}>
          {coverWords(t, next, cover)}
        </span>
      </div>
      {isNow &&
        next.startMs - nowMs < SOON_MS &&
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
  const { changed } = useNotices();
  const [mark] = useMarkMutation();
  const stepKey = stageKey(work);
  const lotId = lot.lot?.id ?? '';
  const version =
    lot.lot?.marks.find((m) => m.loadNumber === 0 && m.stepKey === stepKey)?.version ?? 0;
  const send = (change: { isDone: boolean; version: number }) =>
    mark({ house: board.house, lotId, loadNumber: 0, stepKey, change }).unwrap();
  const { write, isSending } = useWrite(send);
  const onDone = async () => {
    const saved = await write({ isDone: true, version });
    if (!saved) return;
    const what = `${lot.code}: ${t(`workDone.${work.key}`)}`;
    changed(what, () => send({ isDone: false, version: saved.version }));
  };
  return (
    <Button
      variant="contained"
      size="large"
      disabled={isSending}
      onClick={() => void onDone()}
      aria-label={`${lot.code}: ${t(`workDone.${work.key}`)}`}
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
  const { ref, width } = useWidth<HTMLDivElement>();
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
