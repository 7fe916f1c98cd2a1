import { isOneDay } from '@calm/domain';
import Button from '@mui/material/Button';
import type { HouseCalendar, ServiceException, ServicePattern } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useBookQuery } from '../../../state/api/api';
import { dateAt } from '../../../state/time/localDate';
import { useHouse } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import { useCalendarQuery } from '../demandApi';
import { DemandNav } from '../DemandNav';
import { ExceptionDialog } from '../week/ExceptionDialog';
import { HolidaysDialog } from './HolidaysDialog';
import { NewServicesDialog } from './NewServicesDialog';
import { PatternDialog } from './PatternDialog';
import styles from './Services.module.css';
import { UsualCounts } from './UsualCounts';
import { dateOf } from '../../../parts/format/weekdays';

type Open =
  | { readonly kind: 'new' }
  | { readonly kind: 'pattern'; readonly of: ServicePattern }
  | { readonly kind: 'holidays' }
  | { readonly kind: 'exception'; readonly of: ServiceException | null };

/** When the house sells: its week, and the days that differ. */
export function Services() {
  const { t } = useTranslation();
  const house = useHouse();
  const { nowMs } = useCursor();
  const timeZone = useBookQuery(house).data?.house.timeZone ?? 'UTC';
  const { data: calendar, error, refetch } = useCalendarQuery(house);
  const [open, setOpen] = useState<Open | null>(null);
  if (error && !calendar) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!calendar) return <WaitingPage />;
  const today = dateAt(nowMs, timeZone);
  return (
    <Page
      title={t('demand.services.title')}
      lead={t('demand.services.lead')}
      aside={
        <EditOnly>
          <Button
            variant="contained"
            aria-haspopup="dialog"
            onClick={() => setOpen({ kind: 'new' })}
          >
            {t('demand.services.add')}
          </Button>
        </EditOnly>
      }
    >
      <DemandNav />
      <Week calendar={calendar} today={today} onOpen={setOpen} />
      <UsualCounts calendar={calendar} patterns={inForceOn(calendar, today)} />
      <Differing calendar={calendar} today={today} onOpen={setOpen} />
      {open?.kind === 'new' && <NewServicesDialog today={today} onClose={() => setOpen(null)} />}
      {open?.kind === 'pattern' && (
        <PatternDialog pattern={open.of} onClose={() => setOpen(null)} />
      )}
      {open?.kind === 'holidays' && (
        <HolidaysDialog {...{ calendar, today, timeZone }} onClose={() => setOpen(null)} />
      )}
      {open?.kind === 'exception' && (
        <ExceptionDialog
          date={open.of?.date ?? today}
          patterns={calendar.patterns}
          exception={open.of}
          onClose={() => setOpen(null)}
        />
      )}
    </Page>
  );
}

interface Shown {
  readonly calendar: HouseCalendar;
  readonly today: string;
  readonly onOpen: (open: Open) => void;
}

/** The services of the week that still come. */
const inForceOn = ({ patterns }: HouseCalendar, today: string): readonly ServicePattern[] =>
  patterns.filter((each) => !isOneDay(each) && (each.lastDate === null || each.lastDate >= today));

/** The week's days down, each with its services. */
function Week({ calendar, today, onOpen }: Shown) {
  const { t } = useTranslation();
  const f = useFormats();
  const inForce = inForceOn(calendar, today);
  return (
    <table className={styles['week']}>
      <tbody>
        {f.weekdays.map((weekday) => {
          const date = dateOf(weekday);
          const patterns = inForce.filter((pattern) => pattern.weekday === weekday);
          return (
            <tr key={date}>
              <th scope="row">{f.weekday(Date.parse(`${date}T12:00:00Z`))}</th>
              <td>
                {patterns.map((pattern) => (
                  <button
                    key={pattern.id}
                    type="button"
                    aria-haspopup="dialog"
                    onClick={() => onOpen({ kind: 'pattern', of: pattern })}
                  >
                    <b>{pattern.name}</b> {f.timeOfDay(pattern.startMin)}–
                    {f.timeOfDay(pattern.endMin)}
                    {pattern.firstDate !== null && pattern.firstDate > today && (
                      <span>{t('demand.services.since', { date: f.date(pattern.firstDate) })}</span>
                    )}
                    {pattern.lastDate !== null && (
                      <span>{t('demand.services.until', { date: f.date(pattern.lastDate) })}</span>
                    )}
                  </button>
                ))}
                {patterns.length === 0 && (
                  <span className="quiet">{t('demand.services.none')}</span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The days ahead that are not as their weekday. */
function Differing({ calendar, today, onOpen }: Shown) {
  const { t } = useTranslation();
  const f = useFormats();
  const ahead = calendar.exceptions.filter(
    ({ date, lastDate, isYearly }) => isYearly || (lastDate ?? date) >= today,
  );
  const nameOf = (id: string | null) =>
    calendar.patterns.find((pattern) => pattern.id === id)?.name ?? t('demand.event.wholeDay');
  const sayHow = ({ hours, joinsId }: ServiceException) => {
    if (joinsId) return t('demand.exception.oneWith', { name: nameOf(joinsId) });
    return hours
      ? `${f.timeOfDay(hours.startMin)}–${f.timeOfDay(hours.endMin)}`
      : t('demand.exception.closed');
  };
  return (
    <section>
      <h2>{t('demand.services.differing')}</h2>
      {ahead.length === 0 && <p className="quiet">{t('demand.services.noneDiffers')}</p>}
      <ul className={styles['days']}>
        {ahead.map((exception) => (
          <li key={exception.id}>
            <button
              type="button"
              aria-haspopup="dialog"
              onClick={() => onOpen({ kind: 'exception', of: exception })}
            >
              <b>
                {f.date(exception.date)}
                {exception.lastDate && `–${f.date(exception.lastDate)}`}
              </b>{' '}
              {nameOf(exception.patternId)}: {sayHow(exception)}
              {exception.isYearly && ` (${t('demand.exception.yearly')})`}
              {exception.note && <span>{exception.note}</span>}
            </button>
          </li>
        ))}
      </ul>
      <EditOnly>
        <Button
          variant="outlined"
          aria-haspopup="dialog"
          onClick={() => onOpen({ kind: 'exception', of: null })}
        >
          {t('demand.exception.add')}
        </Button>{' '}
        <Button
          variant="outlined"
          aria-haspopup="dialog"
          onClick={() => onOpen({ kind: 'holidays' })}
        >
          {t('demand.holidays.open')}
        </Button>
      </EditOnly>
    </section>
  );
}
