import type { HouseBook, LearnedNumbers, LearnedProposal, ProposalDecision } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { WideTable } from '../../../parts/layout/WideTable';
import { Failed } from '../../../parts/messages/Failed';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useBookQuery } from '../../../state/api/api';
import { usePermission } from '../../../state/api/usePermission';
import { useHouse } from '../../../state/board/useBoard';
import styles from '../House.module.css';
import { HouseNav } from '../HouseNav';
import { AlwaysLearned } from './AlwaysLearned';
import { useDecideLearnedMutation, useLearnedQuery, useLearnNowMutation } from './learnedApi';
import { LearnedWorkPart } from './LearnedWorkPart';
import { numberName, saidOf, whatTells } from './learnedWords';
import { ProposalItem } from './ProposalItem';

const SAID = { accepted: 'accepted', later: 'putOff', 'taken-back': 'takenBack' } as const;

/** The house's own numbers: what its lots propose, what it goes by, and what is not known better yet. */
export function Learned() {
  const house = useHouse();
  const { data, error, refetch } = useLearnedQuery(house);
  const { data: book } = useBookQuery(house);
  if (error && !data) return <Failed error={error} onRetry={() => void refetch()} />;
  return data && book ? <LearnedOf house={house} book={book} numbers={data} /> : <WaitingPage />;
}

function LearnedOf({
  house,
  book,
  numbers: { inForce, proposals, fit },
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly numbers: LearnedNumbers;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { said, failed } = useNotices();
  const mayDecide = usePermission('book');
  const [decide] = useDecideLearnedMutation();
  const [learn, { isLoading: isLearning }] = useLearnNowMutation();
  const put = async ({ id, version }: LearnedProposal, state: ProposalDecision['state']) => {
    try {
      await decide({ house, id, decision: { version, state } }).unwrap();
      said(t(`learned.${SAID[state]}`));
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  const learnNow = async () => {
    try {
      await learn(house).unwrap();
      said(t('learned.learned'));
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  const of = (state: LearnedProposal['state']) => proposals.filter((each) => each.state === state);
  const list = (state: LearnedProposal['state'], none: string) => (
    <>
      {of(state).length === 0 && <p className="quiet">{none}</p>}
      <ul className={styles['list']}>
        {of(state).map((proposal) => (
          <ProposalItem
            key={proposal.id}
            house={house}
            proposal={proposal}
            onDecide={mayDecide ? (to) => void put(proposal, to) : null}
          />
        ))}
      </ul>
    </>
  );
  const unsure = fit?.constants.filter(({ isMoved }) => !isMoved) ?? [];
  return (
    <Page
      title={t('learned.title')}
      lead={t('learned.lead')}
      aside={
        mayDecide && (
          <Button variant="outlined" disabled={isLearning} onClick={() => void learnNow()}>
            {t('learned.now')}
          </Button>
        )
      }
    >
      <HouseNav />
      <p className={styles['fit']}>
        {fit
          ? [
              t('learned.at', { at: f.moment(Date.parse(fit.at)), count: fit.lots }),
              fit.constants.some(({ isMoved }) => isMoved)
                ? t('learned.error', {
                    before: f.percent(fit.riseErrorPercent.before, 1),
                    after: f.percent(fit.riseErrorPercent.after, 1),
                  })
                : '',
            ].join(' ')
          : t('learned.never')}
      </p>
      <section className={styles['section']} aria-label={t('learned.proposals')}>
        <h2>{t('learned.proposals')}</h2>
        {list('proposed', t('learned.noProposals'))}
      </section>
      <section className={styles['section']} aria-label={t('learned.inForce')}>
        <h2>{t('learned.inForce')}</h2>
        {inForce.map((constant) => (
          <p key={constant.name}>{saidOf(t, f, constant)}</p>
        ))}
        {list('accepted', t('learned.noneInForce'))}
      </section>
      {of('later').length > 0 && (
        <section className={styles['section']} aria-label={t('learned.laterTitle')}>
          <h2>{t('learned.laterTitle')}</h2>
          {list('later', '')}
        </section>
      )}
      {fit?.work && fit.work.length > 0 && (
        <LearnedWorkPart house={house} book={book} work={fit.work} mayPlan={mayDecide} />
      )}
      <AlwaysLearned house={house} book={book} />
      {unsure.length > 0 && (
        <section className={styles['section']} aria-label={t('learned.unsure.title')}>
          <h2>{t('learned.unsure.title')}</h2>
          <WideTable label={t('learned.unsure.title')}>
            <table className={styles['table']}>
              <thead>
                <tr>
                  {(['what', 'why', 'measure'] as const).map((key) => (
                    <th key={key} scope="col">
                      {t(`learned.unsure.${key}`)}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {unsure.map(({ name, why }) => (
                  <tr key={name}>
                    <th scope="row">{numberName(t, name)}</th>
                    <td>{t(`learned.why.${why}`)}</td>
                    <td>{whatTells(t, name)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </WideTable>
        </section>
      )}
    </Page>
  );
}
