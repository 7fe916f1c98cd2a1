import { HOUR_MS, conflictsOf, type Conflict, demandsOf, weekFaults } from '@calm/core';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { Failed } from '../../parts/messages/Failed';
import { Message } from '../../parts/messages/Message';
import { Page } from '../../parts/layout/Page';
import { WaitingPage } from '../../parts/layout/WaitingPage';
import { useCursor } from '../../state/time/useCursor';
import { Assumptions } from './conflicts/Assumptions';
import { AtCursor } from './steps/AtCursor';
import { ClashPanel } from './conflicts/ConflictPanel';
import { Conflicts } from './conflicts/Conflicts';
import { doughWarnings, formatWarningMessage, warningName } from './conflicts/doughWarnings';
import { FaultList } from './conflicts/FaultList';
import { NotReadyList } from './conflicts/NotReadyList';
import { PlanDesk } from './PlanDesk';
import styles from './Plan.module.css';
import { planSteps } from './steps/planSteps';
import { usePlanWords, type PlanWords } from './planWords';
import { PublishDialog } from './publish/PublishDialog';
import { planMessages, type PlanMessages } from './conflicts/conflictMessages';
import { StepList } from './steps/StepList';
import { usePlanEditing, type PlanEditing } from './editing/usePlanEditing';
import { useSimulatedPlan } from './editing/useSimulatedPlan';
import { usePlanWeek, type PlanWeek } from './editing/usePlanWeek';
import { useOptimizer } from './editing/useOptimizer';
import { isAssumedKind, type AssumedKind } from './publish/useAssumption';
import { WhatIfDialog } from './publish/WhatIfDialog';
import { ZOOMS, type OpenDialog, Toolbar } from './Toolbar';
import { PlanState } from './PlanState';
import { useUndoKeys } from './editing/useUndoKeys';

/** The picture begins this share of its width before the cursor. */
const SHARE_BEFORE = 0.15;

