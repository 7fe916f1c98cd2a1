import type { House, Oven } from '@calm/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import styles from '../House.module.css';
import { useChangeHouse } from '../../../state/api/useChangeHouse';

const NEW_OVEN: Oven = { name: '', heatUpMin: 60, ballsPerHour: 60 };
const HEAT_UP = { min: 0, max: 600, decimals: 0 };
const PER_HOUR = { min: 1, max: 2000, decimals: 0 };
const HEIGHT = { min: -500, max: 6000, decimals: 0 };

/** What bakes, how long it takes to be hot, how much it bakes; and how high the house stands. */
export function OvensDialog({
  house,
  onClose,
}: {
  readonly house: House;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { wrong, keep } = useChangeHouse(house, onClose);
  const [ovens, setOvens] = useState<readonly Oven[]>(house.settings.ovens ?? []);
  const [altitudeM, setAltitudeM] = useState(house.settings.altitudeM ?? 0);
  const put = (at: number, to: Partial<Oven>) =>
    setOvens((was) => was.map((oven, i) => (i === at ? { ...oven, ...to } : oven)));
  return (
    <RecordDialog
      title={t('house.ovens.title')}
      wrong={wrong}
      onKeep={() =>
        keep({ altitudeM, ovens: ovens.map((oven) => ({ ...oven, name: oven.name.trim() })) })
      }
      onClose={onClose}
    >
      {ovens.map((oven, at) => (
        <div
          key={at}
          role="group"
          aria-label={oven.name || t('house.ovens.number', { number: at + 1 })}
        >
          <TextField
            required
            fullWidth
            size="small"
            label={t('house.ovens.name')}
            value={oven.name}
            onChange={(typed) => put(at, { name: typed.target.value })}
            slotProps={{ htmlInput: { maxLength: 80 } }}
          />
          <div className={styles['pair']}>
            <LabelledCell
              name={t('house.ovens.heatUp')}
              unit={f.symbols.min}
              value={oven.heatUpMin}
              rule={HEAT_UP}
              step={5}
              onCommit={(heatUpMin) => put(at, { heatUpMin })}
            />
            <LabelledCell
              name={t('house.ovens.perHour')}
              unit=""
              value={oven.ballsPerHour}
              rule={PER_HOUR}
              step={5}
              onCommit={(ballsPerHour) => put(at, { ballsPerHour })}
            />
          </div>
          <Button
            size="small"
            onClick={() => setOvens((was) => was.filter((_, i) => i !== at))}
            aria-label={t('house.ovens.removeOf', { name: oven.name })}
          >
            {t('record.remove')}
          </Button>
        </div>
      ))}
      <Button variant="outlined" onClick={() => setOvens((was) => [...was, NEW_OVEN])}>
        {t('house.ovens.add')}
      </Button>
      <LabelledCell
        name={t('house.ovens.altitude')}
        unit={f.symbols.m}
        value={altitudeM}
        rule={HEIGHT}
        step={50}
        onCommit={setAltitudeM}
      />
      <p className="quiet small">{t('house.ovens.altitudeWhy')}</p>
    </RecordDialog>
  );
}
