import { personOf, recordOf } from '@calm/domain';
import {
  paths,
  STANDARD_COLD_RULES,
  type ColdRecord as Record_,
  type ProbeDay,
} from '@calm/contract';
import Button from '@mui/material/Button';
import { DateField } from '../../../parts/fields/DateField';
import { useTranslation } from 'react-i18next';
import { WideTable } from '../../../parts/layout/WideTable';
import { useSearchParams } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { Waiting } from '../../../parts/messages/Waiting';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { addDays, dateAt } from '../../../state/time/localDate';
import { useAlarmMessage } from '../../../state/board/alarmMessages';
import { useCursor } from '../../../state/time/useCursor';
import { EnteredLate } from '../../../parts/messages/EnteredLate';
import styles from '../air/Air.module.css';
import { unknownWords } from '../coldWords';
import { useWalkIn, type WalkInNow } from '../useWalkIn';
import { useColdRecordQuery } from '../walkInApi';
import { WalkInNav } from '../WalkInNav';

const DAYS = 7;

/** A week of the cold as an inspector asks for it: figures by day, what went wrong, what was done. */
export function ColdRecord() {
  const { now, error, retry } = useWalkIn();
  if (error && !now) return <Failed error={error} onRetry={retry} />;
  return now ? <Week now={now} /> : <WaitingPage />;
}

function Week({ now }: { readonly now: WalkInNow }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const { house } = now.board.book;
  const [params, setParams] = useSearchParams();
  const today = dateAt(nowMs, house.timeZone);
  const from = params.get('from') ?? addDays(today, 1 - DAYS);
  const interval = { house: house.slug, from, days: DAYS };
  const { data, error, refetch } = useColdRecordQuery(interval);
  const go = (to: string) => setParams({ from: to }, { replace: true });
  const rules = house.settings.cold ?? STANDARD_COLD_RULES;
  return (
    <Page
      title={t('walkIn.record.title')}
      lead={t('walkIn.record.lead', {
        house: house.name,
        from: f.fullDate(from),
        to: f.fullDate(addDays(from, DAYS - 1)),
        limit: f.temperature(rules.limitC),
      })}
    >
      <div className={styles['noPrint']}>
        <WalkInNav />
        <div className={styles['bar']}>
          <Button variant="outlined" onClick={() => go(addDays(from, -DAYS))}>
            {t('walkIn.record.before')}
          </Button>
          <DateField
            isRequired
            label={t('walkIn.record.from')}
            value={from}
            onChange={(day) => day && go(day)}
          />
          <Button
            variant="outlined"
            disabled={addDays(from, DAYS) > today}
            onClick={() => go(addDays(from, DAYS))}
          >
            {t('walkIn.record.after')}
          </Button>
          <Button variant="contained" onClick={() => window.print()}>
            {t('walkIn.record.print')}
          </Button>
          <Button
            component="a"
            href={paths.coldRecordCsv(house.slug, { from, days: DAYS })}
            download
          >
            {t('walkIn.record.csv')}
          </Button>
        </div>
      </div>
      {error && !data ? (
        <Failed error={error} onRetry={() => void refetch()} />
      ) : data ? (
        <Sheet now={now} record={data} limitC={rules.limitC} />
      ) : (
        <Waiting />
      )}
    </Page>
  );
}

function Sheet({
  now,
  record,
  limitC,
}: {
  readonly now: WalkInNow;
  readonly record: Record_;
  readonly limitC: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { book } = now.board;
  const say = useAlarmMessage(book, now.cold);
  const nameOf = (id: string | null) => personOf(book, id)?.name ?? '–';
  const placeOf = (id: string | undefined) => recordOf(book, 'places', id)?.name;
  const actions = record.notes.filter(({ content }) => content.kind === 'action');
  const rounds = record.notes.filter(({ content }) => content.kind === 'round');
  return (
    <>
      {now.cold.probes.map((probe) => (
        <section key={probe.id}>
          <h2>
            {t('walkIn.air.roundOf', { place: placeOf(probe.placeId), zone: probe.zone })}{' '}
            <span className="quiet">{probe.name}</span>
          </h2>
          <WideTable label={probe.name}>
            <table className={styles['table']}>
              <thead>
                <tr>
                  <th scope="col">{t('walkIn.air.day')}</th>
                  {['least', 'mean', 'most', 'above', 'unknown'].map((key) => (
                    <th key={key} scope="col">
                      {t(`walkIn.air.${key}`, { limit: f.temperature(limitC) })}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {record.days
                  .filter(({ probeId }) => probeId === probe.id)
                  .map((day) => (
                    <DayRow key={day.date} day={day} />
                  ))}
              </tbody>
            </table>
          </WideTable>
        </section>
      ))}
      <h2>{t('walkIn.record.excursions')}</h2>
      {record.alarms.length === 0 && <p>{t('walkIn.record.noExcursions')}</p>}
      <ul className={styles['done']}>
        {record.alarms.map((alarm) => (
          <li key={alarm.id}>
            <b>{say(alarm)}</b>{' '}
            {alarm.acknowledged ? (
              <>
                {t('walkIn.alarm.taken', {
                  name: nameOf(alarm.acknowledged.personId),
                  at: f.moment(Date.parse(alarm.acknowledged.at)),
                  cause: t(`walkIn.alarm.cause.${alarm.acknowledged.cause ?? 'unknown'}`, {
                    defaultValue: t('walkIn.alarm.unknown'),
                  }),
                })}{' '}
                {alarm.acknowledged.note}
              </>
            ) : (
              t('walkIn.alarm.nobody')
            )}
          </li>
        ))}
      </ul>
      <h2>{t('walkIn.record.actions')}</h2>
      {actions.length === 0 && <p>{t('walkIn.record.noActions')}</p>}
      <ul className={styles['done']}>
        {actions.map(({ id, at, receivedAt, personId, content }) => (
          <li key={id}>
            {f.day(Date.parse(at))} {f.time(Date.parse(at))} {nameOf(personId)}:{' '}
            {content.kind === 'action' && content.note} <EnteredLate of={{ at, receivedAt }} />
          </li>
        ))}
      </ul>
      <h2>{t('walkIn.air.rounds')}</h2>
      {rounds.length === 0 && <p>{t('walkIn.record.noRounds')}</p>}
      <ul className={styles['done']}>
        {rounds.map(({ id, at, receivedAt, personId, content }) => (
          <li key={id}>
            {f.day(Date.parse(at))} {f.time(Date.parse(at))} {nameOf(personId)}:{' '}
            {content.kind === 'round' &&
              `${placeOf(content.placeId)}, ${content.zone}: ${f.temperature(content.airC)}`}{' '}
            <EnteredLate of={{ at, receivedAt }} />
          </li>
        ))}
      </ul>
      <p>{t('walkIn.record.signed')}</p>
    </>
  );
}

function DayRow({ day: { date, summary } }: { readonly day: ProbeDay }) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <tr>
      <th scope="row" className={styles['date']}>
        {f.date(date)}
      </th>
      {summary ? (
        <>
          <td>{f.temperature(summary.minC)}</td>
          <td>{f.temperature(summary.meanC)}</td>
          <td>{f.temperature(summary.maxC)}</td>
          <td data-much={summary.aboveMin >= 60}>{f.duration(Math.round(summary.aboveMin))}</td>
          <td>{unknownWords(f, summary.unknownMin)}</td>
        </>
      ) : (
        <td colSpan={5}>{t('walkIn.air.noReadings')}</td>
      )}
    </tr>
  );
}
