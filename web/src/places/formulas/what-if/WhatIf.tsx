import { HOUR_MS } from '@calm/core';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { formatOdds } from '../../../parts/format/odds';
import { Link, useParams } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Message } from '../../../parts/messages/Message';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useHouse } from '../../../state/board/useBoard';
import type { Way } from '../../../workers/engine/engineAnswers';
import { Levers } from './Levers';
import { PeakAt } from './PeakAt';
import { formatProblemMessage } from '../formulaMessages';
import { usePlannedDough } from './usePlannedDough';
import { useSimulation } from '../../../workers/engine/useSimulation';
import { useWhatIf } from './useWhatIf';
import { documentOf, stageHours, type PlannedDough } from './whatIf';
import styles from './WhatIf.module.css';
import { SimulationPicture, type HourRange } from './SimulationPicture';
import { SameResult } from './SameResult';
import { Working } from './Working';

/** What is between a first and a last decile. */
const FROM_TO = 0.8;

/** One product's dough to play with: pull at anything and see its whole way change. */
export function WhatIf() {
  const { t } = useTranslation();
  const house = useHouse();
  const slug = useParams()['product'] ?? '';
  const { dough, error, retry } = usePlannedDough(slug);
  if (error) return <Failed error={error} onRetry={retry} />;
  if (dough === null) return <WaitingPage />;
  if (dough === undefined) {
    return (
      <Message
        title={t('formulas.unknown')}
        text={t('formulas.unknownHow')}
        link={{ label: t('stops.formulas'), to: `/${house}/formulas` }}
      />
    );
  }
  return <Play key={dough.product.id} house={house} dough={dough} />;
}

type Stretch = 'whole' | 'end';

function Play({ house, dough }: { readonly house: string; readonly dough: PlannedDough }) {
  const { t } = useTranslation();
  const state = useWhatIf(house, dough);
  const { shown, planned, isChanged } = state;
  const [stretch, setStretch] = useState<Stretch>('whole');
  const document = useMemo(() => documentOf(dough, shown), [dough, shown]);
  const plannedDocument = useMemo(() => documentOf(dough, planned), [dough, planned]);
  const answer = useSimulation(document);
  const plannedAnswer = useSimulation(plannedDocument);
  const plannedWay = plannedAnswer?.ok ? plannedAnswer.value : null;
  const way = answer?.ok ? answer.value : null;
  const range = useMemo(
    () => rangeOf(dough, stageHours(dough, planned).at(-1) ?? 0, stretch),
    [dough, planned, stretch],
  );

  return (
    <Page
      title={t('formulas.whatIf.title', { product: dough.product.name })}
      lead={<Lead dough={dough} way={way} />}
      aside={
        <>
          {isChanged && (
            <Button variant="outlined" onClick={state.reset}>
              {t('formulas.whatIf.reset')}
            </Button>
          )}
          <StretchChoice stretch={stretch} onChange={setStretch} />
        </>
      }
    >
      <div className={styles['play']}>
        <div className={styles['main']}>
          {answer && !answer.ok && (
            <p role="alert" className={styles['cannot']}>
              {answer.reasons.map((reason) => formatProblemMessage(t, reason, dough)).join(' ')}
            </p>
          )}
          {way && (
            <SimulationPicture
              dough={dough}
              whatIf={shown}
              way={way}
              planned={isChanged || shown !== planned ? plannedWay : null}
              range={range}
            />
          )}
          <PeakAt dough={dough} state={state} />
          <SameResult dough={dough} document={document} />
          {way && <Working dough={dough} whatIf={shown} way={way} />}
        </div>
        <Levers dough={dough} state={state} />
      </div>
      <p className="quiet small">
        <Link to={`/${house}/formulas`}>{t('stops.formulas')}</Link> · {t('formulas.whatIf.advice')}
      </p>
    </Page>
  );
}

/** The whole way, or the hours around doors. */
function StretchChoice({
  stretch,
  onChange,
}: {
  readonly stretch: Stretch;
  readonly onChange: (stretch: Stretch) => void;
}) {
  const { t } = useTranslation();
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={stretch}
      aria-label={t('formulas.whatIf.stretch')}
      onChange={(_event, to: Stretch | null) => to && onChange(to)}
    >
      <ToggleButton value="whole">{t('formulas.whatIf.whole')}</ToggleButton>
      <ToggleButton value="end">{t('formulas.whatIf.end')}</ToggleButton>
    </ToggleButtonGroup>
  );
}

/** When it opens well, in one sentence, and how sure that is. */
function Lead({ dough, way }: { readonly dough: PlannedDough; readonly way: Way | null }) {
  const { t } = useTranslation();
  const f = useFormats();
  if (!way) return <>&nbsp;</>;
  const { window, spread } = way;
  if (window.kind === 'never') return <b data-testid="window">{t(`never.${window.why}`)}</b>;
  const at = (hour: number) =>
    Math.round((dough.mixedMs + hour * HOUR_MS) / SAID_TO_MS) * SAID_TO_MS;
  const early = Math.round((dough.doorsMs - at(window.earliestHour)) / 60_000);
  return (
    <span data-testid="window">
      <b>
        {early >= 0
          ? t('formulas.whatIf.readyBefore', { by: f.duration(early) })
          : t('formulas.whatIf.readyAfter', { by: f.duration(-early) })}
      </b>{' '}
      {t('formulas.whatIf.window', {
        from: f.moment(at(window.earliestHour)),
        peak: f.time(at(window.peakHour)),
        to: f.moment(at(window.latestHour)),
      })}{' '}
      {spread &&
        t(spread.mayMiss ? 'formulas.whatIf.notSure' : 'formulas.whatIf.sure', {
          odds: formatOdds(t, FROM_TO),
          from: f.time(at(spread.peakHour.p10)),
          to: f.time(at(spread.peakHour.p90)),
        })}
    </span>
  );
}

/** To five minutes: the window's own spread is far wider. */
const SAID_TO_MS = 5 * 60_000;

const AROUND_H = { before: 8, after: 12 };

/** Fixed by the plan, so that the picture does not slide about under a lever. */
function rangeOf(dough: PlannedDough, plannedH: number, stretch: Stretch): HourRange {
  const doors = (dough.doorsMs - dough.mixedMs) / HOUR_MS;
  const close = (dough.closeMs - dough.mixedMs) / HOUR_MS;
  const to = Math.max(close, plannedH) + (stretch === 'whole' ? 4 : 2);
  return stretch === 'whole'
    ? { from: 0, to }
    : { from: Math.max(0, doors - AROUND_H.before), to: Math.max(to, doors + AROUND_H.after) };
}
