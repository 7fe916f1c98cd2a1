import Button from '@mui/material/Button';
import { CAUTIONS, type Method, type MethodStep } from '@calm/contract';
import type { LineKind } from '@calm/core';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { BlockList } from '../../../parts/layout/BlockList';
import { Caution } from '../../../parts/messages/Caution';
import { Choice } from '../../../parts/fields/Choice';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { TextCell } from '../../../parts/fields/TextCell';
import { useLibrary } from '../files/library';
import { AddsFields, addsOff } from './AddsFields';
import styles from './MethodPart.module.css';

const MINUTES = { min: 0, max: 600, decimals: 1 };
const SPEEDS = ['none', 'slow', 'fast', 'hand'] as const;

/** How the dough is mixed: the order of additions, how long, what to look and feel for. */
export function MethodPart({
  method,
  kinds,
  children,
  onChange,
}: {
  readonly method: Method;
  /** What its minutes come to. */
  readonly children?: ReactNode;
  /** What the formula has. */
  readonly kinds: readonly LineKind[];
  readonly onChange: (method: Method, what: string) => void;
}) {
  const { t } = useTranslation();
  const known = useKnownMethods();
  const put = (steps: readonly MethodStep[], what: string) => onChange({ ...method, steps }, what);
  const OWN = t('formulas.method.own');
  return (
    <section aria-label={t('formulas.page.part.method')}>
      <div className={styles['head']}>
        <TextCell
          label={t('formulas.method.name')}
          value={method.name}
          most={120}
          width={400}
          onCommit={(name) => onChange({ ...method, name }, t('formulas.edit.renamed', { name }))}
        />
        <Choice
          label={t('formulas.method.known')}
          width={320}
          value={known.some(({ name }) => name === method.name) ? method.name : OWN}
          values={[OWN, ...known.map(({ name }) => name)]}
          say={(name) => name}
          onChange={(name) => {
            const picked = known.find((each) => each.name === name);
            if (picked) onChange(picked, t('formulas.method.taken', { name }));
          }}
        />
      </div>
      <TextCell
        label={t('formulas.method.why')}
        value={method.why}
        most={500}
        isLong
        mayBeEmpty
        onCommit={(why) => onChange({ ...method, why }, t('formulas.method.why'))}
      />
      {children}
      <StepList
        steps={method.steps}
        label={t('formulas.method.steps')}
        kinds={kinds}
        onChange={put}
      />
    </section>
  );
}

