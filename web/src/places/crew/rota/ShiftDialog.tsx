import type { Crew, ShiftPattern, ShiftPatternContent } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { FromTo } from '../../../parts/fields/FromTo';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { dateOf } from '../../../parts/format/weekdays';
import { useHouse } from '../../../state/board/useBoard';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import { useAddShiftMutation, useChangeShiftMutation, useRemoveShiftMutation } from '../crewApi';

const DAY = { startMin: 9 * 60, endMin: 17 * 60 };

/** A shift that comes every week. */
export function ShiftDialog({
  shift,
  personId,
  weekday,
  crew,
  onClose,
}: {
  /** Null makes a new one. */
  readonly shift: ShiftPattern | null;
  readonly personId: string;
  readonly weekday: number;
  readonly crew: Crew;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [add] = useAddShiftMutation();
  const [change] = useChangeShiftMutation();
  const [remove] = useRemoveShiftMutation();
  const name = crew.people.find(({ id }) => id === personId)?.name ?? '';
  const day = f.weekday(Date.parse(`${dateOf(weekday)}T12:00:00Z`));
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    ShiftPatternContent,
    ShiftPattern
  >({
    house: useHouse(),
    record: shift,
    contentOf: plainContent,
    of: `shift/${personId}/${weekday}`,
    start: () => ({ personId, weekday, ...DAY }),
    writes: { add, change, remove },
    say: {
      kept: () => t('crew.shift.kept', { name, day }),
      removed: () => t('crew.shift.removed', { name, day }),
    },
    onClose,
  });
  return (
    <RecordDialog
      title={t('crew.shift.title', { name, day })}
      wrong={wrong}
      onKeep={() => keep(content)}
      onRemove={shift ? takeOut : undefined}
      isRestored={isRestored}
      onClose={leave}
    >
      <FromTo hours={content} nextDay={t('crew.shift.nextDay')} onChange={put} />
      <p className="quiet small">{t('crew.shift.break')}</p>
    </RecordDialog>
  );
}
