import type { Service } from '@calm/contract';
import { lotPositionOf, type BoardLot } from '@calm/domain';
import Button from '@mui/material/Button';
import { lazy, Suspense, useMemo, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Failed } from '../../parts/messages/Failed';
import { useFormats } from '../../parts/format/useFormats';
import { Message } from '../../parts/messages/Message';
import { Page } from '../../parts/layout/Page';
import { WaitingPage } from '../../parts/layout/WaitingPage';
import { useBoard, type Board } from '../../state/board/useBoard';
import { useSetUp } from '../../state/board/useSetUp';
import { useCold } from '../../state/board/useCold';
import { useCursor } from '../../state/time/useCursor';
import { needWords } from '../../words';
import ballStyles from './Balls.module.css';
import { BallsOf } from './BallsOf';
import { Ovens } from './Ovens';
import { Decisions } from './Decisions';
import { LotRow } from './LotRow';
import styles from './Tonight.module.css';
import { useTonight } from './useTonight';

/** Only a new house has one: it comes when it is shown. */
const SetUpList = lazy(async () => {
  const [{ SetUpList: List }] = await Promise.all([
    import('../../parts/house/SetUpList'),
    needWords('house'),
  ]);
  return { default: List };
});

/** Pressed once a service: it comes after what is looked at all evening. */
const BeforeDoors = lazy(async () => {
  const { BeforeDoors: List } = await import('../../state/service/BeforeDoors');
  return { default: List };
});

/** The next service, or the one that is open: its lots, where each is, and what is next. */
export function Tonight() {
  const { t } = useTranslation();
  const { atMs } = useCursor();
  const { board, error, retry } = useBoard();
  const left = useSetUp(board);
  if (error) return <Failed error={error} onRetry={retry} />;
  if (!board) return <WaitingPage />;
  const service = board.services.find((s) => Date.parse(s.endsAt) > atMs);
  if (!service && left.length > 0) {
    return (
      <Page title={t('stops.tonight')}>
        <Suspense>
          <SetUpList house={board.house} left={left} />
        </Suspense>
      </Page>
    );
  }
  if (!service) {
    return (
      <Message
        title={t('tonight.none')}
        text={t('tonight.noneHow')}
        link={{ label: t('stops.demand'), to: `/${board.house}/demand` }}
      />
    );
  }
  return (
    <ServiceSimulation
      board={board}
      service={service}
      setUp={
        left.length > 0 && (
          <Suspense>
            <SetUpList house={board.house} left={left} />
          </Suspense>
        )
      }
    />
  );
}

/** One service: how its balls stand, what has to be decided, and its lots. */
function ServiceSimulation({
  board,
  service,
  setUp,
}: {
  readonly board: Board;
  readonly service: Service;
  /** What a new house still needs. */
  readonly setUp: ReactNode;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs, nowMs } = useCursor();
  const [forService, others] = useMemo(
    () => lotsAround(board, service, atMs, nowMs),
    [board, service, atMs, nowMs],
  );
  const tonight = useTonight(board, service, forService, others);
  if (!tonight) return <WaitingPage />;
  const { balls, decisions, windowsOf } = tonight;
  return (
    <Page
      title={f.joined(service.name, f.date(service.date))}
      lead={<Countdown service={service} atMs={atMs} />}
      aside={
        <>
          <Wanted board={board} service={service} />
          <Button variant="outlined" component={Link} to={`/${board.house}/tonight/what-now`}>
            {t('tonight.whatNow')}
          </Button>
        </>
      }
    >
      {setUp}
      <Ovens board={board} service={service} />
      <Decisions house={board.house} decisions={decisions} />
      {forService.length === 0 && <p>{t('tonight.nothingWanted')}</p>}
      {balls.length > 0 && (
        <div className={ballStyles['all']}>
          <p className="quiet small">{t('tonight.chart.legend')}</p>
          {balls.map(({ lot, balls: each }) => (
            <BallsOf
              key={lot.code + lot.date + each.product.id}
              house={board.house}
              lot={lot}
              balls={each}
            />
          ))}
        </div>
      )}
      {atMs < Date.parse(service.startsAt) && (
        <Suspense>
          <BeforeDoors
            board={board}
            service={service}
            order={balls.map(({ lot }) => ({ lot: lot.lot, code: lot.code }))}
          />
        </Suspense>
      )}
      <ul className={styles['lots']}>
        {forService.map((lot) => (
          <LotRow key={lot.code + lot.date} board={board} lot={lot} windows={windowsOf(lot)} />
        ))}
      </ul>
      <h2 className={styles['also']}>{t('tonight.also')}</h2>
      {others.length === 0 ? (
        <p className="quiet">{t('tonight.alsoNone')}</p>
      ) : (
        <ul className={styles['lots']}>
          {others.map((lot) => (
            <LotRow
              key={lot.code + lot.date}
              board={board}
              lot={lot}
              windows={windowsOf(lot)}
              isQuiet
            />
          ))}
        </ul>
      )}
      <ColdPlaces board={board} />
    </Page>
  );
}

