import { currentRecords, loggedLot, wasAsMeant } from '@calm/domain';
import type { HouseBook, LotLog } from '@calm/contract';
import { pieceRun, stageKey, workOf } from '@calm/core';
import Button from '@mui/material/Button';
import { memo, useDeferredValue, useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { Failed } from '../../parts/messages/Failed';
import { useFormats } from '../../parts/format/useFormats';
import { Page } from '../../parts/layout/Page';
import { WaitingPage } from '../../parts/layout/WaitingPage';
import { useBookQuery, useLotLogQuery } from '../../state/api/api';
import { markOf, recordsWithOutboxItems } from '../../state/outbox/outboxLots';
import { useHouse } from '../../state/board/useBoard';
import { useWaiting } from '../../state/outbox/useOutboxItems';
import { useCursor } from '../../state/time/useCursor';
import { usePermission } from '../../state/api/usePermission';
import styles from './Log.module.css';
import { LotPicture } from './LotPicture';
import { WindowByLooks } from '../../parts/measures/WindowByLooks';
import { useWindowByLooks } from '../../state/board/useWindowByLooks';
import { MeasureLot } from '../../state/outbox/MeasureLot';
import { Outcomes } from './Outcomes';
import { Records } from './Records';
import { WhyLot } from './why/WhyLot';

/** Everything on record of one lot: as planned, as it was, what was seen, how it turned out. */
export function LotPage() {
  const house = useHouse();
  const { lot = '' } = useParams();
  const { data: log, error, refetch } = useLotLogQuery({ house, lotOrCode: lot });
  const { data: book } = useBookQuery(house);
  // A record that comes in is drawn between frames: who taps the next is not kept waiting.
  const shown = useDeferredValue(log);
  if (error && !log) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!log || !shown || !book) return <WaitingPage />;
  return <OneLot key={lot} house={house} log={shown} book={book} />;
}

const OneLot = memo(function OneLot({
  house,
  log,
  book,
}: {
  readonly house: string;
  readonly log: LotLog;
  readonly book: HouseBook;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const mayMark = usePermission('mark');
  const { lot, isWithdrawn } = log;
  const boardLot = useMemo(() => loggedLot(log.lot, log.planned, book), [log, book]);
  const waiting = useWaiting(house);
  const records = useDeferredValue(
    useMemo(
      () => recordsWithOutboxItems(log.records, waiting).filter(({ lotId }) => lotId === lot.id),
      [log.records, waiting, lot.id],
    ),
  );
  const seen = useWindowByLooks(book, boardLot, records);
  const asMeant = wasAsMeant(records);
  const { nowMs } = useCursor();
  const isOver = Date.parse(lot.closeAt) < nowMs;
  return (
    <Page
      title={t('log.title', { code: lot.code, dough: lot.recipe.formulaName })}
      lead={t('log.for', {
        date: f.fullDate(lot.serviceDate),
        version: lot.recipe.formulaVersion,
        made: f.list(lot.items.map((item) => `${f.count(item.count)} ${item.name}`)),
      })}
      aside={
        <>
          {!isOver && !isWithdrawn && (
            <Button
              variant="outlined"
              component={Link}
              to={`/${house}/tonight/what-now/${lot.code}`}
            >
              {t('tonight.whatNow')}
            </Button>
          )}
          <Button variant="outlined" component={Link} to={`/${house}/log`}>
            {t('log.all')}
          </Button>
        </>
      }
    >
      {isWithdrawn && <p role="status">{t('log.isBack')}</p>}
      {boardLot && <LotPicture book={book} lot={boardLot} records={records} />}
      {mayMark && !isWithdrawn && (
        <>
          <Outcomes house={house} lot={lot} records={records} />
          <MeasureLot house={house} lot={lot} records={records} />
        </>
      )}
      <WindowByLooks seen={seen} />
      {asMeant !== null && <p>{t(asMeant ? 'whatNow.asMeant' : 'whatNow.notAsMeant')}</p>}
      {boardLot && (
        <WhyLot
          house={house}
          book={book}
          lot={lot}
          boardLot={boardLot}
          records={records}
          mayTry={mayMark && !isWithdrawn}
        />
      )}
      <div className={styles['two']}>
        <section>
          <h2 className={styles['head']}>{t('log.steps')}</h2>
          <table className={styles['lots']}>
            <thead>
              <tr>
                <th scope="col">{t('log.step')}</th>
                <th scope="col">{t('log.planned')}</th>
                <th scope="col">{t('log.was')}</th>
              </tr>
            </thead>
            <tbody>
              {workOf(boardLot?.stages ?? []).map((work) => {
                const mark = markOf(lot, 0, stageKey(work));
                const doneMs = mark.doneAt === null ? null : Date.parse(mark.doneAt);
                return (
                  <tr key={stageKey(work)}>
                    <th scope="row">{t(`work.${work.key}`)}</th>
                    <td>{f.moment(work.endMs)}</td>
                    <td>
                      {mark.skippedWhy !== null
                        ? t('outbox.skipped', { why: mark.skippedWhy })
                        : doneMs === null
                          ? t('log.notDone')
                          : f.moment(doneMs)}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </section>
        <section>
          <h2 className={styles['head']}>{t('log.loads')}</h2>
          <table className={styles['lots']}>
            <thead>
              <tr>
                {(['load', 'flour', 'room', 'water', 'dough_out'] as const).map((key) => (
                  <th key={key} scope="col">
                    {t(`log.${key}`)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {lot.loads.map((load) => (
                <tr key={load.number}>
                  <th scope="row">{load.number}</th>
                  <td>{f.temperature(load.flourTempC)}</td>
                  <td>{f.temperature(load.roomTempC)}</td>
                  <td>{f.temperature(load.waterTempC)}</td>
                  <td>
                    {load.doughOutC === null ? t('log.notTaken') : f.temperature(load.doughOutC)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <Pieces log={{ ...log, records }} book={book} />
          {lot.note && (
            <p>
              <b>{t('mix.note.title')}</b>: {lot.note}
            </p>
          )}
        </section>
      </div>
      <h2 className={styles['head']}>{t('log.records')}</h2>
      <Records house={house} lot={lot} book={book} records={records} mayCorrect={mayMark} />
    </Page>
  );
});

/** How heavy the pieces of each product were. */
function Pieces({
  log: { lot, records },
  book,
}: {
  readonly log: LotLog;
  readonly book: HouseBook;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return lot.items.map((item) => {
    const grams = currentRecords(records, 'piece')
      .filter(({ content }) => content.productId === item.productId && content.grams > 1)
      .map(({ content }) => content.grams);
    const run = pieceRun(grams, item.ballWeightG, book.house.settings.ballTolerancePercent);
    if (!run) return null;
    const sum = grams.reduce((all, g) => all + g, 0);
    return (
      <p key={item.productId}>
        {t('log.pieces', {
          count: grams.length,
          product: item.name,
          mean: f.grams(sum / grams.length, 1),
          wanted: f.grams(item.ballWeightG),
          scatter: f.grams(run.scatterG, 1),
        })}
      </p>
    );
  });
}
