import { DAY_MIN, type AirFrom } from '@calm/core';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { TimeOfDay } from '../../../parts/fields/TimeOfDay';
import styles from './PlaceDialog.module.css';

const AIR = { min: -5, max: 45, decimals: 1 };
const MOST = 24;
/** What a place is given to begin with: a kitchen from its morning on. */
const FIRST: AirFrom = { fromMin: 8 * 60, airC: 22 };
const STEP_MIN = 4 * 60;

/** How warm it is in a place by the hour; nothing leaves that to the routes. */
export function AirByHourFields({
  day,
  onChange,
}: {
  readonly day: readonly AirFrom[];
  readonly onChange: (day: readonly AirFrom[]) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const put = (at: number, to: Partial<AirFrom>) =>
    onChange(day.map((each, i) => (i === at ? { ...each, ...to } : each)));
  const next = (): AirFrom => {
    const last = day.at(-1);
    if (!last) return FIRST;
    let fromMin = (last.fromMin + STEP_MIN) % DAY_MIN;
    while (day.some((each) => each.fromMin === fromMin)) fromMin = (fromMin + 15) % DAY_MIN;
    return { fromMin, airC: last.airC };
  };
  return (
    <fieldset className={styles['air'] ?? ''}>
      <legend>{t('walkIn.setup.air')}</legend>
      {day.length === 0 && <p className="quiet small">{t('walkIn.setup.airNone')}</p>}
      {day.map((each, i) => (
        <div key={i} className={styles['airRow']}>
          <TimeOfDay
            label={t('walkIn.setup.airFrom')}
            minute={each.fromMin}
            isRequired
            onChange={(fromMin) => fromMin !== null && put(i, { fromMin })}
          />
          <LabelledCell
            name={t('walkIn.setup.airC')}
            label={t('walkIn.setup.airAt', { at: f.timeOfDay(each.fromMin) })}
            measure="temp"
            value={each.airC}
            rule={AIR}
            step={0.5}
            onCommit={(airC) => put(i, { airC })}
          />
          <Button
            aria-label={t('walkIn.setup.airRemoveAt', { at: f.timeOfDay(each.fromMin) })}
            onClick={() => onChange(day.filter((_, at) => at !== i))}
          >
            {t('walkIn.setup.airRemove')}
          </Button>
        </div>
      ))}
      <Button disabled={day.length >= MOST} onClick={() => onChange([...day, next()])}>
        {t('walkIn.setup.airAdd')}
      </Button>
    </fieldset>
  );
}
