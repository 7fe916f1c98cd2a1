import type { ServicePattern, ServicePatternContent } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useHouse } from '../../../state/board/useBoard';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import {
  useAddPatternMutation,
  useChangePatternMutation,
  useRemovePatternMutation,
} from '../demandApi';
import { ServiceFields } from './ServiceFields';
import { dateOf } from '../../../parts/format/weekdays';

/** A service of the week: its name, its day, its hours, and from when to when it comes. */
export function PatternDialog({
  pattern,
  onClose,
}: {
  readonly pattern: ServicePattern;
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
    start: () => plainContent(pattern),
    writes: { add, change, remove },
    say: {
      kept: ({ name }) => t('demand.services.kept', { name }),
      removed: ({ name }) => t('demand.services.removed', { name }),
    },
    onClose,
  });
  return (
    <RecordDialog
      title={pattern.name}
      wrong={wrong}
      onKeep={() => keep({ ...content, name: content.name.trim() })}
      onRemove={takeOut}
      isRestored={isRestored}
      onClose={leave}
    >
      <ServiceFields
        service={content}
        days={
          <Choice
            label={t('demand.services.day')}
            width="100%"
            value={content.weekday}
            values={f.weekdays}
            say={(each) => f.weekday(Date.parse(`${dateOf(each)}T12:00:00Z`))}
            onChange={(to) => put({ weekday: to })}
          />
        }
        onChange={put}
      />
    </RecordDialog>
  );
}
