import { RISE_MARKS, type LotRecord, type RiseMark } from '@calm/contract';
import { isRiseLikely, risenBy } from '@calm/core';
import { currentRecords } from '@calm/domain';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { NumberField } from '../fields/NumberField';
import { useFormats } from '../format/useFormats';
import { RecordDialog } from '../layout/RecordDialog';
import type { PutMeasure } from './putMeasure';
import styles from './Measures.module.css';
import { PhotoButton } from './PhotoButton';
import { PhotoMarks } from './PhotoMarks';
import { smallJpeg } from './smallJpeg';

const LENGTH = { min: 0.1, max: 10_000, decimals: 1, mayBeEmpty: true };

interface Lengths {
  readonly from: number | null;
  readonly now: number | null;
}

/** How far dough has risen: by a height in a tub, the width of a ball, or a photo of the tub. */
export function RisenDialog({
  records,
  onPut,
  onPhoto,
  onClose,
}: {
  readonly records: readonly LotRecord[];
  readonly onPut: PutMeasure;
  readonly onPhoto: (photo: File) => void;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const startOf = (on: RiseMark): Lengths => ({
    from:
      currentRecords(records, 'risen').findLast((each) => each.content.on === on)?.content.from ??
      null,
    now: null,
  });
  const [on, setOn] = useState<RiseMark>('tub');
  const [lengths, setLengths] = useState(() => startOf('tub'));
  const [photo, setPhoto] = useState<{ readonly file: File; readonly url: string } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const { from, now } = lengths;
  const rise = from && now ? risenBy(on, from, now) : null;
  const read = async (file: File) => {
    const jpeg = await smallJpeg(file).catch(() => null);
    setWrong(jpeg === null ? t('photo.unreadable') : null);
    if (jpeg === null) return;
    setLengths({ from: null, now: null });
    setPhoto({ file, url: `data:image/jpeg;base64,${jpeg}` });
  };
  const keep = () => {
    if (rise === null || from === null || now === null) return setWrong(t('numbers.empty'));
    if (photo) onPhoto(photo.file);
    onPut(
      { kind: 'risen', on, from, now, note: '' },
      t('measure.say.risen', { rise: f.times(rise), on: t(`measure.on.${on}`) }),
    );
  };
  return (
    <RecordDialog
      title={t('measure.kind.risen')}
      width="sm"
      wrong={wrong}
      onKeep={keep}
      onClose={onClose}
    >
      <ToggleButtonGroup
        exclusive
        value={on}
        aria-label={t('measure.kind.risen')}
        onChange={(_event, next: RiseMark | null) => {
          if (!next) return;
          setOn(next);
          setPhoto(null);
          setLengths(startOf(next));
        }}
      >
        {RISE_MARKS.map((each) => (
          <ToggleButton key={each} value={each}>
            {t(`measure.on.${each}`)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {photo ? (
        <PhotoMarks key={photo.url} source={photo.url} onMarks={setLengths} />
      ) : (
        <>
          <p className="quiet small">{t(`measure.how.${on}`)}</p>
          <div className={styles['pair']}>
            {(['from', 'now'] as const).map((key) => {
              const put = (value: number | null) => setLengths((was) => ({ ...was, [key]: value }));
              return (
                <NumberField
                  key={`${on}/${key}`}
                  label={t(`measure.${key}.${on}`)}
                  rule={LENGTH}
                  step={0.5}
                  value={lengths[key]}
                  onInput={put}
                  onCommit={put}
                />
              );
            })}
          </div>
        </>
      )}
      {on === 'tub' && (
        <PhotoButton name={t('measure.photo.take')} onPhoto={(file) => void read(file)} />
      )}
      {rise !== null && (
        <p role="status">
          {t('measure.times', { rise: f.times(rise) })}{' '}
          {!isRiseLikely(rise) && t('measure.unlikely')}
        </p>
      )}
    </RecordDialog>
  );
}
