import type { ServicePatternContent } from '@calm/contract';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { DateField } from '../../../parts/fields/DateField';
import { FromTo } from '../../../parts/fields/FromTo';
import styles from '../week/Demand.module.css';

type WeeklyService = Omit<ServicePatternContent, 'weekday'>;

/** What a service of the week is called, its hours, and from when to when it comes. */
export function ServiceFields({
  service,
  days,
  counts,
  onChange,
}: {
  readonly service: WeeklyService;
  /** On which weekday, or on which. */
  readonly days: ReactNode;
  /** How many usually go; absent where that is set elsewhere. */
  readonly counts?: ReactNode;
  readonly onChange: (to: Partial<WeeklyService>) => void;
}) {
  const { t } = useTranslation();
  const day = (key: 'firstDate' | 'lastDate') => (
    <DateField
      label={t(`demand.services.${key}`)}
      value={service[key]}
      onChange={(date) => onChange({ [key]: date })}
    />
  );
  return (
    <>
      <TextField
        autoFocus
        required
        size="small"
        label={t('demand.services.name')}
        helperText={t('demand.services.nameHow')}
        value={service.name}
        onChange={({ target }) => onChange({ name: target.value })}
        slotProps={{ htmlInput: { maxLength: 60 } }}
      />
      {days}
      <FromTo hours={service} nextDay={t('demand.services.nextDay')} onChange={onChange} />
      {counts}
      <div className={styles['pairs']}>
        {day('firstDate')}
        {day('lastDate')}
      </div>
      <p className="quiet small">{t('demand.services.endHow')}</p>
    </>
  );
}
