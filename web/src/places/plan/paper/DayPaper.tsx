import { DAY_MIN } from '@calm/core';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { Choice } from '../../../parts/fields/Choice';
import { Failed } from '../../../parts/messages/Failed';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { midnightOf } from '../../../state/time/localDate';
import paper from './DayPaper.module.css';
import { OvenPaper } from './OvenPaper';
import { planSteps } from '../steps/planSteps';
import { usePlanWords } from '../planWords';
import { formatPullsMessage } from './pullMessages';
import { useSimulatedPlan, useInHand } from '../editing/useSimulatedPlan';
import { usePlanWeek, type PlanWeek } from '../editing/usePlanWeek';

/** One person's day, or everybody's, on paper: a page each. */
export function DayPaper() {
  const { week, error, retry } = usePlanWeek();
  if (error) return <Failed error={error} onRetry={retry} />;
  return week ? <Days week={week} /> : <WaitingPage />;
}

/** Everybody, in the address. */
const ALL = 'all';
const WEEK = 'week';

function Days({ week }: { readonly week: PlanWeek }) {
  const { t } = useTranslation();
  const words = usePlanWords(week);
  const ofLot = useInHand(useSimulatedPlan(week), null);
  const [params, setParams] = useSearchParams();
  const ahead = week.dates.slice(1);
  const date = params.get('date') ?? ahead[0] ?? '';
  const who = params.get('who') ?? ALL;
  const set = (key: string, value: string) => {
    params.set(key, value);
    setParams(params, { replace: true });
  };
  const dates = date === WEEK ? ahead : [date];
  const pages = dates.flatMap((day) => {
    const fromMin = midnightOf(day, week.book.house.timeZone) / 60_000;
    const steps = planSteps(week.lots, fromMin, fromMin + DAY_MIN).filter(
      ({ step }) => step.startMin >= fromMin,
    );
    return week.problem.people
      .filter(({ id }) => who === ALL || who === id)
      .map(({ id }) => ({
        id,
        day,
        steps: steps.filter(({ step }) => step.personIds.includes(id)),
      }))
      .filter(({ steps: own }) => own.length > 0);
  });
  return (
    <Page
      title={t('plan.paper.title')}
      lead={<Link to={`/${week.house}/plan`}>{t('plan.paper.back')}</Link>}
      aside={
        <div className={paper['controls']}>
          <Choice
            label={t('plan.day')}
            value={date}
            values={[WEEK, ...ahead]}
            say={(each) => (each === WEEK ? t('plan.paper.wholeWeek') : words.f.date(each))}
            onChange={(value) => set('date', value)}
          />
          <Choice
            label={t('plan.who')}
            value={who}
            values={[ALL, ...week.problem.people.map(({ id }) => id)]}
            say={(id) => (id === ALL ? t('plan.paper.everybody') : words.person(id))}
            onChange={(value) => set('who', value)}
          />
          <Button variant="contained" onClick={() => window.print()}>
            {t('plan.paper.print')}
          </Button>
        </div>
      }
    >
      {pages.length === 0 && <p className="quiet">{t('plan.paper.nothing')}</p>}
      {who === ALL && dates.map((day) => <OvenPaper key={day} week={week} day={day} />)}
      {pages.map(({ id, day, steps }) => (
        <section
          key={id + day}
          className={paper['page']}
          aria-label={words.f.joined(words.person(id), words.f.date(day))}
        >
          <header>
            <h2>
              {words.person(id)} <span>{words.f.date(day)}</span>
            </h2>
            <p>{week.book.house.name}</p>
          </header>
          <table>
            <tbody>
              {steps.map(({ key, lot, step }) => {
                const others = step.personIds.filter((other) => other !== id).map(words.person);
                const pulls = formatPullsMessage(step, ofLot(lot.id), words);
                return (
                  <tr key={key}>
                    <td className={paper['box']} aria-hidden="true" />
                    <td className={paper['when']}>
                      {words.time(step.startMin)}–{words.time(step.endMin)}
                    </td>
                    <td>
                      <b>{words.step(step, lot)}</b> {words.lot(lot)}
                      {pulls.map((said) => (
                        <div key={said} className="small">
                          {said}
                        </div>
                      ))}
                    </td>
                    <td>
                      {others.length > 0 ? t('plan.paper.with', { who: words.f.list(others) }) : ''}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <p className={paper['caution']}>{t('plan.paper.caution')}</p>
        </section>
      ))}
    </Page>
  );
}