/** How cold it is where dough stands: as read, or as set where nothing was. */
function ColdPlaces({ board }: { readonly board: Board }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { cold } = useCold(board.house);
  const cooled = board.book.places.flatMap(({ id, name, room }) =>
    room ? [{ id, name, room }] : [],
  );
  if (!cold || cooled.length === 0) return null;
  const words = cooled.map(({ id, name, room }) => {
    const read = cold.probes
      .filter(({ placeId }) => placeId === id)
      .flatMap((probe) => {
        const last = cold.last.find(({ probeId }) => probeId === probe.id);
        return last ? [`${probe.zone} ${f.temperature(last.airC)}`] : [];
      });
    return read.length > 0
      ? `${name}: ${f.list(read)}`
      : t('tonight.roomSet', { name, set: f.temperature(room.setC) });
  });
  return (
    <p className="quiet">
      <Link to={`/${board.house}/walk-in`}>{t('stops.walk-in')}</Link> {words.join(' · ')}
    </p>
  );
}

/** The lots of a service, and the others that are under way. */
function lotsAround(
  board: Board,
  service: Service,
  atMs: number,
  nowMs: number,
): [BoardLot[], BoardLot[]] {
  const isFor = (lot: BoardLot) =>
    lot.date === service.date &&
    service.counts.some((c) => c.count > 0 && lot.items.some((i) => i.productId === c.productId));
  const isStarted = (lot: BoardLot) => {
    const { kind } = lotPositionOf(lot, atMs, nowMs);
    return lot.closeMs > atMs && kind !== 'to-make' && kind !== 'served';
  };
  return [board.lots.filter(isFor), board.lots.filter((lot) => !isFor(lot) && isStarted(lot))];
}

function Countdown({ service, atMs }: { readonly service: Service; readonly atMs: number }) {
  const { t } = useTranslation();
  const f = useFormats();
  const [startMs, endMs] = [Date.parse(service.startsAt), Date.parse(service.endsAt)];
  const words = { at: f.time(startMs), until: f.time(endMs) };
  return atMs < startMs
    ? t('tonight.opensIn', { ...words, in: f.duration((startMs - atMs) / 60_000) })
    : t('tonight.isOpen', { ...words, left: f.duration((endMs - atMs) / 60_000) });
}

/** What the service wants, as one line of figures. */
function Wanted({ board, service }: { readonly board: Board; readonly service: Service }) {
  const f = useFormats();
  return (
    <ul className={styles['wanted']}>
      {board.book.products.map((product) => {
        const count = service.counts.find((c) => c.productId === product.id)?.count ?? 0;
        return count > 0 ? (
          <li key={product.id}>
            <b>{f.count(count)}</b> <span>{product.name}</span>
          </li>
        ) : null;
      })}
    </ul>
  );
}
