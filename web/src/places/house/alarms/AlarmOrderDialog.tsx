import { STANDARD_ALARM_CALLS, type HouseBook } from '@calm/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import styles from '../House.module.css';
import { useChangeHouse } from '../../../state/api/useChangeHouse';

/** In which order people are told, and after how long the next. */
export function AlarmOrderDialog({
  book: { house, people },
  onClose,
}: {
  readonly book: HouseBook;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { wrong, keep } = useChangeHouse(house, onClose);
  const before = house.settings.alarmCalls ?? STANDARD_ALARM_CALLS;
  const nameOf = (personId: string) => people.find(({ id }) => id === personId)?.name ?? '';
  const [order, setOrder] = useState(before.order.filter((id) => nameOf(id) !== ''));
  const [nextAfterMin, setNextAfter] = useState(before.nextAfterMin);
  const others = people.map(({ id }) => id).filter((id) => !order.includes(id));
  const earlier = (at: number) =>
    setOrder(order.with(at - 1, order[at] ?? '').with(at, order[at - 1] ?? ''));
  return (
    <RecordDialog
      title={t('house.alarms.title')}
      wrong={wrong}
      width="sm"
      onKeep={() => keep({ alarmCalls: { order, nextAfterMin } })}
      onClose={onClose}
    >
      <p>{t('house.alarms.orderHow')}</p>
      <ol className={styles['order']}>
        {order.map((id, at) => (
          <li key={id}>
            <span className={styles['place']}>
              <b>{nameOf(id)}</b>
              <span>
                <Button
                  size="small"
                  disabled={at === 0}
                  aria-label={t('house.alarms.earlierOf', { name: nameOf(id) })}
                  onClick={() => earlier(at)}
                >
                  {t('house.alarms.earlier')}
                </Button>
                <Button
                  size="small"
                  aria-label={t('house.alarms.leaveOutOf', { name: nameOf(id) })}
                  onClick={() => setOrder(order.filter((each) => each !== id))}
                >
                  {t('house.alarms.leaveOut')}
                </Button>
              </span>
            </span>
          </li>
        ))}
      </ol>
      {others.length > 0 && (
        <Choice
          label={t('house.alarms.add')}
          value=""
          values={['', ...others]}
          say={(id) => (id === '' ? t('house.alarms.choose') : nameOf(id))}
          width={240}
          onChange={(id) => id !== '' && setOrder([...order, id])}
        />
      )}
      <LabelledCell
        name={t('house.alarms.after')}
        unit={t('house.alarms.minutes')}
        value={nextAfterMin}
        rule={{ min: 1, max: 240, decimals: 0 }}
        step={5}
        onCommit={setNextAfter}
      />
    </RecordDialog>
  );
}
