import { DATE_ORDERS, readDateText, type DateColumn, type DateOrder } from '@calm/domain/columns';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';
import { Choice } from './Choice';
import styles from './DateOrderChoice.module.css';

/** How the dates of a file are written, with how one of them is read: in many nothing tells. */
export function DateOrderChoice({
  column,
  order,
  width,
  onChange,
}: {
  /** The file's own column; undefined holds no dates. */
  readonly column: DateColumn | undefined;
  readonly order: DateOrder;
  readonly width: number | string;
  readonly onChange: (order: DateOrder) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const date = column && readDateText(column.example, order)?.date;
  const isUnsure = column !== undefined && column.orders.length > 1;
  return (
    <div className={styles['order']}>
      <Choice
        label={t('dateOrder.label')}
        width={width}
        value={order}
        values={DATE_ORDERS}
        say={(each) => t(`dateOrder.${each}`)}
        onChange={onChange}
      />
      {column && (
        <p className={isUnsure ? undefined : 'quiet small'} role={isUnsure ? 'note' : undefined}>
          {date
            ? t(isUnsure ? 'dateOrder.unsure' : 'dateOrder.read', {
                text: column.example,
                date: f.date(date),
              })
            : t('dateOrder.none', { text: column.example })}
        </p>
      )}
    </div>
  );
}
