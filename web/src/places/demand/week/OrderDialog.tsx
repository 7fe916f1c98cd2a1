import type { Product } from '@calm/contract';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { DateField } from '../../../parts/fields/DateField';
import { FromTo } from '../../../parts/fields/FromTo';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { BALLS } from '../../../parts/fields/readNumber';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useHouse } from '../../../state/board/useBoard';
import { useDraft } from '../../../state/drafts/useDraft';
import styles from './Demand.module.css';
import { useOrders, type KeptOrder, type Order } from './useOrders';

const NOON = { startMin: 12 * 60, endMin: 13 * 60 };

/** Dough that no service sells: an order that is fetched, or balls to have in stock by an hour. */
export function OrderDialog({
  date,
  kept,
  products,
  onClose,
}: {
  /** Of a new one, until another is chosen. */
  readonly date: string;
  /** Null makes a new one. */
  readonly kept: KeptOrder | null;
  readonly products: readonly Product[];
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const { add, remove } = useOrders();
  const { draft, keep, drop } = useDraft<Order>(
    `${useHouse()}/dialog/order/${kept?.ids.patternId ?? 'new'}`,
  );
  const order: Order = draft ?? kept?.order ?? { name: '', date, hours: NOON, balls: {} };
  const put = (to: Partial<Order>) => keep({ ...order, ...to });
  const [wrong, setWrong] = useState<string | null>(null);
  const leave = () => {
    drop();
    onClose();
  };
  const tried = async (work: () => Promise<void>) => {
    try {
      await work();
      leave();
    } catch (error) {
      setWrong(problemWords(t, error));
    }
  };
  const save = () => {
    if (Object.values(order.balls).every((count) => count === 0))
      return setWrong(t('demand.order.noBalls'));
    const name = order.name.trim();
    void tried(async () => {
      const ids = await add({ ...order, name });
      if (kept) await remove(kept.ids);
      changed(t('demand.order.kept', { name }), async () => {
        if (kept) await add(kept.order);
        await remove(ids);
      });
    });
  };
  const takeOut = ({ ids, order: before }: KeptOrder) =>
    void tried(async () => {
      await remove(ids);
      changed(t('demand.order.removed', { name: before.name }), () => add(before));
    });
  return (
    <RecordDialog
      title={t('demand.order.title')}
      wrong={wrong}
      onKeep={save}
      onRemove={kept ? () => takeOut(kept) : undefined}
      onClose={leave}
    >
      <p className="quiet small">{t('demand.order.why')}</p>
      <TextField
        autoFocus
        required
        size="small"
        label={t('demand.order.name')}
        value={order.name}
        onChange={(typed) => put({ name: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 60 } }}
      />
      <DateField
        isRequired
        label={t('demand.order.date')}
        value={order.date}
        onChange={(to) => to && put({ date: to })}
      />
      <FromTo
        hours={order.hours}
        nextDay={t('demand.services.nextDay')}
        onChange={(hours) => put({ hours })}
      />
      <p className="quiet small">{t('demand.order.ready')}</p>
      <div className={styles['pairs']}>
        {products.map(({ id, name }) => (
          <LabelledCell
            key={id}
            name={name}
            label={t('demand.booking.ballsOf', { product: name })}
            unit=""
            value={order.balls[id] ?? 0}
            rule={BALLS}
            step={5}
            onCommit={(count) => put({ balls: { ...order.balls, [id]: count } })}
          />
        ))}
      </div>
    </RecordDialog>
  );
}
