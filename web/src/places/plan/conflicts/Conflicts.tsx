import Button from '@mui/material/Button';
import { nameOf, type Conflict, type ConflictFix } from '@calm/core';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { simulator } from '../../../workers/plan/plan';
import { useLatest } from '../../../workers/useLatest';
import styles from '../Plan.module.css';
import type { PlanMessages } from './conflictMessages';
import type { PlanEditing } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';

/** Conflicts that are said before one asks for all of them. */
const SAID = 1;

/** What does not fit, in words, each with what mends it. */
export function Conflicts({
  week,
  conflicts,
  messages,
  editing,
  onSettle,
}: {
  readonly week: PlanWeek;
  readonly conflicts: readonly Conflict[];
  readonly messages: PlanMessages;
  readonly editing: PlanEditing;
  readonly onSettle: () => void;
}) {
  const { t } = useTranslation();
  const [isAll, setAll] = useState(false);
  if (conflicts.length === 0) return null;
  const said = isAll ? conflicts : conflicts.slice(0, SAID);
  return (
    <section className={styles['conflicts']} aria-label={t('plan.conflicts')}>
      <ul>
        {said.map((conflict, i) => (
          <li key={nameOf(conflict)}>
            <p>{messages.conflict(conflict)}</p>
            <ConflictFixes
              week={week}
              conflict={conflict}
              isAsked={i === 0}
              messages={messages}
              editing={editing}
              onSettle={onSettle}
            />
          </li>
        ))}
      </ul>
      {conflicts.length > SAID && (
        <Button size="small" onClick={() => setAll(!isAll)}>
          {isAll ? t('plan.fewer') : t('plan.all', { count: conflicts.length })}
        </Button>
      )}
    </section>
  );
}

interface ConflictFixQuestion extends Pick<PlanWeek, 'problem' | 'lots'> {
  readonly conflict: Conflict;
  readonly pins: PlanWeek['content']['pins'];
}
const askFixes = ({ problem, lots, conflict, pins }: ConflictFixQuestion): Promise<ConflictFix[]> =>
  simulator().fixes(problem, lots, conflict, pins);

/** What would take a conflict away; looked for at once for the first, on asking for the others. */
function ConflictFixes({
  week,
  conflict,
  isAsked,
  messages,
  editing,
  onSettle,
}: {
  readonly week: PlanWeek;
  readonly conflict: Conflict;
  readonly isAsked: boolean;
  readonly messages: PlanMessages;
  readonly editing: PlanEditing;
  readonly onSettle: () => void;
}) {
  const { t } = useTranslation();
  const [isWanted, setWanted] = useState(isAsked);
  const { problem, lots, content } = week;
  const byHand = conflict.kind !== 'open' && conflict.kind !== 'other-size';
  const isLooking = (isWanted || isAsked) && byHand;
  const question = useMemo(
    () => (isLooking ? { problem, lots, conflict, pins: content.pins } : null),
    [isLooking, problem, lots, conflict, content.pins],
  );
  const latest = useLatest(askFixes, question);
  const found = latest && latest.question === question ? latest.answer : null;
  return (
    <div className={styles['fixes']}>
      {(found ?? []).map((fix, i) => (
        <Button
          key={i}
          size="small"
          variant={i === 0 ? 'contained' : 'outlined'}
          onClick={() => editing.applyFix(fix)}
        >
          {messages.fix(fix)}
        </Button>
      ))}
      {byHand && !isLooking && (
        <Button size="small" variant="outlined" onClick={() => setWanted(true)}>
          {t('plan.whatMends')}
        </Button>
      )}
      {isLooking && found === null && <span className="quiet small">{t('plan.looking')}</span>}
      <Button size="small" onClick={onSettle}>
        {t('plan.settleRest')}
      </Button>
    </div>
  );
}
