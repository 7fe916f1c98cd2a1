import type { Forecast, HouseEvent, Service } from '@calm/contract';
import { Fragment } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format';
import type { BoardLot } from '../../state/lotBoard';
import type { Board } from '../../state/useBoard';
import { CountCell } from './CountCell';
import styles from './Demand.module.css';
import { EventMarks } from './EventMarks';

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
  forecasts,
  events,
  today,
  onPick,
}: {
  readonly board: Board;
  readonly dates: readonly string[];
  readonly forecasts: readonly Forecast[];
  readonly events: readonly HouseEvent[];
  /** The cursor's local date. */
  readonly today: string;
  readonly onPick: (picked: Picked) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { products } = board.book;
  return (
    <div className={styles['scroll']}>
      <table className={styles['week']}>
        <thead>
          <tr>
            <th />
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
                    <EventMarks
                      date={date}
                      services={services}
                      events={events.filter((event) => event.date === date)}
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
                      const isThis = (each: { patternId: string; productId: string }) =>
                        each.patternId === service.patternId && each.productId === product.id;
                      const count = service.counts.find((each) => each.productId === product.id);
                      return (
                        <td key={product.id}>
                          {count && (
                            <CountCell
                              service={service}
                              product={product}
                              count={count}
                              forecast={forecasts.find(
                                (each) => each.date === date && isThis(each),
                              )}
                              onFocus={() =>
                                onPick({
                                  date,
                                  patternId: service.patternId,
                                  productId: product.id,
                                })
                              }
                            />
                          )}
                        </td>
                      );
                    })}
                  </tr>
                ))}
                <tr className={styles['totals']}>
                  <td colSpan={products.length + 1}>
                    <Totals lots={board.lots.filter((lot) => lot.date === date)} />
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
function Totals({ lots }: { readonly lots: readonly BoardLot[] }) {
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
          {lot.lot && ` ${t('demand.fixed', { code: lot.code })}`}
        </span>
      ))}
    </>
  );
}
