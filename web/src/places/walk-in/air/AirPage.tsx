import { STANDARD_COLD_RULES, type ColdDay } from '@calm/contract';
import { recordOf } from '@calm/domain';
import Button from '@mui/material/Button';
import { DateField } from '../../../parts/fields/DateField';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { Waiting } from '../../../parts/messages/Waiting';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { WideTable } from '../../../parts/layout/WideTable';
import { addDays, dateAt } from '../../../state/time/localDate';
import { useCursor } from '../../../state/time/useCursor';
import { usePermission } from '../../../state/api/usePermission';
import styles from './Air.module.css';
import { unknownWords } from '../coldWords';
import { AirChart } from './AirChart';
import { ImportReadings } from './ImportReadings';
import { Rounds } from './Rounds';
import { useWalkIn, type WalkInNow } from '../useWalkIn';
import { useColdDayQuery } from '../walkInApi';
import { WalkInNav } from '../WalkInNav';

/** One day of the cold: every probe's line, its figures, and what was taken by hand. */
export function AirPage() {
  const { now, error, retry } = useWalkIn();
  if (error && !now) return <Failed error={error} onRetry={retry} />;
  return now ? <Air now={now} /> : <WaitingPage />;
}

function Air({ now }: { readonly now: WalkInNow }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs, nowMs } = useCursor();
  const mayBook = usePermission('book');
  const [params, setParams] = useSearchParams();
  const { house } = now.board.book;
  const today = dateAt(nowMs, house.timeZone);
  const wanted = params.get('date') ?? dateAt(atMs, house.timeZone);
  const date = wanted > today ? today : wanted;
  const { data: day, error, refetch } = useColdDayQuery({ house: house.slug, date });
  const go = (to: string) => {
    const search = new URLSearchParams(params);
    search.set('date', to);
    setParams(search, { replace: true });
  };
  return (
    <Page title={t('walkIn.air.title')} lead={t('walkIn.air.lead')}>
      <WalkInNav />
      <div className={styles['bar']}>
        <Button variant="outlined" onClick={() => go(addDays(date, -1))}>
          {t('walkIn.air.before')}
        </Button>
        <DateField
          isRequired
          label={t('walkIn.air.day')}
          value={date}
          latest={today}
          onChange={(day) => day && go(day)}
        />
        <Button variant="outlined" disabled={date >= today} onClick={() => go(addDays(date, 1))}>
          {t('walkIn.air.after')}
        </Button>
        <h2>{f.date(date)}</h2>
      </div>
      {error && !day ? (
        <Failed error={error} onRetry={() => void refetch()} />
      ) : day ? (
        <Day now={now} day={day} />
      ) : (
        <Waiting />
      )}
      <div className={styles['columns']}>
        <Rounds now={now} date={date} isToday={date === today} />
        {mayBook && <ImportReadings now={now} />}
      </div>
    </Page>
  );
}

function Day({ now, day }: { readonly now: WalkInNow; readonly day: ColdDay }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { book } = now.board;
  const { limitC } = book.house.settings.cold ?? STANDARD_COLD_RULES;
  const probeOf = (id: string) => now.cold.probes.find((probe) => probe.id === id);
  return (
    <>
      <AirChart
        lines={day.lines.map(({ probeId, atS, meanC }) => ({
          name: probeOf(probeId)?.name ?? '',
          atMs: atS.map((at) => at * 1000),
          airC: meanC,
        }))}
        limitC={limitC}
        words={t('walkIn.air.words', { date: f.date(day.date) })}
      />
      <WideTable label={t('walkIn.air.words', { date: f.date(day.date) })}>
        <table className={styles['table']}>
          <thead>
            <tr>
              {['probe', 'where', 'least', 'mean', 'most', 'above', 'unknown'].map((key) => (
                <th key={key} scope="col">
                  {t(`walkIn.air.${key}`, { limit: f.temperature(limitC) })}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {day.days.map(({ probeId, summary }) => {
              const probe = probeOf(probeId);
              const place = recordOf(book, 'places', probe?.placeId);
              return (
                <tr key={probeId}>
                  <th scope="row">{probe?.name}</th>
                  <td>{t('walkIn.air.roundOf', { place: place?.name, zone: probe?.zone })}</td>
                  {summary ? (
                    <>
                      <td>{f.temperature(summary.minC)}</td>
                      <td>{f.temperature(summary.meanC)}</td>
                      <td>{f.temperature(summary.maxC)}</td>
                      <td data-much={summary.aboveMin >= MUCH_MIN}>
                        {f.duration(Math.round(summary.aboveMin))}
                      </td>
                      <td>{unknownWords(f, summary.unknownMin)}</td>
                    </>
                  ) : (
                    <td colSpan={5}>{t('walkIn.air.noReadings')}</td>
                  )}
                </tr>
              );
            })}
          </tbody>
        </table>
      </WideTable>
    </>
  );
}

/** So long above the limit in a day is worth a look, min. */
const MUCH_MIN = 60;
