import { MIXER_KINDS, type Mixer, type MixerContent, type OutOfOrder } from '@calm/contract';
import { mixerCalled, usualMixer } from '@calm/domain/houses';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { DateField } from '../../../parts/fields/DateField';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useFormats } from '../../../parts/format/useFormats';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useHouse } from '../../../state/board/useBoard';
import { useRetirement } from '../../../state/api/useRetirement';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import { addDays, dateAt, midnightOf } from '../../../state/time/localDate';
import { useCursor } from '../../../state/time/useCursor';
import { useAddMixerMutation, useChangeMixerMutation, useRemoveMixerMutation } from '../houseApi';
import styles from '../House.module.css';

const NEW_MIXER: MixerContent = { name: '', ...usualMixer('planetary', 5), outOfOrder: null };
const KILOGRAMS = { min: 0, max: 500, decimals: 2 };

/** A mixer: what it is, what it takes, and whether it works. A maker's name says most of it. */
export function MixerDialog({
  mixer,
  timeZone,
  onClose,
}: {
  /** Null makes a new one. */
  readonly mixer: Mixer | null;
  readonly timeZone: string;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [add] = useAddMixerMutation();
  const [change] = useChangeMixerMutation();
  const [remove] = useRemoveMixerMutation();
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    MixerContent,
    Mixer
  >({
    house: useHouse(),
    record: mixer,
    contentOf: plainContent,
    of: 'mixer',
    start: () => NEW_MIXER,
    writes: { add, change, remove },
    retirement: useRetirement('mixers'),
    say: {
      kept: ({ name }) => t('house.mixers.kept', { name }),
      removed: ({ name }) => t('retired.done', { name }),
    },
    onClose,
  });
  const isTooSmall = content.maxDoughKg < content.minDoughKg;
  return (
    <RecordDialog
      title={mixer ? mixer.name : t('house.mixers.add')}
      wrong={isTooSmall ? t('house.mixers.leastOverMost') : wrong}
      isRestored={isRestored}
      onKeep={() => !isTooSmall && keep({ ...content, name: content.name.trim() })}
      onRemove={mixer ? takeOut : undefined}
      isRetired
      onClose={leave}
    >
      <TextField
        autoFocus
        required
        size="small"
        label={t('house.mixers.name')}
        helperText={t('house.mixers.nameHow', { size: f.kilograms(40_000, 0) })}
        value={content.name}
        onChange={({ target: { value: name } }) =>
          put({ name, ...(mixer === null && mixerCalled(name)) })
        }
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <Choice
        width="100%"
        label={t('house.mixers.kind')}
        value={content.kind}
        values={MIXER_KINDS}
        say={(kind) => t(`house.mixers.kinds.${kind}`)}
        onChange={(kind) => put(mixer === null ? usualMixer(kind, content.maxDoughKg) : { kind })}
      />
      <div className={styles['pair']}>
        <LabelledCell
          name={t('house.mixers.least')}
          measure="kilograms"
          value={content.minDoughKg}
          rule={KILOGRAMS}
          step={0.5}
          onCommit={(minDoughKg) => put({ minDoughKg })}
        />
        <LabelledCell
          name={t('house.mixers.most')}
          measure="kilograms"
          value={content.maxDoughKg}
          rule={{ ...KILOGRAMS, min: 0.5 }}
          step={0.5}
          onCommit={(maxDoughKg) => put({ maxDoughKg })}
        />
      </div>
      <p className="quiet small">{t('house.mixers.plate', { water: f.percent(60, 0) })}</p>
      <LabelledCell
        name={t('house.mixers.friction')}
        measure="tempDifference"
        value={content.frictionC}
        rule={{ min: 0, max: 40, decimals: 1 }}
        step={0.5}
        onCommit={(frictionC) => put({ frictionC })}
      />
      <p className="quiet small">{t('house.mixers.frictionWhy')}</p>
      <OutOfOrderFields
        value={content.outOfOrder}
        timeZone={timeZone}
        onChange={(outOfOrder) => put({ outOfOrder })}
      />
    </RecordDialog>
  );
}

/** From the morning of one day to the night of another it is not there to be planned with. */
function OutOfOrderFields({
  value,
  timeZone,
  onChange,
}: {
  readonly value: OutOfOrder | null;
  readonly timeZone: string;
  readonly onChange: (value: OutOfOrder | null) => void;
}) {
  const { t } = useTranslation();
  const { nowMs } = useCursor();
  const today = dateAt(nowMs, timeZone);
  const days = (first: string, last: string): OutOfOrder => ({
    from: new Date(midnightOf(first, timeZone)).toISOString(),
    until: new Date(midnightOf(addDays(last, 1), timeZone)).toISOString(),
  });
  const first = value === null ? today : dateAt(Date.parse(value.from), timeZone);
  const last = value === null ? today : addDays(dateAt(Date.parse(value.until), timeZone), -1);
  return (
    <>
      <FormControlLabel
        control={
          <Checkbox
            checked={value !== null}
            onChange={({ target }) => onChange(target.checked ? days(today, today) : null)}
          />
        }
        label={t('house.mixers.isOut')}
      />
      {value !== null && (
        <div className={styles['pair']}>
          <DateField
            isRequired
            label={t('house.mixers.outFrom')}
            value={first}
            onChange={(date) => date && onChange(days(date, date > last ? date : last))}
          />
          <DateField
            isRequired
            label={t('house.mixers.outLast')}
            value={last}
            onChange={(date) => date && onChange(days(date < first ? date : first, date))}
          />
        </div>
      )}
    </>
  );
}
