import Button from '@mui/material/Button';
import type { Product, ProductCount, Sale, Service } from '@calm/contract';
import type { BoardLot } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { BALLS } from '../../../parts/fields/readNumber';
import { onOrAfter } from '../../../parts/fields/clockTime';
import { TimeOfDay } from '../../../parts/fields/TimeOfDay';
import { useBookQuery } from '../../../state/api/api';
import { minuteAt } from '../../../state/time/localDate';
import { useHouse } from '../../../state/board/useBoard';
import styles from './Demand.module.css';
import { useSale } from './useSale';

/** What stands behind one number of a service that is over: when it ran out, what was left and is kept. */
export function SoldFacts({
  service,
  product,
  count,
  sale,
  lot,
}: {
  readonly service: Service;
  readonly product: Product;
  readonly count: ProductCount;
  readonly sale: Sale | undefined;
  /** The dough that was made for this day. */
  readonly lot: BoardLot | undefined;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const timeZone = useBookQuery(useHouse()).data?.house.timeZone ?? 'UTC';
  const state = useSale(service, product, sale);
  const { sold, soldOutMin, leftBalls } = state.shown;
  const made = lot?.items.find(({ productId }) => productId === product.id)?.count ?? 0;
  const startMin = minuteAt(Date.parse(service.startsAt), timeZone);
  return (
    <>
      <h2>
        {product.name}, {service.name} {f.date(service.date)}
      </h2>
      <p>{t('demand.sold.says', { sold: f.count(sold), asked: f.count(count.count) })}</p>
      {made > 0 && <p>{t('demand.sold.made', { code: lot?.code ?? '', made: f.count(made) })}</p>}
      <div className={styles['pairs']}>
        <LabelledCell
          name={t('demand.sold.leftField')}
          unit=""
          value={leftBalls ?? 0}
          rule={BALLS}
          step={1}
          onCommit={(to) => state.save({ leftBalls: to })}
        />
        <TimeOfDay
          label={t('demand.sold.outField')}
          minute={soldOutMin}
          onChange={(minute) =>
            state.save({
              soldOutMin: minute === null ? null : onOrAfter(minute, startMin - 1),
            })
          }
        />
      </div>
      <p className="quiet small">
        {leftBalls === null ? t('demand.sold.notCounted') : t('demand.sold.kept')}
      </p>
      {leftBalls === null && (
        <EditOnly>
          <Button variant="outlined" size="small" onClick={() => state.save({ leftBalls: 0 })}>
            {t('demand.sold.nothingLeft')}
          </Button>
        </EditOnly>
      )}
    </>
  );
}
