import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import type { ServiceException, ServiceExceptionContent, ServicePattern } from '@calm/contract';
import { weekdayIndex } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { DateField } from '../../../parts/fields/DateField';
import { useFormats } from '../../../parts/format/useFormats';
import { FromTo } from '../../../parts/fields/FromTo';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import styles from './Demand.module.css';
import { useHouse } from '../../../state/board/useBoard';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import {
  useAddExceptionMutation,
  useChangeExceptionMutation,
  useRemoveExceptionMutation,
} from '../demandApi';

const WHOLE_DAY = 'day';
const CLOSED = { hours: null, joinsId: null };

const isOn = (pattern: ServicePattern | undefined, date: string) =>
  !pattern || pattern.weekday === weekdayIndex(date) + 1;
/** What a service is on such a day, besides one with another one. */
const HOW = ['closed', 'hours'];
const JOINS = 'joins/';

/** Days on which the house is closed, one service keeps other hours, or two are one. */
export function ExceptionDialog({
  date,
  patterns,
  exception,
  onClose,
}: {
  /** Of a new one. */
  readonly date: string;
  /** The services of the week. */
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
    start: () => ({
      date,
      lastDate: null,
      isYearly: false,
      patternId: null,
      joinsId: null,
      hours: null,
      note: '',
    }),
    writes: { add, change, remove },
    say: {
      kept: (kept) =>
        t(
          kept.hours || kept.joinsId ? 'demand.exception.hoursKept' : 'demand.exception.closedKept',
          { date: f.date(kept.date) },
        ),
      removed: (kept) => t('demand.exception.removed', { date: f.date(kept.date) }),
    },
    onClose,
  });
  const ofDay = patterns.filter(({ weekday }) => weekday === weekdayIndex(content.date) + 1);
  const pattern = ofDay.find(({ id }) => id === content.patternId);
  const others = ofDay.filter(({ id }) => id !== content.patternId);
  const nameOf = (id: string | null) => ofDay.find((each) => each.id === id)?.name;
  const how = content.joinsId ? JOINS + content.joinsId : content.hours ? 'hours' : 'closed';
  const sayHow = (each: string) =>
    each.startsWith(JOINS)
      ? t('demand.exception.oneWith', { name: nameOf(each.slice(JOINS.length)) })
      : t(`demand.exception.${each}`);
  const isBackwards = content.lastDate !== null && content.lastDate < content.date;
  return (
    <RecordDialog
      title={t('demand.exception.title', { date: f.date(content.date) })}
      wrong={isBackwards ? t('inputs.date-order') : wrong}
      onKeep={() => !isBackwards && keep({ ...content, note: content.note.trim() })}
      onRemove={exception ? takeOut : undefined}
      isRestored={isRestored}
      onClose={leave}
    >
      <div className={styles['pairs']}>
        <DateField
          isRequired
          label={t('demand.exception.date')}
          value={content.date}
          onChange={(to) =>
            to && put({ date: to, ...(!isOn(pattern, to) && { patternId: null, ...CLOSED }) })
          }
        />
        <DateField
          label={t('demand.exception.lastDate')}
          value={content.lastDate}
          onChange={(lastDate) => put({ lastDate })}
        />
      </div>
      <FormControlLabel
        label={t('demand.exception.isYearly')}
        control={
          <Checkbox checked={content.isYearly} onChange={(_event, isYearly) => put({ isYearly })} />
        }
      />
      <Choice
        label={t('demand.event.when')}
        width="100%"
        value={pattern?.id ?? WHOLE_DAY}
        values={[WHOLE_DAY, ...ofDay.map(({ id }) => id)]}
        say={(id) => nameOf(id) ?? t('demand.event.wholeDay')}
        onChange={(id) =>
          put(
            id === WHOLE_DAY
              ? { patternId: null, ...CLOSED }
              : { patternId: id, ...(content.joinsId === id && CLOSED) },
          )
        }
      />
      {!pattern && <p className="quiet small">{t('demand.exception.dayClosed')}</p>}
      {pattern && (
        <Choice
          label={t('demand.exception.how')}
          width="100%"
          value={how}
          values={[...HOW, ...others.map(({ id }) => JOINS + id)]}
          say={sayHow}
          onChange={(to) =>
            put({
              joinsId: to.startsWith(JOINS) ? to.slice(JOINS.length) : null,
              hours: to === 'hours' ? { startMin: pattern.startMin, endMin: pattern.endMin } : null,
            })
          }
        />
      )}
      {content.joinsId && (
        <p className="quiet small">
          {t('demand.exception.oneWithHow', { name: nameOf(content.joinsId) })}
        </p>
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
