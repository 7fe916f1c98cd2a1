import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { usePermission } from '../../state/api/usePermission';
import { Out } from './publish/ExportMenu';
import styles from './Plan.module.css';
import type { PlanEditing } from './editing/usePlanEditing';
import type { PlanWeek } from './editing/usePlanWeek';

export const ZOOMS = [12, 48, 96, 216] as const;

export type OpenDialog = 'publish' | 'what-if';

/** How many hours are shown, and what can be done with the plan. */
export function Toolbar({
  week,
  hours,
  editing,
  isBusy,
  isBegun,
  canSchedule,
  onOptimize,
  onStop,
  onOpen,
}: {
  readonly week: PlanWeek;
  readonly hours: (typeof ZOOMS)[number];
  readonly editing: PlanEditing;
  readonly isBusy: boolean;
  /** Something of the week is planned already. */
  readonly isBegun: boolean;
  readonly canSchedule: boolean;
  readonly onOptimize: () => void;
  readonly onStop: () => void;
  readonly onOpen: (dialog: OpenDialog) => void;
}) {
  const { t } = useTranslation();
  const mayPublish = usePermission('plan');
  const [params, setParams] = useSearchParams();
  return (
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
        <Button aria-haspopup="dialog" onClick={() => onOpen('what-if')}>
          {t('plan.whatIf')}
        </Button>
        <Button component={Link} to={`/${week.house}/plan/rehearsal`}>
          {t('plan.rehearse')}
        </Button>
        <Out week={week} />
        {isBusy ? (
          <Button variant="outlined" onClick={onStop}>
            {t('plan.stop')}
          </Button>
        ) : (
          <Button
            variant={isBegun ? 'outlined' : 'contained'}
            disabled={!canSchedule}
            onClick={onOptimize}
          >
            {t(isBegun ? 'plan.settleRest' : 'plan.settleWeek')}
          </Button>
        )}
        <Button
          variant="contained"
          disabled={!week.isDraft || isBusy || !mayPublish}
          title={mayPublish ? undefined : t('plan.onlyManagers')}
          aria-haspopup="dialog"
          onClick={() => onOpen('publish')}
        >
          {t('plan.publishDots')}
        </Button>
      </div>
    </div>
  );
}
