import TextField from '@mui/material/TextField';
import type { ServiceException, ServiceExceptionContent, ServicePattern } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { FromTo } from '../../../parts/fields/FromTo';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useHouse } from '../../../state/board/useBoard';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import {
  useAddExceptionMutation,
  useChangeExceptionMutation,
  useRemoveExceptionMutation,
} from '../demandApi';

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
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    ServiceExceptionContent,
    ServiceException
  >({
    house: useHouse(),
    record: exception,
    contentOf: plainContent,
    of: 'other-hours',
    start: () => ({ date, patternId: null, hours: null, note: '' }),
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
  const pattern = patterns.find(({ id }) => id === content.patternId);
  const how = content.hours ? 'hours' : 'closed';
  return (
    <RecordDialog
      title={t('demand.exception.title', { date: f.date(content.date) })}
      wrong={wrong}
      onKeep={() => keep(content)}
      onRemove={exception ? takeOut : undefined}
      isRestored={isRestored}
      onClose={leave}
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
      {content.hours && (
        <FromTo
          hours={content.hours}
          nextDay={t('demand.services.nextDay')}
          onChange={(hours) => put({ hours })}
        />
      )}
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
