import TextField from '@mui/material/TextField';
import type { ServiceException, ServiceExceptionContent, ServicePattern } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../parts/Choice';
import { useFormats } from '../../parts/format';
import { RecordDialog } from '../../parts/RecordDialog';
import { onOrAfter, TimeOfDay } from '../../parts/TimeOfDay';
import { useHouse } from '../../state/useBoard';
import { plainContent, useKeeping } from '../../state/useKeeping';
import styles from './Demand.module.css';
import {
  useAddExceptionMutation,
  useChangeExceptionMutation,
  useRemoveExceptionMutation,
} from './demandApi';

const WHOLE_DAY = 'day';
const HOW = ['closed', 'hours'] as const;

/** A day on which the house is closed, or one service keeps other hours. */
export function ExceptionDialog({
  date,
  patterns,
  exception,
  onClose,
}: {
  /** Of a new one. */
  readonly date: string;
  /** The services that the day has by its week. */
  readonly patterns: readonly ServicePattern[];
  readonly exception: ServiceException | null;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [add] = useAddExceptionMutation();
  const [change] = useChangeExceptionMutation();
  const [remove] = useRemoveExceptionMutation();
  const { keep, takeOut, wrong } = useKeeping<ServiceExceptionContent, ServiceException>({
    house: useHouse(),
    record: exception,
    contentOf: plainContent,
    writes: { add, change, remove },
    say: {
      kept: (kept) =>
        t(kept.hours ? 'demand.exception.hoursKept' : 'demand.exception.closedKept', {
          date: f.date(kept.date),
        }),
      removed: (kept) => t('demand.exception.removed', { date: f.date(kept.date) }),
    },
    onClose,
  });
  const [content, setContent] = useState<ServiceExceptionContent>(() =>
    exception ? plainContent(exception) : { date, patternId: null, hours: null, note: '' },
  );
  const put = (to: Partial<ServiceExceptionContent>) =>
    setContent((before) => ({ ...before, ...to }));
  const pattern = patterns.find(({ id }) => id === content.patternId);
  const how = content.hours ? 'hours' : 'closed';
  return (
    <RecordDialog
      title={t('demand.exception.title', { date: f.date(content.date) })}
      wrong={wrong}
      onKeep={() => keep(content)}
      onRemove={exception ? takeOut : undefined}
      onClose={onClose}
    >
      <Choice
        label={t('demand.event.when')}
        width="100%"
        value={content.patternId ?? WHOLE_DAY}
        values={[WHOLE_DAY, ...patterns.map(({ id }) => id)]}
        say={(id) => patterns.find((each) => each.id === id)?.name ?? t('demand.event.wholeDay')}
        onChange={(id) =>
          put(id === WHOLE_DAY ? { patternId: null, hours: null } : { patternId: id })
        }
      />
      {pattern && (
        <Choice
          label={t('demand.exception.how')}
          width="100%"
          value={how}
          values={HOW}
          say={(each) => t(`demand.exception.${each}`)}
          onChange={(to) =>
            put({
              hours: to === 'hours' ? { startMin: pattern.startMin, endMin: pattern.endMin } : null,
            })
          }
        />
      )}
      {content.hours && <Hours hours={content.hours} onChange={(hours) => put({ hours })} />}
      <TextField
        size="small"
        label={t('record.note')}
        value={content.note}
        onChange={(typed) => put({ note: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
    </RecordDialog>
  );
}

interface ServiceHours {
  readonly startMin: number;
  readonly endMin: number;
}

/** From when to when a service is held; an end on or before its start is the next morning's. */
export function Hours({
  hours: { startMin, endMin },
  onChange,
}: {
  readonly hours: ServiceHours;
  readonly onChange: (hours: ServiceHours) => void;
}) {
  const { t } = useTranslation();
  return (
    <div className={styles['pairs']}>
      <TimeOfDay
        isRequired
        label={t('demand.services.from')}
        minute={startMin}
        onChange={(minute) => {
          const start = minute ?? startMin;
          onChange({ startMin: start, endMin: onOrAfter(endMin % 1440, start) });
        }}
      />
      <TimeOfDay
        isRequired
        label={t('demand.services.to')}
        minute={endMin}
        onChange={(minute) =>
          onChange({ startMin, endMin: minute === null ? endMin : onOrAfter(minute, startMin) })
        }
      />
      {endMin > 1440 && <p className="quiet small">{t('demand.services.nextDay')}</p>}
    </div>
  );
}
