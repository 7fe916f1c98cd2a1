import type { MethodStep } from '@calm/contract';
import type { LineKind, StepAddition } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './MethodPart.module.css';

const SHARE = { min: 0, max: 100, decimals: 1 };

/** How much of each kind of ingredient goes into the bowl at a step, percent of all of it. */
export function AddsFields({
  step,
  kinds,
  onChange,
}: {
  readonly step: MethodStep;
  /** What the formula has. */
  readonly kinds: readonly LineKind[];
  readonly onChange: (adds: readonly StepAddition[], what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const adds = step.adds ?? [];
  // What is told of one of several flours alone stays as it was written.
  const named = adds.filter(({ name }) => name !== undefined);
  const shareOf = (kind: LineKind) =>
    adds.find((each) => each.kind === kind && each.name === undefined)?.percent ?? 0;
  const put = (kind: LineKind, percent: number) => {
    const others = kinds
      .map((each) => ({ kind: each, percent: each === kind ? percent : shareOf(each) }))
      .filter((each) => each.percent > 0);
    const to = [...others, ...named];
    const what = f.joined(step.title, t(`formulas.method.kind.${kind}`), f.percent(percent));
    onChange(to, what);
  };
  return (
    <fieldset className={styles['adds']}>
      <legend>{t('formulas.method.adds')}</legend>
      {kinds.map((kind) => (
        <LabelledCell
          key={kind}
          name={t(`formulas.method.kind.${kind}`)}
          label={f.joined(step.title, t(`formulas.method.kind.${kind}`))}
          unit="%"
          value={shareOf(kind)}
          rule={SHARE}
          step={5}
          onCommit={(percent) => put(kind, percent)}
        />
      ))}
    </fieldset>
  );
}

/** Kinds of which steps add something, but not all, or more than all: by how much of each. */
export function addsOff(
  steps: readonly MethodStep[],
  kinds: readonly LineKind[],
): { readonly kind: LineKind; readonly percent: number }[] {
  const all = steps.flatMap(({ adds = [] }) => adds);
  if (all.length === 0) return [];
  return kinds
    .filter((kind) => all.every((each) => each.kind !== kind || each.name === undefined))
    .map((kind) => ({
      kind,
      percent: all.reduce((sum, each) => sum + (each.kind === kind ? each.percent : 0), 0),
    }))
    .filter(({ percent }) => Math.abs(percent - 100) > 0.05);
}
