import type { ConsistencyChart } from '@calm/contract';
import { RUN_RULES, runSignals, steadyLimits, type ChartSignal } from '@calm/core';
import { personOf, recordOf } from '@calm/domain';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { Failed } from '../../../parts/messages/Failed';
import { useBookQuery, useColdQuery } from '../../../state/api/api';
import { useHouse } from '../../../state/board/useBoard';
import { LogNav } from '../LogNav';
import { useConsistencyQuery } from '../logApi';
import { SteadyChart } from './SteadyChart';
import styles from './Steady.module.css';
import { WeekReview } from './WeekReview';

/** Signals that are shown of a chart: the newest. */
const MOST_SIGNALS = 4;

/** How steady the house's work is: its last week in figures, and eight weeks as charts with what stands out. */
export function Steady() {
  const { t } = useTranslation();
  const house = useHouse();
  const { data, error, refetch } = useConsistencyQuery(house);
  if (error && !data) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!data) return <WaitingPage />;
  const signalled = data.charts
    .map((chart) => ({ chart, told: told(chart) }))
    .sort((a, b) => outShare(b.chart, b.told) - outShare(a.chart, a.told));
  return (
    <Page
      title={t('steady.title')}
      lead={t('steady.lead')}
      aside={
        <Button variant="outlined" onClick={() => window.print()}>
          {t('steady.print')}
        </Button>
      }
    >
      <LogNav />
      <WeekReview house={house} week={data.week} />
      <div className={styles['charts']}>
        {data.charts.length === 0 && <p className="quiet">{t('steady.few')}</p>}
        {signalled.map(({ chart, told: found }) =>
          found ? (
            <OneChart
              key={JSON.stringify({ ...chart, points: 0 })}
              house={house}
              {...{ chart, found }}
            />
          ) : null,
        )}
      </div>
    </Page>
  );
}

/** How much of a chart stands out: what is out of order most comes first. */
const outShare = ({ points }: ConsistencyChart, found: ReturnType<typeof told>): number =>
  (found?.signals ?? []).reduce((sum, { from, to }) => sum + to - from + 1, 0) / points.length;

/** A chart's band and what stands out of it; null of too few points. */
function told({ kind, points }: ConsistencyChart) {
  const values = points.map(({ value }) => value);
  // All but the air are how far something was off.
  const limits = steadyLimits(values, kind === 'walk-in' ? undefined : 0);
  return limits && { limits, signals: strongest(runSignals(values, limits)) };
}

/** Signals of which none stands within another, the longest of each time: what goes on is said once. In time's order. */
function strongest(signals: readonly ChartSignal[]): ChartSignal[] {
  const kept: ChartSignal[] = [];
  const rank = ({ rule }: ChartSignal) => RUN_RULES.indexOf(rule);
  const longestFirst = [...signals].sort(
    (a, b) => b.to - b.from - (a.to - a.from) || rank(b) - rank(a),
  );
  for (const signal of longestFirst) {
    const meets = ({ side, from, to }: ChartSignal) =>
      side === signal.side && from <= signal.to && signal.from <= to;
    if (!kept.some(meets)) kept.push(signal);
  }
  return kept.sort((a, b) => a.from - b.from);
}

function OneChart({
  house,
  chart: { kind, personId, productId, placeId, probeId, points },
  found: { limits, signals },
}: {
  readonly house: string;
  readonly chart: ConsistencyChart;
  readonly found: NonNullable<ReturnType<typeof told>>;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { data: book } = useBookQuery(house);
  const { data: cold } = useColdQuery(house);
  const write = (value: number): string => {
    switch (kind) {
      case 'ball-weight':
      case 'yeast-weighed':
        return f.percent(value, 1);
      case 'dough-out':
      case 'probe':
        return f.warmer(value, 1);
      case 'walk-in':
        return f.temperature(value, 1);
      case 'time-off-plan':
      case 'window':
        return `${value < 0 ? '−' : ''}${f.duration(Math.round(Math.abs(value)))}`;
    }
  };
  const of = book
    ? [
        personOf(book, personId)?.name,
        recordOf(book, 'products', productId ?? undefined)?.name,
        recordOf(book, 'places', placeId ?? undefined)?.name,
        cold?.probes.find(({ id }) => id === probeId)?.name,
      ].filter((name) => name !== undefined)
    : [];
  const what = f.joined(t(`steady.kind.${kind}`), ...of);
  const dayOf = (i: number) => f.day(Date.parse(points[i]?.at ?? ''));
  return (
    <section aria-label={what} className={styles['chart']}>
      <h2>{what}</h2>
      <SteadyChart
        {...{ points, limits, signals, write }}
        label={t('steady.chart', {
          what,
          count: points.length,
          center: write(limits.center),
          lower: write(limits.lower),
          upper: write(limits.upper),
        })}
      />
      {signals.length === 0 && <p className="quiet">{t('steady.calm')}</p>}
      <ul>
        {signals.slice(-MOST_SIGNALS).map(({ rule, side, from, to }) => {
          const codes = [...new Set(points.slice(from, to + 1).flatMap(({ lot }) => lot ?? []))];
          return (
            <li key={`${rule}/${side}/${from}`}>
              {t(`steady.rule.${rule}`, {
                when:
                  dayOf(from) === dayOf(to)
                    ? dayOf(from)
                    : t('steady.between', { from: dayOf(from), to: dayOf(to) }),
                side: t(`steady.side.${side}`),
              })}{' '}
              {codes.length > 0 && (
                <details>
                  <summary>{t('steady.lots')}</summary>
                  {codes.map((code) => (
                    <Link key={code} to={`/${house}/log/${code}`}>
                      {code}
                    </Link>
                  ))}
                </details>
              )}
            </li>
          );
        })}
      </ul>
      {signals.length > 0 && (
        <p>
          {t('steady.lookAt')} {t(`steady.look.${kind}`)}
        </p>
      )}
    </section>
  );
}