/** The week's mixing, balling, chilling and pulling across people and places: shown, edited, scheduled, published. */
export function Plan() {
  const { t } = useTranslation();
  const { week, error, retry } = usePlanWeek();
  // A plan that was changed is drawn between frames; hands are never kept waiting for it.
  const shown = useDeferredValue(week);
  if (error) return <Failed error={error} onRetry={retry} />;
  if (!week || !shown) return <WaitingPage />;
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
  const editing = usePlanEditing(latest);
  const { state, optimize, leaveOut, stop, forget } = useOptimizer(latest, editing);
  const [asked, setAsked] = useAsked();
  const [opened, setDialog] = useState<OpenDialog | null>(null);
  const dialog = asked ? 'what-if' : opened;
  useUndoKeys(editing.undo, editing.redo);

  const simulated = useSimulatedPlan(week);
  const { conflicts, shown, openCount, isBegun } = useConflicts(week);
  const faults = useMemo(() => weekFaults(week.problem), [week.problem]);
  const messages = useMemo(() => planMessages(week, words), [week, words]);
  const isPlanned = openCount === 0;
  const { hours, fromMs, toMs } = useShownHours(atMs);
  const steps = useMemo(
    () => planSteps(week.lots, Math.floor(atMs / 60_000), Math.floor(toMs / 60_000)),
    [week.lots, atMs, toMs],
  );
  const isBusy = state.kind === 'optimizing' || state.kind === 'asking-why';

  return (
    <Page
      title={t('plan.title')}
      lead={
        <>
          {/* Read out once it stands still: that a schedule is there, that something clashes. */}
          <span aria-live={isBusy ? 'off' : 'polite'}>
            <PlanState
              week={week}
              state={state}
              conflicts={shown.length}
              openCount={isBegun ? 0 : openCount}
            />
          </span>{' '}
          {week.isDraft && !isBusy && (
            <Button size="small" onClick={editing.drop}>
              {t('plan.letGo')}
            </Button>
          )}
        </>
      }
    >
      {isBusy && <LinearProgress aria-label={t('plan.optimizing')} />}
      <FaultList faults={faults} words={words} house={week.house} />
      {state.kind === 'clash' && (
        <ClashPanel
          clash={state.clash}
          words={words}
          messages={messages}
          impossible={state.impossible}
          onTake={(way) => {
            forget();
            editing.assumption([
              ...week.content.assumptions,
              { kind: 'relaxation', relaxation: way },
            ]);
          }}
          onLeaveOut={leaveOut}
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
      {isPlanned && <DoughWarningList week={week} simulated={simulated} words={words} />}
      <NotReadyList week={week} words={words} />
      <Toolbar
        week={week}
        hours={hours}
        editing={editing}
        isBusy={isBusy}
        isBegun={isBegun}
        canSchedule={faults.every(({ kind }) => kind === 'no-skills')}
        onOptimize={optimize}
        onStop={stop}
        onOpen={setDialog}
      />
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
      {dialog && (
        <PlanDialog
          open={dialog}
          week={latest}
          conflicts={conflicts}
          words={words}
          messages={messages}
          editing={editing}
          first={asked}
          onClose={() => {
            setDialog(null);
            setAsked();
          }}
        />
      )}
    </Page>
  );
});

/** What cannot be as it stands; while nothing is planned yet, a service without dough is not a clash of its own. */
function useConflicts(week: PlanWeek) {
  const conflicts = useMemo(
    () => conflictsOf(week.problem, { lots: week.lots }),
    [week.problem, week.lots],
  );
  const isBegun = week.isDraft || week.published.version > 0;
  const shown = useMemo(
    () => (isBegun ? conflicts : conflicts.filter(({ kind }) => kind !== 'open')),
    [conflicts, isBegun],
  );
  const openCount = conflicts.filter(({ kind }) => kind === 'open').length;
  return { conflicts, shown, openCount, isBegun };
}

/** How much of time the picture shows, and from when to when. */
function useShownHours(atMs: number) {
  const [params] = useSearchParams();
  const hours = ZOOMS.find((zoom) => String(zoom) === params.get('hours')) ?? 48;
  const fromMs = Math.floor(atMs / HOUR_MS - hours * SHARE_BEFORE) * HOUR_MS;
  return { hours, fromMs, toMs: fromMs + hours * HOUR_MS };
}

/** What is not as it should be with the doughs of a plan that fits, the worst first. */
function DoughWarningList({
  week,
  simulated,
  words,
}: {
  readonly week: PlanWeek;
  readonly simulated: ReturnType<typeof useSimulatedPlan>;
  readonly words: PlanWords;
}) {
  const { t } = useTranslation();
  const warnings = useMemo(() => doughWarnings(simulated?.lots ?? [], week), [simulated, week]);
  if (warnings.length === 0) return null;
  return (
    <ul className={styles['warnings']} aria-label={t('plan.doughWarnings')}>
      {warnings.slice(0, 4).map((warning) => (
        <li key={warningName(warning)}>{formatWarningMessage(warning, words)}</li>
      ))}
    </ul>
  );
}

/** What the address asks about, e.g. from a shift; and how to have it asked no more. */
function useAsked(): [AssumedKind | null, () => void] {
  const [params, setParams] = useSearchParams();
  const asked = params.get('if');
  const forget = () => {
    if (asked === null) return;
    params.delete('if');
    setParams(params, { replace: true });
  };
  return [isAssumedKind(asked) ? asked : null, forget];
}

function PlanDialog({
  open,
  conflicts,
  first,
  ...rest
}: {
  readonly open: OpenDialog;
  readonly week: PlanWeek;
  readonly conflicts: readonly Conflict[];
  readonly words: PlanWords;
  readonly messages: PlanMessages;
  readonly editing: PlanEditing;
  /** What is asked about first; null where nothing is. */
  readonly first: AssumedKind | null;
  readonly onClose: () => void;
}) {
  return open === 'publish' ? (
    <PublishDialog conflicts={conflicts} {...rest} />
  ) : (
    <WhatIfDialog first={first} {...rest} />
  );
}
