import { changesBetween, type PlannedLot } from '@calm/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import { useTranslation } from 'react-i18next';
import styles from '../Plan.module.css';
import { changeText } from './PublishDialog';
import type { PlanWords } from '../planWords';
import type { PlanMessages } from '../conflicts/conflictMessages';
import type { PlanEditing } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';
import { useAssumption, type AssumedKind } from './useAssumption';
import { useWhatIf } from './useWhatIf';

/** What would break if something were otherwise, and what settles it. */
export function WhatIfDialog({
  week,
  words,
  messages,
  editing,
  first,
  onClose,
}: {
  readonly week: PlanWeek;
  readonly words: PlanWords;
  readonly messages: PlanMessages;
  readonly editing: PlanEditing;
  /** What is asked first, where the address says so. */
  readonly first: AssumedKind | null;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { assumption, fields } = useAssumption(week, words, first);
  const { answer, ask, isAsking } = useWhatIf(week);
  const isAnswered = answer?.assumption === JSON.stringify(assumption);
  const solvedLots = isAnswered ? answer.solved : null;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('plan.whatIf')}</DialogTitle>
      <DialogContent className={styles['dialog'] ?? ''} tabIndex={0}>
        {fields}
        <p>{messages.assumption(assumption)}</p>
        <Button variant="contained" disabled={isAsking} onClick={() => ask(assumption)}>
          {t('plan.seeWhat')}
        </Button>
        {isAsking && <LinearProgress aria-label={t('plan.looking')} />}
        {isAnswered && (
          <Answer week={week} breaks={answer.breaks} solvedLots={solvedLots} words={words} />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('plan.close')}</Button>
        <Button
          variant="contained"
          disabled={!isAnswered}
          onClick={() => {
            editing.take({
              ...week.content,
              lots: solvedLots ?? week.lots,
              assumptions: [...week.content.assumptions, assumption],
            });
            onClose();
          }}
        >
          {t('plan.takeIntoDraft')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What would break, and who would do what at other times. */
function Answer({
  week,
  breaks,
  solvedLots,
  words,
}: {
  readonly week: PlanWeek;
  readonly breaks: readonly string[];
  readonly solvedLots: readonly PlannedLot[] | null;
  readonly words: PlanWords;
}) {
  const { t } = useTranslation();
  const changes = solvedLots
    ? changesBetween(week.lots, solvedLots, week.nowMin).filter(({ kind: what }) => what !== 'same')
    : [];
  return (
    <div role="status">
      <h3>{t('plan.breaks', { count: breaks.length })}</h3>
      <ul>
        {breaks.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
      {solvedLots && (
        <>
          <h3>
            {changes.length > 0
              ? t('plan.settlesIt', { count: changes.length })
              : t('plan.nothingMoves')}
          </h3>
          <ul>
            {changes.map((change) => (
              <li
                key={`${change.personId}${change.lot.id}${change.step.stage}${change.step.serviceId ?? ''}${change.kind}`}
              >
                {words.person(change.personId)}: {changeText(change, words)}
              </li>
            ))}
          </ul>
        </>
      )}
      {!solvedLots && breaks.length > 0 && <p>{t('plan.notSettled')}</p>}
    </div>
  );
}
