import type { Product, ProductCount, Service } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format';
import { NumberField } from '../../parts/NumberField';
import { useNotices } from '../../parts/Notices';
import { BALLS } from '../../parts/readNumber';
import { TwoSides } from '../../parts/TwoSides';
import { useHouse } from '../../state/useBoard';
import { useCursor } from '../../state/useCursor';
import { useDraft } from '../../state/useDraft';
import { useWrite } from '../../state/useWrite';
import styles from './Demand.module.css';
import { useChangeCountMutation } from './demandApi';

/** How many of one product one service wants: typed, kept, taken back. */
export function CountField({
  service,
  product,
  count,
}: {
  readonly service: Service;
  readonly product: Product;
  readonly count: ProductCount;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { nowMs } = useCursor();
  const { changed } = useNotices();
  const { patternId, date } = service;
  const { draft, keep, drop } = useDraft<number>(
    `count/${house}/${date}/${patternId}/${product.id}`,
  );
  const [change] = useChangeCountMutation();
  const send = (next: { count: number | null; version: number }) =>
    change({ house, date, patternId, productId: product.id, change: next }).unwrap();
  const { write, stale, settle } = useWrite(send);

  const save = async (next: number, version: number) => {
    keep(next);
    const before = count.origin === 'usual' ? null : count.count;
    const saved = await write({ count: next, version });
    if (!saved) return;
    drop();
    const words = { product: product.name, service: service.name, count: f.count(next) };
    changed(t('demand.changed', words), () => send({ count: before, version: saved.version }));
  };
  const backToUsual = async () => {
    const saved = await write({ count: null, version: count.version });
    if (!saved) return;
    drop();
    changed(t('demand.backToUsual', { product: product.name }), () =>
      send({ count: count.count, version: saved.version }),
    );
  };
  const isUnsaved = draft !== undefined && draft !== count.count;
  const isOver = Date.parse(service.endsAt) <= nowMs;
  const usual = t('demand.usual', { count: f.count(count.usual) });

  return (
    <div className={styles['count']} data-chosen={count.origin === 'chosen'}>
      <div className={styles['product']}>
        <span>{product.name}</span>
        <span className="quiet small">{f.grams(product.ballWeightG)}</span>
      </div>
      <div>
        <NumberField
          label={t('demand.field', {
            product: product.name,
            service: service.name,
            date: f.date(date),
          })}
          isLabelHidden
          size="office"
          disabled={isOver}
          value={draft ?? count.count}
          rule={BALLS}
          onCommit={(value) => value !== null && void save(value, count.version)}
        />
      </div>
      <div className={styles['note']}>
        {isUnsaved ? (
          <p data-attention>
            {t('demand.unsaved')}{' '}
            <button type="button" onClick={() => void save(draft, count.version)}>
              {t('errors.retry')}
            </button>
          </p>
        ) : isOver ? (
          <p>{t('demand.over')}</p>
        ) : count.origin === 'chosen' ? (
          <p>
            {usual}{' '}
            <button type="button" onClick={() => void backToUsual()}>
              {t('demand.useUsual')}
            </button>
          </p>
        ) : (
          <p>{t('demand.isUsual')}</p>
        )}
      </div>
      {stale && (
        <div className={styles['stale']}>
          <TwoSides
            what={product.name}
            theirs={f.count(stale.theirs.count)}
            mine={f.count(stale.mine.count ?? count.usual)}
            onKeepTheirs={() => {
              settle();
              drop();
            }}
            onUseMine={() => void save(stale.mine.count ?? count.usual, stale.theirs.version)}
          />
        </div>
      )}
    </div>
  );
}
