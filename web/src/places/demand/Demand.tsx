import type { Service } from '@calm/contract';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { Failed } from '../../parts/Failed';
import { useFormats } from '../../parts/format';
import { Page } from '../../parts/Page';
import { Waiting } from '../../parts/Waiting';
import { addDays, dateAt } from '../../state/localDate';
import type { BoardLot } from '../../state/lotBoard';
import { useBoard, type Board } from '../../state/useBoard';
import { useCursor } from '../../state/useCursor';
import { CountField } from './CountField';
import styles from './Demand.module.css';

/** How many balls, of which, for which service. */
export function Demand() {
  const { t } = useTranslation();
  const { atMs } = useCursor();
  const { board, error, retry } = useBoard();
  const [params, setParams] = useSearchParams();
  const days = params.get('days') === '7' ? 7 : 2;
  if (error) return <Failed error={error} onRetry={retry} />;
  if (!board) return <Waiting />;

  const today = dateAt(atMs, board.book.house.timeZone);
  const dates = Array.from({ length: days }, (_, i) => addDays(today, i));
  return (
    <Page
      title={t('demand.title')}
      lead={t('demand.lead')}
      aside={
        <ToggleButtonGroup
          exclusive
          value={days}
          aria-label={t('demand.stretch')}
          onChange={(_event, value: number | null) => {
            if (value === null) return;
            params.set('days', String(value));
            setParams(params, { replace: true });
          }}
        >
          <ToggleButton value={2}>{t('demand.twoDays')}</ToggleButton>
          <ToggleButton value={7}>{t('demand.week')}</ToggleButton>
        </ToggleButtonGroup>
      }
    >
      {dates.map((date, i) => (
        <Day key={date} board={board} date={date} nth={i} />
      ))}
    </Page>
  );
}

function Day({
  board,
  date,
  nth,
}: {
  readonly board: Board;
  readonly date: string;
  readonly nth: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const services = board.services.filter((service) => service.date === date);
  const relative = nth === 0 ? t('demand.today') : nth === 1 ? t('demand.tomorrow') : '';
  return (
    <section className={styles['day']} aria-label={f.date(date)}>
      <h2>
        {f.date(date)} {relative && <span className="quiet">{relative}</span>}
      </h2>
      {services.length === 0 ? (
        <p className={styles['closed']}>{t('demand.closed')}</p>
      ) : (
        <>
          <div className={styles['services']}>
            {services.map((service) => (
              <ServiceColumn key={service.patternId} board={board} service={service} />
            ))}
          </div>
          <Totals lots={board.lots.filter((lot) => lot.date === date)} />
        </>
      )}
    </section>
  );
}

function ServiceColumn({ board, service }: { readonly board: Board; readonly service: Service }) {
  const f = useFormats();
  const hours = `${f.time(Date.parse(service.startsAt))}–${f.time(Date.parse(service.endsAt))}`;
  return (
    <section className={styles['service']} aria-label={`${service.name} ${f.date(service.date)}`}>
      <h3>
        {service.name} <span className="quiet">{hours}</span>
      </h3>
      {board.book.products.map((product) => {
        const count = service.counts.find((c) => c.productId === product.id);
        return count ? (
          <CountField key={product.id} service={service} product={product} count={count} />
        ) : null;
      })}
    </section>
  );
}

/** What the day's counts come to in dough, and what is already fixed. */
function Totals({ lots }: { readonly lots: readonly BoardLot[] }) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <ul className={styles['totals']}>
      {lots.map((lot) => (
        <li key={lot.product.id}>
          <b>{lot.recipe.formulaName}</b>{' '}
          {lot.scaled.ok
            ? t('demand.total', {
                dough: f.kilograms(lot.scaled.value.balance.doughG),
                loads: t('demand.loads', { count: lot.scaled.value.loads.length }),
              })
            : t('demand.cannot')}
          {lot.lot && <span className="quiet"> {t('demand.fixed', { code: lot.code })}</span>}
        </li>
      ))}
    </ul>
  );
}
