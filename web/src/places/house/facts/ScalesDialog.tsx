import type { House } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useFormats } from '../../../parts/format/useFormats';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import styles from '../House.module.css';
import { useChangeHouse } from '../../../state/api/useChangeHouse';

/** Steps that scales are sold with, g. */
const STEPS_G = [0.01, 0.1, 0.5, 1, 2, 5, 10] as const;

/** What the scales show, and what stays behind of a dough. */
export function ScalesDialog({
  house,
  onClose,
}: {
  readonly house: House;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { wrong, keep } = useChangeHouse(house, onClose);
  const { scaleReadabilityG, residuePercent, residuePerLoadG, ballTolerancePercent } =
    house.settings;
  const [change, setChange] = useState({
    scaleReadabilityG,
    residuePercent,
    residuePerLoadG,
    ballTolerancePercent,
  });
  const put = (to: Partial<typeof change>) => setChange((was) => ({ ...was, ...to }));
  const stepsOf = (value: number) =>
    [...new Set([...STEPS_G, value])].toSorted((one, other) => one - other);
  const scale = (of: 'default' | 'yeast') => (
    <Choice
      width="100%"
      label={t(`house.scales.${of}`)}
      value={change.scaleReadabilityG[of]}
      values={stepsOf(change.scaleReadabilityG[of])}
      say={(step) => `${f.plain(step, 2)} ${f.symbols.g}`}
      onChange={(step) => put({ scaleReadabilityG: { ...change.scaleReadabilityG, [of]: step } })}
    />
  );
  return (
    <RecordDialog
      title={t('house.scales.title')}
      wrong={wrong}
      onKeep={() => keep(change)}
      onClose={onClose}
    >
      <div className={styles['pair']}>
        {scale('default')}
        {scale('yeast')}
      </div>
      <p className="quiet small">{t('house.scales.why')}</p>
      <div className={styles['pair']}>
        <LabelledCell
          name={t('house.scales.residue')}
          unit="%"
          value={change.residuePercent}
          rule={{ min: 0, max: 10, decimals: 2 }}
          step={0.1}
          onCommit={(residue) => put({ residuePercent: residue })}
        />
        <LabelledCell
          name={t('house.scales.perLoad')}
          measure="grams"
          value={change.residuePerLoadG}
          rule={{ min: 0, max: 5000, decimals: 0 }}
          step={10}
          onCommit={(perLoad) => put({ residuePerLoadG: perLoad })}
        />
      </div>
      <LabelledCell
        name={t('house.scales.tolerance')}
        unit="%"
        value={change.ballTolerancePercent}
        rule={{ min: 0.1, max: 20, decimals: 1 }}
        step={0.5}
        onCommit={(tolerance) => put({ ballTolerancePercent: tolerance })}
      />
    </RecordDialog>
  );
}
