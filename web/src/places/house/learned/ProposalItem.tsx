import type { LearnedProposal, ProposalDecision } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import styles from '../House.module.css';
import { saidOf } from './learnedWords';

/** Windows that move less are as they were, min. */
const LEAST_MIN = 3;

/** What may become of a proposal as it stands. */
const NEXT: Readonly<Record<LearnedProposal['state'], readonly ProposalDecision['state'][]>> = {
  proposed: ['accepted', 'later'],
  later: ['accepted'],
  accepted: ['taken-back'],
  'taken-back': ['accepted'],
};
const NAMES = { accepted: 'accept', later: 'later', 'taken-back': 'back' } as const;

/** A number that the lots propose, in words: what it changes, how well it foretells, which lots say so. */
export function ProposalItem({
  house,
  proposal,
  onDecide,
}: {
  readonly house: string;
  readonly proposal: LearnedProposal;
  /** Null where somebody only looks. */
  readonly onDecide: ((state: ProposalDecision['state']) => void) | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { laterMin, lots, state } = proposal;
  const what = saidOf(t, f, proposal);
  const moved = (minutes: number, what: 'opens' | 'ends') =>
    t(`learned.${what}.${minutes < 0 ? 'earlier' : 'later'}`, {
      by: f.duration(Math.round(Math.abs(minutes))),
    });
  const moves = (['opens', 'ends'] as const).flatMap((key) =>
    laterMin && Math.abs(laterMin[key]) >= LEAST_MIN ? [moved(laterMin[key], key)] : [],
  );
  return (
    <li className={styles['proposal']}>
      <div>
        <b>{what}</b>
        <p>{moves.length > 0 ? moves.join(' ') : t('learned.windowsStay')}</p>
        <details>
          <summary>{t('learned.behind', { count: lots.length })}</summary>
          <p className={styles['codes']}>
            {lots.map((code, i) => (
              <Link key={`${code}/${i}`} to={`/${house}/log/${code}`}>
                {code}
              </Link>
            ))}
          </p>
        </details>
      </div>
      {onDecide && (
        <div className={styles['decide']}>
          {NEXT[state].map((next) => (
            <Button
              key={next}
              variant={next === 'accepted' ? 'contained' : 'outlined'}
              aria-label={t(`learned.${NAMES[next]}Of`, { what })}
              onClick={() => onDecide(next)}
            >
              {t(`learned.${NAMES[next]}`)}
            </Button>
          ))}
        </div>
      )}
    </li>
  );
}
