import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Failed } from '../../../parts/messages/Failed';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useHouse } from '../../../state/board/useBoard';
import { usePermission } from '../../../state/api/usePermission';
import { useCrewQuery } from '../crewApi';
import { CrewNav } from '../CrewNav';
import { DayDialog } from './DayDialog';
import { Days } from './Days';
import { ActivityLog } from './ActivityLog';
import type { Open } from '../open';
import { People } from './People';
import { PersonDialog } from './PersonDialog';
import { ShiftDialog } from './ShiftDialog';
import { WeekOfShifts } from './WeekOfShifts';

/** Who works here: their weeks, the days that differ, and what was done by whom. */
export function Crew() {
  const { t } = useTranslation();
  const house = useHouse();
  const mayChange = usePermission('crew');
  const { data: crew, error, refetch } = useCrewQuery(house);
  const [open, setOpen] = useState<Open | null>(null);
  if (error && !crew) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!crew) return <WaitingPage />;
  const onOpen = mayChange ? setOpen : null;
  const close = () => setOpen(null);
  return (
    <Page
      title={t('stops.crew')}
      lead={t(mayChange ? 'crew.lead' : 'crew.leadOthers')}
      aside={
        onOpen && (
          <>
            <Button
              variant="outlined"
              aria-haspopup="dialog"
              onClick={() => onOpen({ kind: 'day', of: null })}
            >
              {t('crew.day.add')}
            </Button>{' '}
            <Button
              variant="contained"
              aria-haspopup="dialog"
              onClick={() => onOpen({ kind: 'person', of: null })}
            >
              {t('crew.person.add')}
            </Button>
          </>
        )
      }
    >
      <CrewNav />
      <WeekOfShifts crew={crew} onOpen={onOpen} />
      <Days crew={crew} onOpen={onOpen} />
      <People crew={crew} onOpen={onOpen} />
      {mayChange && <ActivityLog crew={crew} />}
      {open?.kind === 'person' && <PersonDialog person={open.of} onClose={close} />}
      {open?.kind === 'shift' && (
        <ShiftDialog {...open} shift={open.of} crew={crew} onClose={close} />
      )}
      {open?.kind === 'day' && <DayDialog day={open.of} crew={crew} onClose={close} />}
    </Page>
  );
}
