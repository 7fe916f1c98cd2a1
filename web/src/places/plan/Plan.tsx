import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { conflictsOf, demandsOf, gapPercent, weekFaults } from '@calm/core';
import { memo, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { Failed } from '../../parts/messages/Failed';
import { Message } from '../../parts/messages/Message';
import { Page } from '../../parts/layout/Page';
import { Waiting } from '../../parts/messages/Waiting';
import { useCursor } from '../../state/time/useCursor';
import { usePermission } from '../../state/api/usePermission';
import { Assumptions } from './conflicts/Assumptions';
import { AtCursor } from './steps/AtCursor';
import { ClashPanel } from './conflicts/ConflictPanel';
import { Conflicts } from './conflicts/Conflicts';
import { doughWarnings, formatWarningMessage, warningName } from './conflicts/doughWarnings';
import { FaultList } from './conflicts/FaultList';
import { Out } from './publish/ExportMenu';
import { PlanDesk } from './PlanDesk';
import styles from './Plan.module.css';
import { planSteps } from './steps/planSteps';
import { usePlanWords } from './planWords';
import { PublishDialog } from './publish/PublishDialog';
import { planMessages } from './conflicts/conflictMessages';
import { StepList } from './steps/StepList';
import { usePlanEditing } from './editing/usePlanEditing';
import { useSimulatedPlan } from './editing/useSimulatedPlan';
import { usePlanWeek, type PlanWeek } from './editing/usePlanWeek';
import { useOptimizer, type OptimizerState } from './editing/useOptimizer';
import { WhatIfDialog } from './publish/WhatIfDialog';

const HOUR_MS = 3_600_000;
const ZOOMS = [12, 48, 96, 216] as const;
/** The picture begins this share of its width before the cursor. */
const SHARE_BEFORE = 0.15;

/** The week's mixing, balling, chilling and pulling across people and places: shown, bent, settled, published. */
export function Plan() {
  const { t } = useTranslation();
  const { week, error, retry } = usePlanWeek();
  // A plan that was changed is drawn between frames; hands are never kept waiting for it.
  const shown = useDeferredValue(week);
  if (error) return <Failed error={error} onRetry={retry} />;
  if (!week || !shown) return <Waiting />;
  if (demandsOf(week.problem).length === 0) {
    return (
      <Message
        title={t('plan.none')}
        text={t('plan.noneHow')}
        link={{ label: t('stops.demand'), to: `/${week.house}/demand?days=7` }}
      />
    );
  }
  return <WeekPlan week={shown} latest={week} />;
}

const WeekPlan = memo(function WeekPlan({
  week,
  latest,
}: {
  /** As it is drawn. */
  readonly week: PlanWeek;
  /** As it is: what is done is done to it. */
  readonly latest: PlanWeek;
}) {
  const { t } = useTranslation();
  const { atMs } = useCursor();
  const words = usePlanWords(week);
  const mayPublish = usePermission('plan');
  const editing = usePlanEditing(latest);
  const { state, optimize, stop, forget } = useOptimizer(latest, editing);
  const [params, setParams] = useSearchParams();
  const [dialog, setDialog] = useState<'publish' | 'what-if' | null>(null);
  useUndoKeys(editing.undo, editing.redo);

  const simulated = useSimulatedPlan(week);
  const conflicts = useMemo(
    () => conflictsOf(week.problem, { lots: week.lots }),
    [week.problem, week.lots],
  );
  const faults = useMemo(() => weekFaults(week.problem), [week.problem]);
  const messages = useMemo(() => planMessages(week, words), [week, words]);
  const open = conflicts.filter(({ kind }) => kind === 'open');
  const isPlanned = open.length === 0;
  // While nothing is planned yet, each service that wants dough is not a clash of its own.
  const isBegun = week.isDraft || week.published.version > 0;
  const shown = useMemo(
    () => (isBegun ? conflicts : conflicts.filter(({ kind }) => kind !== 'open')),
    [conflicts, isBegun],
  );
  const warnings = useMemo(() => doughWarnings(simulated?.lots ?? [], week), [simulated, week]);

  const hours = ZOOMS.find((zoom) => String(zoom) === params.get('hours')) ?? 48;
  const fromMs = Math.floor(atMs / HOUR_MS - hours * SHARE_BEFORE) * HOUR_MS;
  const toMs = fromMs + hours * HOUR_MS;
  const steps = useMemo(
    () => planSteps(week.lots, Math.floor(atMs / 60_000), Math.floor(toMs / 60_000)),
    [week.lots, atMs, toMs],
  );
  const isBusy = state.kind === 'settling' || state.kind === 'asking-why';

  return (
    <Page
      title={t('plan.title')}
      lead={
        <>
          <ServiceState
            week={week}
            state={state}
            conflicts={shown.length}
            openCount={isBegun ? 0 : open.length}
          />{' '}
          {week.isDraft && !isBusy && (
            <Button size="small" onClick={editing.drop}>
              {t('plan.letGo')}
            </Button>
          )}
        </>
      }
    >
      {isBusy && <LinearProgress aria-label={t('plan.settling')} />}
      <FaultList faults={faults} words={words} house={week.house} />
      {state.kind === 'clash' && (
        <ClashPanel
          clash={state.clash}
          words={words}
          messages={messages}
          onTake={(way) => {
            forget();
            editing.assumption([
              ...week.content.assumptions,
              { kind: 'relaxation', relaxation: way },
            ]);
          }}
        />
      )}
      <Assumptions week={week} messages={messages} editing={editing} />
      {state.kind !== 'clash' && !isBusy && (
        <Conflicts
          week={week}
          conflicts={shown}
          messages={messages}
          editing={editing}
          onSettle={optimize}
        />
      )}
      {isPlanned && warnings.length > 0 && (
        <ul className={styles['warnings']} aria-label={t('plan.doughWarnings')}>
          {warnings.slice(0, 4).map((warning) => (
            <li key={warningName(warning)}>{formatWarningMessage(warning, words)}</li>
          ))}
        </ul>
      )}
      <div className={styles['zoomRow']}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={hours}
          aria-label={t('plan.zoom')}
          onChange={(_event, value: number | null) => {
            if (value === null) return;
            params.set('hours', String(value));
            setParams(params, { replace: true });
          }}
        >
          {ZOOMS.map((zoom) => (
            <ToggleButton key={zoom} value={zoom}>
              {t(`plan.hours.${zoom}`)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <div className={styles['actions']}>
          <Button disabled={!editing.undo} onClick={() => editing.undo?.()}>
            {t('plan.undo')}
          </Button>
          <Button disabled={!editing.redo} onClick={() => editing.redo?.()}>
            {t('plan.redo')}
          </Button>
          <Button onClick={() => setDialog('what-if')}>{t('plan.whatIf')}</Button>
          <Out week={week} />
          {isBusy ? (
            <Button variant="outlined" onClick={stop}>
              {t('plan.stop')}
            </Button>
          ) : (
            <Button
              variant={isBegun ? 'outlined' : 'contained'}
              disabled={faults.some(({ kind }) => kind !== 'no-skills')}
              onClick={optimize}
            >
              {t(isBegun ? 'plan.settleRest' : 'plan.settleWeek')}
            </Button>
          )}
          <Button
            variant="contained"
            disabled={!week.isDraft || isBusy || !mayPublish}
            title={mayPublish ? undefined : t('plan.onlyManagers')}
            onClick={() => setDialog('publish')}
          >
            {t('plan.publishDots')}
          </Button>
        </div>
      </div>
      <AtCursor lots={week.lots} atMs={atMs} words={words} />
      <PlanDesk
        week={week}
        fromMs={fromMs}
        toMs={toMs}
        words={words}
        messages={messages}
        editing={editing}
        simulated={simulated}
        conflicts={shown}
      />
      <StepList steps={steps} timeZone={week.book.house.timeZone} words={words} />
      {dialog === 'publish' && (
        <PublishDialog
          week={latest}
          conflicts={conflicts}
          words={words}
          messages={messages}
          editing={editing}
          onClose={() => setDialog(null)}
        />
      )}
      {dialog === 'what-if' && (
        <WhatIfDialog
          week={latest}
          words={words}
          messages={messages}
          editing={editing}
          onClose={() => setDialog(null)}
        />
      )}
    </Page>
  );
});

/** How the plan stands, in a sentence. */
function ServiceState({
  week,
  state,
  conflicts,
  openCount,
}: {
  readonly week: PlanWeek;
  readonly state: OptimizerState;
  readonly conflicts: number;
  /** Services without dough while nothing is planned yet. */
  readonly openCount: number;
}) {
  const { t } = useTranslation();
  const percent = (gap: number) => (gap < 0.05 ? 0 : Math.round(gap * 10) / 10);
  const far = (gap: number | null) =>
    gap === null
      ? ''
      : percent(gap) === 0
        ? t('plan.noBetter')
        : t('plan.within', { percent: percent(gap) });
  if (state.kind === 'settling') {
    const gap = state.solved ? gapPercent(state.solved) : null;
    const isOpen = (state.solved?.open ?? 1) > 0;
    return isOpen ? t('plan.lookingForPlan') : `${t('plan.improving')} ${far(gap)}`;
  }
  if (state.kind === 'asking-why') return t('plan.askingWhy');
  if (openCount > 0) return t('plan.notPlanned', { count: openCount });
  if (conflicts > 0) {
    return <b className={styles['open']}>{t('plan.notFitting', { count: conflicts })}</b>;
  }
  const fits = t(week.isDraft ? 'plan.draftFits' : 'plan.fits');
  const isKnown = state.kind === 'done' && state.of === week.content;
  return isKnown ? `${fits} ${far(state.gapPercent)}` : fits;
}

/** Ctrl+Z and Ctrl+Shift+Z on this page take the plan back and forth. */
function useUndoKeys(undo: (() => void) | null, redo: (() => void) | null): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isField = (event.target as HTMLElement).matches('input, textarea, select');
      const key = event.key.toLowerCase();
      const isCommand = (event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y');
      if (!isCommand || isField) return;
      const act = key === 'y' || event.shiftKey ? redo : undo;
      if (!act) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      act();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [undo, redo]);
}
