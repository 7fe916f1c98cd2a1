import { ballsToMake } from '@calm/domain';
import type { Forecast, Product, ProductCount, Service } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { NumberCell } from '../../../parts/fields/NumberCell';
import { BALLS } from '../../../parts/fields/readNumber';
import { TwoSides } from '../../../parts/messages/TwoSides';
import styles from './Demand.module.css';
import { goTo } from './goTo';
import { useCount } from './useCount';

/** One cell of the week: the number, and beneath it what is expected. */
export function CountCell({
  service,
  product,
  count,
  forecast,
  onFocus,
}: {
  readonly service: Service;
  readonly product: Product;
  readonly count: ProductCount;
  readonly forecast: Forecast | undefined;
  readonly onFocus: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const state = useCount(service, product, count);
  const carriedBalls = count.count - ballsToMake(count);
  return (
    <div className={styles['cell']} data-chosen={count.origin === 'chosen'}>
      <NumberCell
        label={t('demand.field', {
          product: product.name,
          service: service.name,
          date: f.date(service.date),
        })}
        value={state.shown}
        rule={BALLS}
        step={1}
        onFocus={onFocus}
        onMove={goTo}
        onCommit={state.save}
      />
      {state.isUnsaved ? (
        <p data-attention>
          {t('demand.unsaved')}{' '}
          <button type="button" onClick={() => state.save(state.shown)}>
            {t('errors.retry')}
          </button>
        </p>
      ) : (
        forecast && <p>{t('demand.expects', { count: Math.round(forecast.mean) })}</p>
      )}
      {carriedBalls > 0 && <p data-carried>{t('demand.carried', { count: carriedBalls })}</p>}
      {state.stale && (
        <TwoSides
          what={product.name}
          theirs={f.count(state.stale.theirs.count)}
          mine={f.count(state.stale.mine.count ?? count.usual)}
          onKeepTheirs={state.keepTheirs}
          onUseMine={state.useMine}
        />
      )}
    </div>
  );
}