/** Steps in order: changed, moved, added, removed; what they add up to of each ingredient where that is not all of it. */
export function StepList({
  steps,
  label,
  kinds,
  onChange,
}: {
  readonly steps: readonly MethodStep[];
  readonly label: string;
  /** What there is to go in. */
  readonly kinds: readonly LineKind[];
  readonly onChange: (steps: readonly MethodStep[], what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const change = (at: number, to: Partial<MethodStep>, what: string) =>
    onChange(
      steps.map((step, i) => (i === at ? cleaned({ ...step, ...to }) : step)),
      what,
    );
  return (
    <>
      <BlockList label={label} blocks={steps} nameOf={(step) => step.title} onChange={onChange}>
        {(step, i) => (
          <StepFields
            step={step}
            kinds={kinds}
            number={i + 1}
            onChange={(to, what) => change(i, to, what)}
          />
        )}
      </BlockList>
      {addsOff(steps, kinds).map(({ kind, percent }) => (
        <p key={kind} role="status" className="quiet">
          {t('formulas.method.addsOff', {
            kind: t(`formulas.method.kind.${kind}`),
            percent: f.percent(percent, 0),
          })}
        </p>
      ))}
      <EditOnly>
        <Button
          variant="outlined"
          onClick={() =>
            onChange(
              [...steps, newStep(steps, t('formulas.method.newStep'))],
              t('formulas.method.added'),
            )
          }
        >
          {t('formulas.method.add')}
        </Button>
      </EditOnly>
    </>
  );
}

/** One step: what is done, for how long, how fast, with what care, and what to look for. */
export function StepFields({
  step,
  kinds,
  number,
  onChange,
}: {
  readonly step: MethodStep;
  readonly kinds: readonly LineKind[];
  readonly number: number;
  readonly onChange: (to: Partial<MethodStep>, what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const changed = (what: string, to: string) => t('formulas.edit.changed', { what, to });
  return (
    <div className={styles['step']}>
      <TextCell
        label={t('formulas.method.title', { number })}
        value={step.title}
        most={80}
        width={260}
        onCommit={(title) => onChange({ title }, changed(step.title, title))}
      />
      <LabelledCell
        name={t('formulas.method.minutes')}
        label={f.joined(step.title, t('formulas.method.minutes'))}
        unit={f.symbols.min}
        value={step.minutes ?? 0}
        rule={MINUTES}
        step={1}
        onCommit={(minutes) => onChange({ minutes }, changed(step.title, f.duration(minutes)))}
      />
      {step.minutes !== undefined && (
        <LabelledCell
          name={t('formulas.method.least')}
          label={f.joined(step.title, t('formulas.method.least'))}
          unit={f.symbols.min}
          value={step.leastMinutes ?? 0}
          rule={{ ...MINUTES, max: step.minutes }}
          step={1}
          onCommit={(leastMinutes) =>
            onChange({ leastMinutes }, changed(step.title, f.duration(leastMinutes)))
          }
        />
      )}
      <Choice
        label={t('formulas.method.speed')}
        width={144}
        value={step.speed ?? 'none'}
        values={SPEEDS}
        say={(speed) => t(`mix.steps.${speed}`)}
        onChange={(speed) => onChange({ speed: speed as 'slow' }, t(`mix.steps.${speed}`))}
      />
      <Choice
        label={t('formulas.method.caution')}
        width={150}
        value={step.caution ?? 'none'}
        values={['none', ...CAUTIONS]}
        say={(caution) => t(`formulas.method.cautionOf.${caution}`)}
        onChange={(caution) =>
          onChange({ caution: caution as 'mixer' }, t(`formulas.method.cautionOf.${caution}`))
        }
      />
      <AddsFields step={step} kinds={kinds} onChange={(adds, what) => onChange({ adds }, what)} />
      <div className={styles['texts']}>
        <TextCell
          label={t('formulas.method.detail')}
          value={step.detail}
          most={500}
          isLong
          mayBeEmpty
          onCommit={(detail) => onChange({ detail }, changed(step.title, detail))}
        />
        <TextCell
          label={t('formulas.method.lookFor')}
          value={step.lookFor ?? ''}
          most={500}
          isLong
          mayBeEmpty
          onCommit={(lookFor) => onChange({ lookFor }, changed(step.title, lookFor))}
        />
      </div>
      {step.caution && <Caution about={step.caution} />}
    </div>
  );
}

/** Every method of the library, each once. */
function useKnownMethods(): readonly Method[] {
  const formulas = useLibrary()?.formulas ?? [];
  const methods = formulas.flatMap(({ method }) => method ?? []);
  return methods.filter((method, i) => methods.findIndex(({ name }) => name === method.name) === i);
}

/** Without what says nothing. */
function cleaned(step: MethodStep): MethodStep {
  const { minutes, leastMinutes = 0, speed, caution, lookFor, adds, ...rest } = step;
  return {
    ...rest,
    ...(minutes !== undefined && minutes > 0 && { minutes }),
    ...(leastMinutes > 0 &&
      minutes !== undefined &&
      minutes > 0 && { leastMinutes: Math.min(leastMinutes, minutes) }),
    ...(speed !== undefined && (speed as string) !== 'none' && { speed }),
    ...(caution !== undefined && (caution as string) !== 'none' && { caution }),
    ...(lookFor && { lookFor }),
    ...(adds && adds.length > 0 && { adds }),
  };
}

function newStep(steps: readonly MethodStep[], title: string): MethodStep {
  let number = steps.length + 1;
  while (steps.some(({ key }) => key === `step-${number}`)) number += 1;
  return { key: `step-${number}`, title, detail: '' };
}
