import { STANDARD_KITCHEN, type House, type Kitchen } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { TimeOfDay } from '../../../parts/fields/TimeOfDay';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import styles from '../House.module.css';
import { useChangeHouse } from '../useChangeHouse';

/** Room at the bench, tubs, and the hours at which nobody likes to work. */
export function WorkDialog({
  house,
  onClose,
}: {
  readonly house: House;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { wrong, keep } = useChangeHouse(house, onClose);
  const [kitchen, setKitchen] = useState<Kitchen>(house.settings.kitchen ?? STANDARD_KITCHEN);
  const put = (to: Partial<Kitchen>) => setKitchen((was) => ({ ...was, ...to }));
  return (
    <RecordDialog
      title={t('house.work.title')}
      wrong={wrong}
      onKeep={() => keep({ kitchen })}
      onClose={onClose}
    >
      <div className={styles['pair']}>
        <LabelledCell
          name={t('house.work.bench')}
          unit=""
          value={kitchen.benchPlaces}
          rule={{ min: 1, max: 30, decimals: 0 }}
          step={1}
          onCommit={(benchPlaces) => put({ benchPlaces })}
        />
        <LabelledCell
          name={t('house.work.tub')}
          measure="kilograms"
          value={kitchen.tubKg}
          rule={{ min: 1, max: 200, decimals: 1 }}
          step={1}
          onCommit={(tubKg) => put({ tubKg })}
        />
        <TimeOfDay
          label={t('house.work.unsocialFrom')}
          minute={kitchen.unsocialFromMin}
          isRequired
          onChange={(minute) => minute !== null && put({ unsocialFromMin: minute })}
        />
        <TimeOfDay
          label={t('house.work.unsocialUntil')}
          minute={kitchen.unsocialUntilMin}
          isRequired
          onChange={(minute) => minute !== null && put({ unsocialUntilMin: minute })}
        />
      </div>
      <p className="quiet small">{t('house.work.why')}</p>
    </RecordDialog>
  );
}
