import type { Product, ProductCount, Sale, Service } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { EditingBy } from '../../../state/live/EditingBy';
import { useFormats } from '../../../parts/format/useFormats';
import { NumberCell } from '../../../parts/fields/NumberCell';
import { BALLS } from '../../../parts/fields/readNumber';
import { TwoSides } from '../../../parts/messages/TwoSides';
import styles from './Demand.module.css';
import { goTo } from './goTo';
import { useSale } from './useSale';

/** One cell of a service that is over: what was sold, and beneath it what was asked for and what was left. */
export function SoldCell({
  service,
  product,
  count,
  sale,
  onFocus,
}: {
  readonly service: Service;
  readonly product: Product;
  readonly count: ProductCount;
  readonly sale: Sale | undefined;
  readonly onFocus: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const state = useSale(service, product, sale);
  const { sold, soldOutMin, leftBalls } = state.shown;
  const end = [
    soldOutMin !== null && t('demand.sold.out', { time: f.timeOfDay(soldOutMin) }),
    leftBalls !== null && leftBalls > 0 && t('demand.sold.left', { count: leftBalls }),
  ].filter((words) => words !== false);
  return (
    <div className={styles['cell']} data-known={state.isKnown}>
      <EditingBy permission="sell">
        <NumberCell
          label={t('demand.sold.field', {
            product: product.name,
            service: service.name,
            date: f.date(service.date),
          })}
          value={sold}
          isBlank={!state.isKnown}
          rule={BALLS}
          step={1}
          onFocus={onFocus}
          onMove={goTo}
          onCommit={(to) => state.save({ sold: to })}
        />
      </EditingBy>
      <p>
        {state.isKnown
          ? f.list([t('demand.sold.of', { count: count.count }), ...end])
          : t('demand.sold.unknown')}
      </p>
      {state.stale && (
        <TwoSides
          what={product.name}
          theirs={f.count(state.stale.theirs.sold)}
          mine={f.count(state.stale.mine.sale?.sold ?? 0)}
          onKeepTheirs={state.keepTheirs}
          onUseMine={state.useMine}
        />
      )}
    </div>
  );
}
