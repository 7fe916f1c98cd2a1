import {
  contradictsItself,
  editLines,
  formulaOfGrams,
  HOME_UNITS,
  HOME_VOLUMES_ML,
  meantG,
  measuredG,
  usualHomeAmount,
  type EditLine,
  type Formula,
  type HomeAmount,
} from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useFormats } from '../../../parts/format/useFormats';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useDraft } from '../../../state/drafts/useDraft';
import styles from './HomeMeasures.module.css';
import { lineName } from './lineName';

const AMOUNT = { min: 0, max: 100_000, decimals: 2 };
const GRAMS = { min: 0, max: 100_000, decimals: 1 };
const DENSITY = { min: 0.05, max: 3, decimals: 2 };
const CUP = { min: 100, max: 400, decimals: 0 };

/** A recipe as it is written at home, by the lines' keys. */
interface HomeRecipe {
  readonly cupMl: number;
  readonly amounts: Readonly<Record<string, HomeAmount>>;
}

const keyOf = ({ key }: EditLine): string => JSON.stringify(key);

/** A recipe in cups, spoons and packets, made into weights; where it contradicts itself it is said. */
export function HomeMeasures({
  draftKey,
  formula,
  onUse,
  onClose,
}: {
  /** Under which what is typed is kept on the device. */
  readonly draftKey: string;
  readonly formula: Formula;
  readonly onUse: (formula: Formula) => void;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { draft, keep, drop } = useDraft<HomeRecipe>(draftKey);
  const [wrong, setWrong] = useState<string | null>(null);
  const { cupMl, amounts }: HomeRecipe = draft ?? { cupMl: HOME_VOLUMES_ML.cup, amounts: {} };
  const lines = editLines(formula);
  const amountOf = (line: EditLine) =>
    amounts[keyOf(line)] ?? usualHomeAmount(line.kind, formula.yeast.form);
  const put = (line: EditLine, to: Partial<HomeAmount>) =>
    keep({ cupMl, amounts: { ...amounts, [keyOf(line)]: { ...amountOf(line), ...to } } });
  const use = () => {
    try {
      const grams = lines.map((line) => meantG(amountOf(line), cupMl));
      onUse(formulaOfGrams(formula, grams));
    } catch {
      return setWrong(t('formulas.home.needs'));
    }
    drop();
    onClose();
  };
  return (
    <RecordDialog
      title={t('formulas.home.title')}
      width="sm"
      wrong={wrong}
      isRestored={draft !== undefined}
      onKeep={use}
      onClose={() => {
        drop();
        onClose();
      }}
    >
      <p className="quiet small">{t('formulas.home.why')}</p>
      <LabelledCell
        name={t('formulas.home.cup')}
        unit={f.symbols.ml}
        value={cupMl}
        rule={CUP}
        step={10}
        onCommit={(to) => keep({ cupMl: to, amounts })}
      />
      {lines.map((line) => (
        <HomeLine
          key={keyOf(line)}
          name={lineName(t, line)}
          kind={line.kind}
          amount={amountOf(line)}
          cupMl={cupMl}
          onChange={(to) => put(line, to)}
        />
      ))}
    </RecordDialog>
  );
}

/** One ingredient: how much of what, what that weighs, and what the recipe says it weighs. */
function HomeLine({
  name,
  kind,
  amount,
  cupMl,
  onChange,
}: {
  readonly name: string;
  readonly kind: EditLine['kind'];
  readonly amount: HomeAmount;
  readonly cupMl: number;
  readonly onChange: (to: Partial<HomeAmount>) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const isByVolume = amount.unit !== 'gram' && amount.unit !== 'packet';
  return (
    <div className={styles['line']} role="group" aria-label={name}>
      <div className={styles['name']}>
        <h3>{name}</h3>
        <b>{f.grams(meantG(amount, cupMl), 1)}</b>
      </div>
      <LabelledCell
        name={t('formulas.home.amount')}
        label={t('formulas.home.amountOf', { what: name })}
        unit=""
        value={amount.amount}
        rule={AMOUNT}
        step={0.5}
        onCommit={(to) => onChange({ amount: to })}
      />
      <Choice
        label={t('formulas.home.unit')}
        width={150}
        value={amount.unit}
        values={HOME_UNITS.filter((unit) => unit !== 'packet' || kind === 'yeast')}
        say={(unit) => t(`formulas.home.units.${unit}`)}
        onChange={(unit) => onChange({ unit })}
      />
      {isByVolume && (
        <LabelledCell
          name={t('formulas.home.density')}
          label={t('formulas.home.densityOf', { what: name })}
          unit={f.symbols.g}
          value={amount.gPerMl}
          rule={DENSITY}
          step={0.05}
          onCommit={(gPerMl) => onChange({ gPerMl })}
        />
      )}
      {amount.unit === 'packet' && (
        <LabelledCell
          name={t('formulas.home.packet')}
          unit={f.symbols.g}
          value={amount.packetG}
          rule={{ ...GRAMS, min: 1 }}
          step={1}
          onCommit={(packetG) => onChange({ packetG })}
        />
      )}
      {amount.unit !== 'gram' && (
        <LabelledCell
          name={t('formulas.home.stated')}
          label={t('formulas.home.statedOf', { what: name })}
          measure="grams"
          value={amount.statedG ?? 0}
          rule={GRAMS}
          step={5}
          onCommit={(to) => onChange({ statedG: to > 0 ? to : null })}
        />
      )}
      {kind === 'salt' && isByVolume && (
        <p className="quiet small">{t('formulas.home.saltGrain')}</p>
      )}
      {contradictsItself(amount, cupMl) && (
        <p role="note">
          {t('formulas.home.contradicts', {
            measured: f.grams(measuredG(amount, cupMl), 0),
            stated: f.grams(amount.statedG ?? 0, 0),
          })}
        </p>
      )}
    </div>
  );
}
