import type { FormulaContent, Mixer } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { TextCell } from '../../../parts/fields/TextCell';
import styles from './FormulaBasics.module.css';

const DOUGH_C = { min: 1, max: 40, decimals: 1 };

/** A formula's name, its dough's temperature off the mixer, and which mixer. */
export function FormulaBasics({
  content,
  mixers,
  onChange,
}: {
  readonly content: FormulaContent;
  readonly mixers: readonly Mixer[];
  readonly onChange: (to: Partial<FormulaContent>, what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const nameOf = (id: string) => mixers.find((mixer) => mixer.id === id)?.name ?? id;
  return (
    <div className={styles['basics']}>
      <TextCell
        label={t('formulas.new.name')}
        value={content.name}
        most={120}
        width={200}
        onCommit={(name) => onChange({ name }, t('formulas.edit.renamed', { name }))}
      />
      <Choice
        label={t('formulas.basics.mixer')}
        value={content.mixerId}
        values={mixers.map(({ id }) => id)}
        say={nameOf}
        onChange={(mixerId) => onChange({ mixerId }, nameOf(mixerId))}
      />
      <LabelledCell
        name={t('formulas.whatIf.doughTemp')}
        measure="temp"
        value={content.doughTempC}
        rule={DOUGH_C}
        step={0.5}
        onCommit={(doughTempC) =>
          onChange(
            { doughTempC },
            t('formulas.edit.changed', {
              what: t('formulas.whatIf.doughTemp'),
              to: f.temperature(doughTempC),
            }),
          )
        }
      />
    </div>
  );
}
