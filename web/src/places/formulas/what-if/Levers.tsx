import Slider from '@mui/material/Slider';
import type { RouteDoughStage } from '@calm/core';
import { memo, useId, useLayoutEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './Levers.module.css';
import { formatRange } from '../formulaMessages';
import type { WhatIfState } from './useWhatIf';
import type { PlannedDough, WhatIf } from './whatIf';

/** Doses slide by their logarithm: a tenth is as far from its double as one percent from two. */
const DOSE_PERCENT = { min: 0.01, max: 4 };
const DOUGH_C = { min: 16, max: 32 };
const STRENGTH_W = { min: 160, max: 420 };
const AIR_C = { min: -1, max: 36 };

/** Everything one can pull at. */
export function Levers({
  dough,
  state,
}: {
  readonly dough: PlannedDough;
  readonly state: WhatIfState;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { shown, planned } = state;
  const { yeast } = dough.record.formula;
  // A lever that is not pulled is not drawn again; it asks for the newest state when it is.
  const newest = useRef(state);
  useLayoutEffect(() => {
    newest.current = state;
  }, [state]);
  const lever = (
    label: string,
    change: (whatIf: WhatIf, value: number) => WhatIf,
    props: Omit<LeverProps, 'label' | 'onPull' | 'onSettle'>,
  ) => (
    <Lever
      {...props}
      label={label}
      onPull={(value) => newest.current.pull(change(newest.current.shown, value))}
      onSettle={(value) =>
        newest.current.settle(
          change(newest.current.shown, value),
          t('formulas.whatIf.changed', { what: label, to: props.say(value) }),
        )
      }
    />
  );
  const stageLever =
    (index: number, to: (value: number) => Partial<WhatIf['stages'][number]>) =>
    (whatIf: WhatIf, value: number): WhatIf => ({
      ...whatIf,
      stages: whatIf.stages.map((stage, i) => (i === index ? { ...stage, ...to(value) } : stage)),
    });
  const log = (percent: number) => Math.log10(percent);
  const percentOf = (value: number) => Number((10 ** value).toPrecision(3));
  return (
    <div className={styles['levers']}>
      {lever(
        t('formulas.whatIf.dose', { form: t(`ingredient.${yeast.form} yeast`) }),
        (whatIf, value) => ({ ...whatIf, yeastPercent: percentOf(value) }),
        {
          value: log(shown.yeastPercent),
          planned: log(planned.yeastPercent),
          min: log(DOSE_PERCENT.min),
          max: log(DOSE_PERCENT.max),
          step: 0.005,
          say: (value) => f.percent(percentOf(value), 3),
        },
      )}
      {lever(t('formulas.whatIf.doughTemp'), (whatIf, doughTempC) => ({ ...whatIf, doughTempC }), {
        value: shown.doughTempC,
        planned: planned.doughTempC,
        ...DOUGH_C,
        step: 0.5,
        say: f.temperature,
      })}
      {lever(t('formulas.whatIf.strength'), (whatIf, strengthW) => ({ ...whatIf, strengthW }), {
        value: shown.strengthW,
        planned: planned.strengthW,
        ...STRENGTH_W,
        step: 5,
        say: (value) => `W ${f.count(value)}`,
      })}
      {dough.way.stages.map((stage, index) => {
        const now = shown.stages[index];
        const then = planned.stages[index];
        if (!now || !then) return null;
        const name = t(`rest.${stage.rest.key}`);
        return (
          <fieldset key={stage.rest.key + String(index)} className={styles['stage']}>
            <legend>
              {name} <span className="quiet">{stage.rest.place}</span>
            </legend>
            {lever(
              t('formulas.whatIf.hours'),
              stageLever(index, (hours) => ({ hours })),
              {
                about: name,
                value: now.hours,
                planned: then.hours,
                min: 0,
                max: longest(stage),
                step: 0.25,
                say: (hours) => formatRange(f, hours),
                hint: boundsHint(stage, now.hours)
                  ? t('formulas.whatIf.outside', {
                      least: formatRange(f, stage.rest.hours.least),
                      most: formatRange(f, stage.rest.hours.most),
                    })
                  : undefined,
              },
            )}
            {lever(
              t('formulas.whatIf.air'),
              stageLever(index, (airTempC) => ({ airTempC })),
              {
                about: name,
                value: now.airTempC,
                planned: then.airTempC,
                ...AIR_C,
                step: 0.5,
                say: f.temperature,
              },
            )}
          </fieldset>
        );
      })}
    </div>
  );
}

/** A slider reaches half as far again as the route allows: further would be another route. */
const longest = ({ rest }: RouteDoughStage) => Math.ceil(rest.hours.most * 1.5);

const boundsHint = ({ rest }: RouteDoughStage, hours: number) =>
  hours < rest.hours.least || hours > rest.hours.most;

interface LeverProps {
  readonly label: string;
  /** What it belongs to, where the label alone would not say. */
  readonly about?: string;
  readonly value: number;
  /** Where the house has it: marked on the slider. */
  readonly planned: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly say: (value: number) => string;
  readonly hint?: string | undefined;
  readonly onPull: (value: number) => void;
  readonly onSettle: (value: number) => void;
}

const Lever = memo(function Lever({
  label,
  about,
  value,
  planned,
  min,
  max,
  step,
  say,
  hint,
  onPull,
  onSettle,
}: LeverProps) {
  const f = useFormats();
  const id = useId();
  const name = about ? f.joined(about, label) : label;
  return (
    <div className={styles['lever']}>
      <span id={id}>{label}</span>
      <b data-changed={Math.abs(value - planned) > step / 2}>{say(value)}</b>
      <Slider
        className={styles['slider'] ?? ''}
        size="small"
        value={value}
        min={min}
        max={max}
        step={step}
        marks={[{ value: planned }]}
        getAriaLabel={() => name}
        getAriaValueText={say}
        onChange={(_event, to) => onPull(to as number)}
        onChangeCommitted={(_event, to) => onSettle(to as number)}
      />
      {hint && <span className={styles['hint']}>{hint}</span>}
    </div>
  );
}, isSameLever);

/** What a lever shows; what it does when pulled it looks up then. */
function isSameLever(a: LeverProps, b: LeverProps): boolean {
  return (
    a.label === b.label &&
    a.about === b.about &&
    a.value === b.value &&
    a.planned === b.planned &&
    a.min === b.min &&
    a.max === b.max &&
    a.step === b.step &&
    a.hint === b.hint
  );
}
