import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { changesBetween, type Conflict, type StepChange } from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../../parts/messages/Notices';
import { problemOf } from '../../../parts/messages/problemOf';
import styles from '../Plan.module.css';
import { usePublishMutation } from '../planApi';
import type { PlanWords } from '../planWords';
import type { PlanMessages } from '../conflicts/conflictMessages';
import type { PlanEditing } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';

/** What a change is, without whose. */
export function changeText({ kind, lot, step, wasMin }: StepChange, words: PlanWords): string {
  const what = words.t('plan.stepOf', { step: words.step(step, lot), lot: words.lot(lot) });
  return words.t(`plan.change.${kind}`, {
    what,
    at: words.moment(step.startMin),
    was: wasMin === null ? '' : words.moment(wasMin),
  });
}

/** What publishing changes for whom, and what is still to be seen to. */
export function PublishDialog({
  week,
  conflicts,
  words,
  messages,
  editing,
  onClose,
}: {
  readonly week: PlanWeek;
  readonly conflicts: readonly Conflict[];
  readonly words: PlanWords;
  readonly messages: PlanMessages;
  readonly editing: PlanEditing;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const [publish, { isLoading }] = usePublishMutation();
  const [wrong, setWrong] = useState<string | null>(null);
  const { house, content, lots, published } = week;
  const changes = changesBetween(
    published.version === 0 ? [] : week.publishedLots,
    lots,
    week.nowMin,
  );
  const people = [...week.problem.people.map(({ id }) => id)];
  const send = async () => {
    try {
      const mine = { ...content, lots };
      const publication = { version: published.version, content: mine };
      const { version } = await publish({ house, publication }).unwrap();
      editing.drop();
      const before = { version, content: published.content };
      changed(t('plan.published'), async () => {
        await publish({ house, publication: before }).unwrap();
        // What was published is a draft again.
        editing.take(mine);
      });
      onClose();
    } catch (error) {
      const isStale = problemOf(error)?.type === '/problems/stale';
      setWrong(t(isStale ? 'plan.stale' : 'errors.notSaved'));
    }
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>{t('plan.publishTitle')}</DialogTitle>
      <DialogContent className={styles['dialog'] ?? ''} tabIndex={0}>
        {conflicts.length > 0 && (
          <p className={styles['open']}>{t('plan.stillNotFitting', { count: conflicts.length })}</p>
        )}
        {content.assumptions.length > 0 && (
          <>
            <h3>{t('plan.restsOn')}</h3>
            <ul>
              {content.assumptions.map((assumption, i) => (
                <li key={i}>{messages.assumption(assumption)}</li>
              ))}
            </ul>
          </>
        )}
        <div className={styles['forWhom']}>
          {people.map((id) => {
            const own = changes.filter(({ personId }) => personId === id);
            const moved = own.filter(({ kind }) => kind !== 'same');
            return (
              <section key={id} aria-label={words.person(id)}>
                <h3>{words.person(id)}</h3>
                {moved.length === 0 ? (
                  <p className="quiet">
                    {own.length === 0
                      ? t('plan.nothingToDo')
                      : t('plan.asBefore', { count: own.length })}
                  </p>
                ) : (
                  <ul>
                    {moved.map((change) => (
                      <li
                        key={`${change.lot.id}${change.step.stage}${change.step.serviceId ?? ''}${change.kind}`}
                      >
                        {changeText(change, words)}
                      </li>
                    ))}
                  </ul>
                )}
              </section>
            );
          })}
        </div>
      </DialogContent>
      {wrong && (
        <p role="alert" className={styles['wrong']}>
          {wrong}
        </p>
      )}
      <DialogActions>
        <Button onClick={onClose}>{t('plan.notYet')}</Button>
        <Button variant="contained" disabled={isLoading} onClick={() => void send()}>
          {t('plan.publish')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
