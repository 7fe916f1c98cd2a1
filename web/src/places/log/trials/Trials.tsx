import type { Trial, Verdict } from '@calm/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { Failed } from '../../../parts/messages/Failed';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useBookQuery } from '../../../state/api/api';
import { usePermission } from '../../../state/api/usePermission';
import { useHouse } from '../../../state/board/useBoard';
import { LogNav } from '../LogNav';
import { TrialDialog } from './TrialDialog';
import { TrialItem } from './TrialItem';
import styles from './Trials.module.css';
import { useAddVerdictMutation, useEndTrialMutation, useTrialsQuery } from './trialsApi';

/** Lots that differ in one thing, judged by people who are not told which is which. */
export function Trials() {
  const { t } = useTranslation();
  const house = useHouse();
  const mayTry = usePermission('mark');
  const [params, setParams] = useSearchParams();
  const proposed = params.get('change');
  const [isOpen, setOpen] = useState(proposed !== null);
  const { data: book } = useBookQuery(house);
  const { data: trials, error, refetch } = useTrialsQuery(house);
  const { failed, said } = useNotices();
  const [say] = useAddVerdictMutation();
  const [end] = useEndTrialMutation();
  const act = (work: () => Promise<unknown>, done: string) =>
    void work().then(
      () => said(done),
      (fault: unknown) => failed(problemWords(t, fault)),
    );
  const actsOn = ({ id, version }: Trial) => ({
    onSay: (choice: Verdict) =>
      act(
        () => say({ house, id, verdict: { id: crypto.randomUUID(), choice } }).unwrap(),
        t('trials.taken'),
      ),
    onEnd: () => act(() => end({ house, id, version }).unwrap(), t('trials.ended')),
  });
  if (error && !trials) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!trials || !book) return <WaitingPage />;
  return (
    <Page
      title={t('trials.title')}
      lead={t('trials.lead')}
      aside={
        mayTry && (
          <Button variant="contained" aria-haspopup="dialog" onClick={() => setOpen(true)}>
            {t('trials.new')}
          </Button>
        )
      }
    >
      <LogNav />
      {trials.length === 0 && <p className="quiet">{t('trials.none')}</p>}
      <ul className={styles['trials']}>
        {trials.map((trial) => (
          <TrialItem
            key={trial.id}
            house={house}
            trial={trial}
            acts={mayTry ? actsOn(trial) : null}
          />
        ))}
      </ul>
      {isOpen && (
        <TrialDialog
          house={house}
          book={book}
          begin={{ formulaId: params.get('formula') ?? '', change: proposed ?? '' }}
          onClose={() => {
            setOpen(false);
            setParams({}, { replace: true });
          }}
        />
      )}
    </Page>
  );
}
