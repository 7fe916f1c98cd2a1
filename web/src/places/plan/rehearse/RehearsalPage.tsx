import type { Rehearsal, Strengthening, WeakPoint } from '@calm/domain';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { formatSurePercent } from '../../../parts/format/odds';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { Failed } from '../../../parts/messages/Failed';
import { useNotices } from '../../../parts/messages/Notices';
import { usePermission } from '../../../state/api/usePermission';
import { usePlanEditing, type PlanEditing } from '../editing/usePlanEditing';
import { usePlanWeek, type PlanWeek } from '../editing/usePlanWeek';
import { usePlanWords, type PlanWords } from '../planWords';
import styles from './Rehearsal.module.css';
import { FUTURES, planKey, useRehearsal } from './useRehearsal';

/** The plan, run in many futures before it is worked: how sure each service is, and what would make the weakest surer. */
export function RehearsalPage() {
  const { week, guests, error, retry } = usePlanWeek();
  if (error) return <Failed error={error} onRetry={retry} />;
  // Without its guests a plan would be rehearsed for others than those who come.
  if (!week || guests === 'awaited') return <WaitingPage />;
  return <OfWeek week={week} hasForecast={guests === 'forecast'} />;
}

function OfWeek({ week, hasForecast }: { readonly week: PlanWeek; readonly hasForecast: boolean }) {
  const { t } = useTranslation();
  const words = usePlanWords(week);
  const editing = usePlanEditing(week);
  const { state, begin, stop } = useRehearsal(week);
  const key = useMemo(() => planKey(week), [week]);
  const isOld = state.kind === 'over' && state.of !== key;
  const count = words.f.count(FUTURES);
  const back = (
    <Button variant="outlined" component={Link} to={`/${week.house}/plan`}>
      {t('rehearsal.plan')}
    </Button>
  );
  return (
    <Page title={t('rehearsal.title')} lead={t('rehearsal.lead', { count })} aside={back}>
      {state.kind === 'running' ? (
        <div className={styles['running']}>
          <LinearProgress
            variant="determinate"
            value={100 * state.share}
            aria-label={t('rehearsal.running')}
          />
          <Button variant="outlined" onClick={stop}>
            {t('rehearsal.stop')}
          </Button>
        </div>
      ) : (
        <Button
          variant={state.kind === 'none' ? 'contained' : 'outlined'}
          size="large"
          disabled={week.lots.length === 0}
          onClick={begin}
        >
          {t(state.kind === 'none' ? 'rehearsal.begin' : 'rehearsal.again')}
        </Button>
      )}
      {week.lots.length === 0 && <p>{t('rehearsal.none')}</p>}
      {!hasForecast && <p role="status">{t('rehearsal.noForecast')}</p>}
      {state.kind === 'over' && (
        <>
          {isOld && <p role="status">{t('rehearsal.changed')}</p>}
          <Services rehearsal={state.rehearsal} words={words} />
          <Weakest
            weakest={state.rehearsal.weakest}
            isOld={isOld}
            week={week}
            words={words}
            editing={editing}
          />
        </>
      )}
    </Page>
  );
}

/** Nearly always enough, mostly, or not even that: told by more than a colour. */
const SURE = { good: 0.9, fair: 0.7 } as const;
const gradeOf = (odds: number) =>
  odds >= SURE.good ? 'good' : odds >= SURE.fair ? 'fair' : 'weak';

function Services({
  rehearsal,
  words,
}: {
  readonly rehearsal: Rehearsal;
  readonly words: PlanWords;
}) {
  const { t, f } = words;
  return (
    <section aria-labelledby="rehearsal-services">
      <h2 id="rehearsal-services">{t('rehearsal.services')}</h2>
      <ul className={styles['services']}>
        {rehearsal.services.map(({ serviceId, odds }) => (
          <li key={serviceId} data-grade={gradeOf(odds)}>
            <span>{words.service(serviceId)}</span>
            <meter min={0} max={1} value={odds} aria-label={words.service(serviceId)} />
            <b>{formatSurePercent(f, odds)}</b>
            <span className="quiet">{t(`rehearsal.grade.${gradeOf(odds)}`)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Weakest({
  weakest,
  isOld,
  week,
  words,
  editing,
}: {
  readonly weakest: readonly WeakPoint[];
  /** Whether the plan is another one by now. */
  readonly isOld: boolean;
  readonly week: PlanWeek;
  readonly words: PlanWords;
  readonly editing: PlanEditing;
}) {
  const { t, f } = words;
  const { put } = useIntoDraft(week, words, editing);
  const mayPlan = usePermission('plan');
  if (weakest.length === 0) return <p>{t('rehearsal.allSure')}</p>;
  return (
    <section aria-labelledby="rehearsal-weakest">
      <h2 id="rehearsal-weakest">{t('rehearsal.weakest')}</h2>
      <ol className={styles['weakest']}>
        {weakest.map((point) => {
          const { serviceId, productId, odds, short, away, hangsOn, strengthening } = point;
          return (
            <li key={`${serviceId} ${productId}`}>
              <b>
                {f.joined(words.product(productId), words.service(serviceId))}:{' '}
                {formatSurePercent(f, odds)}
              </b>
              <p>
                {t('rehearsal.short', { short: f.plain(short, 1) })}{' '}
                {away && t(`rehearsal.away.${away}`)} {hangsOn && t(`rehearsal.hangsOn.${hangsOn}`)}
              </p>
              {strengthening ? (
                <p className={styles['stronger']}>
                  <span>
                    {t('rehearsal.stronger', {
                      what: strengthenedBy(strengthening, words),
                      odds: formatSurePercent(f, strengthening.odds),
                    })}
                  </span>
                  {mayPlan && (
                    <Button
                      variant="contained"
                      disabled={isOld}
                      aria-label={t('rehearsal.putWhich', {
                        what: strengthenedBy(strengthening, words),
                        service: words.service(serviceId),
                      })}
                      onClick={() => put(point, strengthening)}
                    >
                      {t('rehearsal.put')}
                    </Button>
                  )}
                </p>
              ) : (
                <p className="quiet">{t('rehearsal.nothing')}</p>
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}

const strengthenedBy = (strengthening: Strengthening, { t, f, time }: PlanWords): string =>
  strengthening.kind === 'pull'
    ? t(strengthening.byMin < 0 ? 'rehearsal.pullSooner' : 'rehearsal.pullLater', {
        by: f.duration(Math.abs(strengthening.byMin)),
        at: time(strengthening.toMin),
      })
    : t('rehearsal.moreBalls', { percent: f.percent(strengthening.percent, 0) });

/** Puts what strengthens a weak point into the draft, with a way back. */
function useIntoDraft({ content }: PlanWeek, { t }: PlanWords, editing: PlanEditing) {
  const { changed } = useNotices();
  const put = ({ serviceId }: WeakPoint, strengthening: Strengthening) => {
    if (strengthening.kind === 'pull') editing.move(strengthening.step, strengthening.toMin);
    else {
      const { percent } = strengthening;
      editing.assumption([...content.assumptions, { kind: 'more-balls', serviceId, percent }]);
    }
    changed(t('rehearsal.isPut'), () => {
      editing.take(content);
      return Promise.resolve();
    });
  };
  return { put };
}
