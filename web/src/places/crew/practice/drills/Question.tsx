import type {
  ChoiceQuestion,
  CutQuestion,
  DrillAnswer,
  DrillQuestion,
  NumberQuestion,
} from '@calm/domain';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useTheme } from '@mui/material/styles';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { NumberField } from '../../../../parts/fields/NumberField';
import { useFormats } from '../../../../parts/format/useFormats';
import styles from './Drill.module.css';
import { factWords } from './factWords';

interface Asked<Kind extends DrillQuestion> {
  readonly question: Kind;
  /** What was answered; null until something was. */
  readonly said: DrillAnswer | null;
  readonly onSay: (answer: DrillAnswer) => void;
}

/** A question, and how it is answered. */
export function Question({ question, said, onSay }: Asked<DrillQuestion>) {
  switch (question.kind) {
    case 'number':
      return <OfNumber {...{ question, said, onSay }} />;
    case 'choice':
      return <OfChoice {...{ question, said, onSay }} />;
    case 'cut':
      return <OfCut {...{ question, said, onSay }} />;
  }
}

const TEMPERATURE = { min: -20, max: 100, decimals: 1, mayBeEmpty: true };
const KILOGRAMS = { min: 0, max: 500, decimals: 2, mayBeEmpty: true };

function OfNumber({ question, said, onSay }: Asked<NumberQuestion>) {
  const { t } = useTranslation();
  const f = useFormats();
  const [value, setValue] = useState<number | null>(null);
  const { skill, told, unit } = question;
  return (
    <>
      <p className={styles['asked']}>{t(`practice.drill.${skill}.ask`, factWords(t, f, told))}</p>
      {said === null && (
        <form
          className={styles['answer']}
          onSubmit={(submit) => {
            submit.preventDefault();
            // Masses are typed in kilograms and asked about in grams.
            if (value !== null) onSay(unit === 'mass' ? 1000 * value : value);
          }}
        >
          <NumberField
            label={t(`practice.drill.${skill}.field`)}
            value={value}
            measure={unit === 'temperature' ? 'temp' : 'kilograms'}
            rule={unit === 'temperature' ? TEMPERATURE : KILOGRAMS}
            onInput={setValue}
            onCommit={setValue}
          />
          <Button type="submit" variant="contained" size="large" disabled={value === null}>
            {t('practice.reading.say')}
          </Button>
        </form>
      )}
    </>
  );
}

function OfChoice({ question: { about, told, options }, said, onSay }: Asked<ChoiceQuestion>) {
  const { t } = useTranslation();
  const f = useFormats();
  const best = Math.max(...options.map(({ worth }) => worth));
  return (
    <>
      <p className={styles['asked']} id="drill-asked">
        {t(`practice.drill.${about}`, factWords(t, f, told))}
      </p>
      <div className={styles['options']} role="group" aria-labelledby="drill-asked">
        {options.map(({ key, told: own = {}, worth }, i) => (
          <Button
            key={key}
            size="large"
            variant={said === i || (said !== null && worth === best) ? 'contained' : 'outlined'}
            color={said === i && worth < best ? 'error' : 'primary'}
            disabled={said !== null && said !== i && worth < best}
            aria-pressed={said === i}
            onClick={() => {
              if (said === null) onSay(i);
            }}
          >
            {key.startsWith('cause.')
              ? t(`diagnose.cause.${key.slice('cause.'.length)}`)
              : t(`practice.drill.${key}`, factWords(t, f, own))}
          </Button>
        ))}
      </div>
    </>
  );
}

const DRAWN = { width: 400, height: 90 } as const;
const CUT_STEP = 0.005;

function OfCut({ question, said, onSay }: Asked<CutQuestion>) {
  const { t } = useTranslation();
  const f = useFormats();
  const [at, setAt] = useState(0.5);
  const { wantedG, wholeG, thickness } = question;
  const { width, height } = DRAWN;
  const middle = height / 2;
  const most = Math.max(...thickness);
  const y = (thick: number) => (thick / most) * (middle - 4);
  const top = thickness.map(
    (thick, i) => `L${((i + 0.5) * width) / thickness.length} ${middle - y(thick)}`,
  );
  const under = thickness
    .map((thick, i) => `L${((i + 0.5) * width) / thickness.length} ${middle + y(thick)}`)
    .reverse();
  const cut = (said ?? at) * width;
  // A slider begins where reading begins; the dough lies as it lies.
  const isTurned = useTheme().direction === 'rtl';
  const turned = (share: number) => (isTurned ? 1 - share : share);
  const asked = { wanted: f.grams(wantedG, 0), whole: f.kilograms(wholeG, 2) };
  return (
    <>
      <p className={styles['asked']}>{t('practice.drill.dividing.ask', asked)}</p>
      <div className={styles['dough']} dir="ltr">
        <svg
          viewBox={`0 0 ${width} ${height}`}
          role="img"
          aria-label={t('practice.drill.dividing.drawn', asked)}
        >
          <path
            d={`M0 ${middle}${top.join('')}L${width} ${middle}${under.join('')}Z`}
            fill="var(--oat)"
            opacity={0.5}
          />
          <line x1={cut} x2={cut} y1={0} y2={height} stroke="var(--ink)" strokeWidth={2} />
        </svg>
        {said === null && (
          <Slider
            value={turned(at)}
            min={0}
            max={1}
            step={CUT_STEP}
            aria-label={t('practice.drill.dividing.cut')}
            onChange={(_event, to) => setAt(turned(to))}
          />
        )}
      </div>
      {said === null && (
        <Button variant="contained" size="large" onClick={() => onSay(at)}>
          {t('practice.drill.dividing.do')}
        </Button>
      )}
    </>
  );
}
