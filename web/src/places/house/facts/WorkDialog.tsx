import { STANDARD_KITCHEN, type House, type Kitchen } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { TimeOfDay } from '../../../parts/fields/TimeOfDay';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import styles from '../House.module.css';
import { useChangeHouse } from '../../../state/api/useChangeHouse';

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
  const f = useFormats();
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
        <LabelledCell
          name={t('house.work.tubLitres')}
          unit={f.symbols.l}
          value={kitchen.tubLitres ?? 0}
          rule={{ min: 0, max: 1000, decimals: 0 }}
          step={1}
          onCommit={(litres) => setKitchen((was) => withTub(was, litres))}
        />
        {(['length', 'width'] as const).map((side) => (
          <LabelledCell
            key={side}
            name={t(`house.work.tray.${side}`)}
            unit={f.symbols.cm}
            value={kitchen.trayCm?.[side] ?? 0}
            rule={{ min: 0, max: 300, decimals: 1 }}
            step={1}
            onCommit={(cm) => setKitchen((was) => withTray(was, side, cm))}
          />
        ))}
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

/** A kitchen whose tubs hold so much; 0 says nothing of them. */
function withTub({ tubLitres: _before, ...kitchen }: Kitchen, litres: number): Kitchen {
  return litres > 0 ? { ...kitchen, tubLitres: litres } : kitchen;
}

/** A kitchen with trays so long or wide; a side without a length says nothing of them. */
function withTray({ trayCm, ...kitchen }: Kitchen, side: 'length' | 'width', cm: number): Kitchen {
  const other = trayCm ?? { length: USUAL_TRAY_CM.length, width: USUAL_TRAY_CM.width };
  return cm > 0 ? { ...kitchen, trayCm: { ...other, [side]: cm } } : kitchen;
}

/** The other side, until somebody has measured it. */
const USUAL_TRAY_CM = { length: 60, width: 40 } as const;
