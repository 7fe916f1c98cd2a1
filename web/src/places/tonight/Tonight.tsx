import type { Service } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Failed } from '../../parts/Failed';
import { useFormats } from '../../parts/format';
import { Message } from '../../parts/Message';
import { Page } from '../../parts/Page';
import { Waiting } from '../../parts/Waiting';
import { whereIs, type BoardLot } from '../../state/lotBoard';
import { useBoard, type Board } from '../../state/useBoard';
import { useCursor } from '../../state/useCursor';
import { LotRow } from './LotRow';
import styles from './Tonight.module.css';

/** The next service, or the one that is open: its lots, where each is, and what is next. */
export function Tonight() {
  const { t } = useTranslation();
  const { atMs, nowMs } = useCursor();
  const { board, error, retry } = useBoard();
  const f = useFormats();
  if (error) return <Failed error={error} onRetry={retry} />;
  if (!board) return <Waiting />;
  const service = board.services.find((s) => Date.parse(s.endsAt) > atMs);
  if (!service) {
    return (
      <Message
        title={t('tonight.none')}
        text={t('tonight.noneHow')}
        link={{ label: t('stops.demand'), to: `/${board.house}/demand` }}
      />
    );
  }
  const isFor = (lot: BoardLot) =>
    lot.date === service.date &&
    service.counts.some((c) => c.count > 0 && lot.items.some((i) => i.productId === c.productId));
  const forService = board.lots.filter(isFor);
  const others = board.lots.filter((lot) => {
    const where = whereIs(lot, atMs, nowMs);
    return !isFor(lot) && lot.closeMs > atMs && where.kind !== 'to-make' && where.kind !== 'served';
  });
  return (
    <Page
      title={`${service.name}, ${f.date(service.date)}`}
      lead={<Countdown service={service} atMs={atMs} />}
      aside={<Wanted board={board} service={service} />}
    >
      {forService.length === 0 && <p>{t('tonight.nothingWanted')}</p>}
      <ul className={styles['lots']}>
        {forService.map((lot) => (
          <LotRow key={lot.code + lot.date} board={board} lot={lot} />
        ))}
      </ul>
      <h2 className={styles['also']}>{t('tonight.also')}</h2>
      {others.length === 0 ? (
        <p className="quiet">{t('tonight.alsoNone')}</p>
      ) : (
        <ul className={styles['lots']}>
          {others.map((lot) => (
            <LotRow key={lot.code + lot.date} board={board} lot={lot} isQuiet />
          ))}
        </ul>
      )}
    </Page>
  );
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
