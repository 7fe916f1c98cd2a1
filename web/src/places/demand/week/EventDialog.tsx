import TextField from '@mui/material/TextField';
import type { EventContent, HouseEvent, Service } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useHouse } from '../../../state/board/useBoard';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import { useAddEventMutation, useChangeEventMutation, useRemoveEventMutation } from '../demandApi';

const EXPECTED = { min: 5, max: 500, decimals: 0 };
const WHOLE_DAY = 'day';

/** What is on, and what the house expects of it. */
export function EventDialog({
  date,
  services,
  event,
  onClose,
}: {
  readonly date: string;
  readonly services: readonly Service[];
  /** Null marks a new one. */
  readonly event: HouseEvent | null;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [add] = useAddEventMutation();
  const [change] = useChangeEventMutation();
  const [remove] = useRemoveEventMutation();
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    EventContent,
    HouseEvent
  >({
    house: useHouse(),
    record: event,
    contentOf: plainContent,
    of: 'event',
    start: () => ({ date, patternId: null, name: '', expectedPercent: 130, note: '' }),
    writes: { add, change, remove },
    say: {
      kept: ({ name }) => t('demand.event.kept', { name }),
      removed: ({ name }) => t('demand.event.removed', { name }),
    },
    onClose,
  });
  const formatServiceMessage = (id: string) =>
    services.find(({ patternId }) => patternId === id)?.name ?? t('demand.event.wholeDay');
  return (
    <RecordDialog
      title={t('demand.event.title', { date: f.date(date) })}
      wrong={wrong}
      onKeep={() => keep({ ...content, name: content.name.trim() })}
      onRemove={event ? takeOut : undefined}
      isRestored={isRestored}
      onClose={leave}
    >
      <TextField
        autoFocus
        required
        size="small"
        label={t('demand.event.name')}
        helperText={t('demand.event.nameHow')}
        value={content.name}
        onChange={(typed) => put({ name: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <Choice
        label={t('demand.event.when')}
        width="100%"
        value={content.patternId ?? WHOLE_DAY}
        values={[WHOLE_DAY, ...services.map(({ patternId }) => patternId)]}
        say={formatServiceMessage}
        onChange={(id) => put({ patternId: id === WHOLE_DAY ? null : id })}
      />
      <LabelledCell
        name={t('demand.event.expected')}
        unit="%"
        value={content.expectedPercent}
        rule={EXPECTED}
        step={5}
        onCommit={(expectedPercent) => put({ expectedPercent })}
      />
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
