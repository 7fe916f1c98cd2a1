import { DateField } from '../../../parts/fields/DateField';
import TextField from '@mui/material/TextField';
import type { Crew, ShiftException, ShiftExceptionContent } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { FromTo } from '../../../parts/fields/FromTo';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useBookQuery } from '../../../state/api/api';
import { addDays, dateAt } from '../../../state/time/localDate';
import { useHouse } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import { useAddDayMutation, useChangeDayMutation, useRemoveDayMutation } from '../crewApi';

const INSTEAD = { startMin: 12 * 60, endMin: 20 * 60 };

/** How a day differs for somebody. */
const HOW = ['away', 'awayThen', 'inThen'] as const;

/** A day on which somebody is away, for all of it or some hours, or comes at other hours than their week says. */
export function DayDialog({
  day,
  crew: { people },
  onClose,
}: {
  /** Null makes a new one. */
  readonly day: ShiftException | null;
  readonly crew: Crew;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { nowMs } = useCursor();
  const timeZone = useBookQuery(house).data?.house.timeZone ?? 'UTC';
  const [add] = useAddDayMutation();
  const [change] = useChangeDayMutation();
  const [remove] = useRemoveDayMutation();
  const nameOf = (id: string) => people.find((person) => person.id === id)?.name ?? '';
  const said = ({ personId, date }: ShiftExceptionContent) => ({
    name: nameOf(personId),
    date: f.date(date),
  });
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    ShiftExceptionContent,
    ShiftException
  >({
    house,
    record: day,
    contentOf: plainContent,
    of: 'rota-change',
    start: () => ({
      personId: people[0]?.id ?? '',
      date: addDays(dateAt(nowMs, timeZone), 1),
      isAway: true,
      hours: null,
      note: '',
    }),
    writes: { add, change, remove },
    say: {
      kept: (kept) => t('crew.day.kept', said(kept)),
      removed: (gone) => t('crew.day.removed', said(gone)),
    },
    onClose,
  });
  return (
    <RecordDialog
      title={t(day ? 'crew.day.change' : 'crew.day.add')}
      wrong={wrong}
      onKeep={() => keep({ ...content, note: content.note.trim() })}
      onRemove={day ? takeOut : undefined}
      isRestored={isRestored}
      onClose={leave}
    >
      <Choice
        label={t('crew.day.who')}
        width="100%"
        value={content.personId}
        values={people.map(({ id }) => id)}
        say={nameOf}
        onChange={(personId) => put({ personId })}
      />
      <DateField
        isRequired
        label={t('crew.day.date')}
        value={content.date}
        onChange={(date) => date && put({ date })}
      />
      <Choice
        label={t('crew.day.how.label')}
        width="100%"
        value={howOf(content)}
        values={HOW}
        say={(how) => t(`crew.day.how.${how}`)}
        onChange={(how) =>
          put({
            isAway: how !== 'inThen',
            hours: how === 'away' ? null : (content.hours ?? INSTEAD),
          })
        }
      />
      {content.hours && (
        <FromTo
          hours={content.hours}
          nextDay={t('crew.shift.nextDay')}
          onChange={(hours) => put({ hours })}
        />
      )}
      <TextField
        size="small"
        label={t('record.note')}
        value={content.note}
        onChange={(typed) => put({ note: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <p className="quiet small">
        {t(howOf(content) === 'awayThen' ? 'crew.day.keeps' : 'crew.day.replaces')}
      </p>
    </RecordDialog>
  );
}

const howOf = ({ hours, isAway }: ShiftExceptionContent): (typeof HOW)[number] => {
  if (hours === null) return 'away';
  return isAway ? 'awayThen' : 'inThen';
};
