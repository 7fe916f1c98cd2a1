import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { Failed } from '../../parts/Failed';
import { Message } from '../../parts/Message';
import { Page } from '../../parts/Page';
import { Waiting } from '../../parts/Waiting';
import { useBoard } from '../../state/useBoard';
import { useCursor } from '../../state/useCursor';
import { PlanPicture } from './PlanPicture';
import { isOpen, planSteps } from './planSteps';
import styles from './Plan.module.css';
import { StepList } from './StepList';

const HOUR_MS = 3_600_000;
const ZOOMS = [24, 48, 96] as const;
/** The picture begins this share of its width before the cursor. */
const SHARE_BEFORE = 0.15;

/** When to weigh, mix, ball, chill and pull each lot, counted back from doors, beside who is in. */
export function Plan() {
  const { t } = useTranslation();
  const { atMs } = useCursor();
  const { board, error, retry } = useBoard();
  const [params, setParams] = useSearchParams();
  if (error) return <Failed error={error} onRetry={retry} />;
  if (!board) return <Waiting />;
  if (board.lots.length === 0) {
    return (
      <Message
        title={t('plan.none')}
        text={t('plan.noneHow')}
        link={{ label: t('stops.demand'), to: `/${board.house}/demand?days=7` }}
      />
    );
  }
  const hours = ZOOMS.find((zoom) => String(zoom) === params.get('hours')) ?? 48;
  const fromMs = Math.floor(atMs / HOUR_MS - hours * SHARE_BEFORE) * HOUR_MS;
  const toMs = fromMs + hours * HOUR_MS;
  const steps = planSteps(board, atMs, toMs);
  const open = steps.filter(isOpen).length;
  return (
    <Page
      title={t('plan.title')}
      lead={
        open > 0 ? (
          <b className={styles['open']}>{t('plan.open', { count: open })}</b>
        ) : (
          t('plan.allCovered')
        )
      }
      aside={
        <ToggleButtonGroup
          exclusive
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
      }
    >
      <PlanPicture board={board} fromMs={fromMs} toMs={toMs} />
      <StepList board={board} steps={steps} />
    </Page>
  );
}
