import type { House } from '@calm/contract';
import type { WaterMethod } from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import styles from '../House.module.css';
import { useChangeHouse } from '../../../state/api/useChangeHouse';

const METHODS: readonly WaterMethod[] = ['learned', 'heat-balance', 'friction', 'base-sum'];
const TEMPS = ['room', 'flour', 'tap', 'preferment'] as const;
/** Degrees of a lean dough without a pre-ferment: a value to begin from. */
const USUAL_BASE_SUM_C = 57;

/** By what water is poured, and what thermometers usually show. */
export function WaterDialog({
  house,
  onClose,
}: {
  readonly house: House;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { wrong, keep } = useChangeHouse(house, onClose);
  const { pourBy, baseSumC, usualTempsC } = house.settings;
  const [change, setChange] = useState({
    pourBy,
    usualTempsC,
    ...(baseSumC !== undefined && { baseSumC }),
  });
  const put = (to: Partial<typeof change>) => setChange((was) => ({ ...was, ...to }));
  return (
    <RecordDialog
      title={t('house.water.title')}
      wrong={wrong}
      onKeep={() => keep(change)}
      onClose={onClose}
    >
      <Choice
        width="100%"
        label={t('house.water.pourBy')}
        value={change.pourBy}
        values={METHODS}
        say={(method) => t(`house.water.by.${method}`)}
        onChange={(method) =>
          put({
            pourBy: method,
            ...(method === 'base-sum' && { baseSumC: change.baseSumC ?? USUAL_BASE_SUM_C }),
          })
        }
      />
      {change.baseSumC !== undefined && (
        <LabelledCell
          name={t('house.water.baseSum')}
          measure="tempDifference"
          value={change.baseSumC}
          rule={{ min: 20, max: 120, decimals: 1 }}
          step={1}
          onCommit={(sum) => put({ baseSumC: sum })}
        />
      )}
      <p className="quiet small">{t('house.water.usually')}</p>
      <div className={styles['pair']}>
        {TEMPS.map((of) => (
          <LabelledCell
            key={of}
            name={t(`house.water.${of}`)}
            measure="temp"
            value={change.usualTempsC[of]}
            rule={{ min: -5, max: 50, decimals: 1 }}
            step={0.5}
            onCommit={(tempC) => put({ usualTempsC: { ...change.usualTempsC, [of]: tempC } })}
          />
        ))}
      </div>
    </RecordDialog>
  );
}
