import { DateField } from '../../../parts/fields/DateField';
import TextField from '@mui/material/TextField';
import type { ServicePattern, ServicePatternContent } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { FromTo } from '../../../parts/fields/FromTo';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useHouse } from '../../../state/board/useBoard';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import {
  useAddPatternMutation,
  useChangePatternMutation,
  useRemovePatternMutation,
} from '../demandApi';
import styles from '../week/Demand.module.css';
import { WEEKDAYS } from '../../../parts/format/weekdays';

const EVENING = { startMin: 17 * 60 + 30, endMin: 22 * 60 + 30 };

/** A service of the week: its name, its day, its hours, and from when to when it comes. */
export function PatternDialog({
  pattern,
  weekday,
  today,
  onClose,
}: {
  /** Null makes a new one, on this weekday. */
  readonly pattern: ServicePattern | null;
  readonly weekday: number;
  readonly today: string;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [add] = useAddPatternMutation();
  const [change] = useChangePatternMutation();
  const [remove] = useRemovePatternMutation();
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    ServicePatternContent,
    ServicePattern
  >({
    house: useHouse(),
    record: pattern,
    contentOf: plainContent,
    of: 'service',
    start: () => ({ name: '', weekday, ...EVENING, firstDate: today, lastDate: null }),
    writes: { add, change, remove },
    say: {
      kept: ({ name }) => t('demand.services.kept', { name }),
      removed: ({ name }) => t('demand.services.removed', { name }),
    },
    onClose,
  });
  const day = (key: 'firstDate' | 'lastDate') => (
    <DateField
      label={t(`demand.services.${key}`)}
      value={content[key]}
      onChange={(date) => put({ [key]: date })}
    />
  );
  return (
    <RecordDialog
      title={pattern ? pattern.name : t('demand.services.new')}
      wrong={wrong}
      onKeep={() => keep({ ...content, name: content.name.trim() })}
      onRemove={pattern ? takeOut : undefined}
      isRestored={isRestored}
      onClose={leave}
    >
      <TextField
        autoFocus
        required
        size="small"
        label={t('demand.services.name')}
        helperText={t('demand.services.nameHow')}
        value={content.name}
        onChange={(typed) => put({ name: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 60 } }}
      />
      <Choice
        label={t('demand.services.day')}
        width="100%"
        value={content.weekday}
        values={[1, 2, 3, 4, 5, 6, 7]}
        say={(each) => f.weekday(Date.parse(`${WEEKDAYS[each - 1]}T12:00:00Z`))}
        onChange={(to) => put({ weekday: to })}
      />
      <FromTo hours={content} nextDay={t('demand.services.nextDay')} onChange={put} />
      <div className={styles['pairs']}>
        {day('firstDate')}
        {day('lastDate')}
      </div>
      <p className="quiet small">{t('demand.services.endHow')}</p>
    </RecordDialog>
  );
}
