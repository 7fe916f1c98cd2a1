import type { ForecastAnswer, HouseCalendar, Sale, Service } from '@calm/contract';
import type { BoardLot } from '@calm/domain';
import { Fragment } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import type { Board } from '../../../state/board/useBoard';
import { CountCell } from './CountCell';
import styles from './Demand.module.css';
import { DayMarks } from './DayMarks';
import { SoldCell } from './SoldCell';

/** Which count is looked at. */
export interface Picked {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
}

/** Services down, products across; a day is a block with what is on and what it comes to. */
export function WeekGrid({
  board,
  dates,
  answer,
  sales,
  calendar,
  nowMs,
  today,
  onPick,
}: {
  readonly board: Board;
  readonly dates: readonly string[];
  readonly answer: ForecastAnswer | undefined;
  readonly sales: readonly Sale[];
  readonly calendar: HouseCalendar | undefined;
  /** The present: what has ended by then shows what it sold. */
  readonly nowMs: number;
  /** The cursor's local date. */
  readonly today: string;
  readonly onPick: (picked: Picked) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { products } = board.book;
  const isAhead = (date: string, services: readonly Service[]) =>
    date > today || services.some(({ endsAt }) => Date.parse(endsAt) > nowMs);
  return (
    <div className={styles['scroll']}>
      <table className={styles['week']}>
        <thead>
          <tr>
            <td />
            {products.map((product) => (
              <th key={product.id} scope="col">
                {product.name} <span className="quiet">{f.grams(product.ballWeightG)}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {dates.map((date) => {
            const services = board.services.filter((service) => service.date === date);
            return (
              <Fragment key={date}>
                <tr className={styles['day']}>
                  <th scope="rowgroup" colSpan={products.length + 1}>
                    {f.date(date)}{' '}
                    {date === today && <span className="quiet">{t('demand.today')}</span>}
                    <DayMarks
                      date={date}
                      isAhead={isAhead(date, services)}
                      services={services}
                      products={products}
                      events={(answer?.events ?? []).filter((event) => event.date === date)}
                      bookings={(answer?.bookings ?? []).filter((each) => each.date === date)}
                      calendar={calendar}
                    />
                    {services.length === 0 && (
                      <span className={styles['closed']}>{t('demand.closed')}</span>
                    )}
                  </th>
                </tr>
                {services.map((service) => (
                  <tr key={service.patternId}>
                    <th scope="row">
                      {service.name} <span className="quiet">{hoursOf(service, f.time)}</span>
                    </th>
                    {products.map((product) => {
                      const { patternId } = service;
                      const isThis = (each: Picked) =>
                        each.date === date &&
                        each.patternId === patternId &&
                        each.productId === product.id;
                      const count = service.counts.find((each) => each.productId === product.id);
                      const isOver = Date.parse(service.endsAt) <= nowMs;
                      const cell = count && {
                        service,
                        product,
                        count,
                        onFocus: () => onPick({ date, patternId, productId: product.id }),
                      };
                      return (
                        <td key={product.id}>
                          {cell && isOver && <SoldCell {...cell} sale={sales.find(isThis)} />}
                          {cell && !isOver && (
                            <CountCell {...cell} forecast={answer?.forecasts.find(isThis)} />
                          )}
                        </td>
                      );
                    })}
                  </tr>
                ))}
                <tr className={styles['totals']}>
                  <td colSpan={products.length + 1}>
                    <Totals lots={board.lots.filter((lot) => lot.date === date)} nowMs={nowMs} />
                  </td>
                </tr>
              </Fragment>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

const hoursOf = ({ startsAt, endsAt }: Service, time: (ms: number) => string) =>
  `${time(Date.parse(startsAt))}–${time(Date.parse(endsAt))}`;

/** What the day's counts come to in dough, and what is already fixed. */
function Totals({ lots, nowMs }: { readonly lots: readonly BoardLot[]; readonly nowMs: number }) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <>
      {lots.map((lot) => (
        <span key={lot.product.id}>
          {lot.recipe.formulaName}{' '}
          {lot.scaled.ok
            ? t('demand.total', {
                dough: f.kilograms(lot.scaled.value.balance.doughG),
                loads: t('demand.loads', { count: lot.scaled.value.loads.length }),
              })
            : t('demand.cannot')}
          {lot.lot &&
            ` ${t(lot.closeMs <= nowMs ? 'demand.made' : 'demand.fixed', { code: lot.code })}`}
        </span>
      ))}
    </>
  );
}
