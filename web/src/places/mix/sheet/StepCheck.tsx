import { NOT_YET, type MethodStep, type NotYet } from '@calm/contract';
import { MINUTE_MS } from '@calm/core';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { StepTick } from '../../../state/outbox/useMark';
import { useAddRecord } from '../../../state/outbox/useRecords';
import { useCursor } from '../../../state/time/useCursor';
import styles from './BatchSheet.module.css';

/** Minutes that each gives a step whose timer runs. */
const MINUTES: Readonly<Record<NotYet, number>> = { 'two-more': 2, rest: 10, later: 0 };

/**
 * Whether a step's dough is as it should be. As it should be, the step is done; not yet, what is done about it goes on
 * record, and the step's timer runs on from now.
 */
export function StepCheck({
  house,
  lotId,
  loadNumber,
  step,
  tick,
}: {
  readonly house: string;
  readonly lotId: string;
  readonly loadNumber: number;
  readonly step: MethodStep;
  readonly tick: StepTick;
}) {
  const { t } = useTranslation();
  const { nowMs } = useCursor();
  const add = useAddRecord(house);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { title } = step;
  const answer = (next: NotYet) => {
    setAnchor(null);
    const words = `${title}: ${t('notYet.say', { next: t(`notYet.next.${next}`) })}`;
    add(lotId, { kind: 'not-yet', loadNumber, stepKey: step.key, next, note: '' }, words);
    if (step.minutes === undefined || next === 'later') return;
    if (tick.startedAt === null) return tick.start();
    const goneMin = Math.ceil((nowMs - Date.parse(tick.startedAt)) / MINUTE_MS);
    // A timer that ran out begins again from now.
    tick.more(Math.max(0, goneMin - step.minutes - tick.extraMin) + MINUTES[next]);
  };
  return (
    <p className={styles['check']}>
      <Button
        variant="outlined"
        aria-label={t('notYet.passOf', { title })}
        disabled={tick.isSending}
        onClick={() => tick.toggle(true)}
      >
        {t('notYet.pass')}
      </Button>
      <Button
        aria-haspopup="menu"
        aria-label={t('notYet.of', { title })}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {t('notYet.title')}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {NOT_YET.map((next) => (
          <MenuItem key={next} onClick={() => answer(next)}>
            {t(`notYet.next.${next}`)}
          </MenuItem>
        ))}
        <MenuItem component={Link} to={`/${house}/tonight/what-now/${lotId}`}>
          {t('tonight.whatNow')}
        </MenuItem>
      </Menu>
    </p>
  );
}
