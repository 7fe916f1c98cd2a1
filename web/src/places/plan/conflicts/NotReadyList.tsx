import { notReady, practiceSkills, type NotReady } from '@calm/domain';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usePermission } from '../../../state/api/usePermission';
import { usePracticeResults } from '../../../state/practice/usePracticeResults';
import { dateAt } from '../../../state/time/localDate';
import type { PlanWeek } from '../editing/usePlanWeek';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';

/** Said before one asks for all of them. */
const SAID = 2;

interface Shown {
  readonly week: PlanWeek;
  readonly words: PlanWords;
}

/** Steps that are given to somebody alone who has not practised what the house asks; for who sees everybody's practice. */
export function NotReadyList(props: Shown) {
  const isLead = usePermission('crew');
  const asks = props.week.book.house.settings.readiness ?? [];
  return isLead && asks.length > 0 ? <OfRules {...props} /> : null;
}

function OfRules({ week, words }: Shown) {
  const { t } = useTranslation();
  const [isAll, setAll] = useState(false);
  const all = useNotReady(week);
  if (all.length === 0) return null;
  const say = ({ personId, lot, step, work, needs }: NotReady): string =>
    t('readiness.warning', {
      who: words.person(personId),
      when: words.moment(step.startMin),
      what: words.f.joined(words.step(step, lot), words.lot(lot)),
      work: t(`readiness.work.${work}`),
      needs: words.f.list(needs.map(({ skill }) => t(`readiness.skill.${skill}`))),
    });
  const said = isAll ? all : all.slice(0, SAID);
  return (
    <section className={styles['conflicts']} aria-label={t('readiness.warnings')}>
      <h2>{t('readiness.warnings')}</h2>
      <ul>
        {said.map((each) => (
          <li key={`${each.lot.id} ${each.step.startMin} ${each.work}`}>{say(each)}</li>
        ))}
      </ul>
      {all.length > SAID && (
        <Button size="small" onClick={() => setAll(!isAll)}>
          {isAll ? t('readiness.fewer') : t('readiness.all', { count: all.length })}
        </Button>
      )}
    </section>
  );
}

function useNotReady({ house, book, lots, nowMin }: PlanWeek): readonly NotReady[] {
  const results = usePracticeResults(house);
  const skills = useMemo(() => practiceSkills(results ?? []), [results]);
  return useMemo(
    () =>
      results
        ? notReady(lots, book.house.settings.readiness ?? [], skills, nowMin, (ms) =>
            dateAt(ms, book.house.timeZone),
          )
        : [],
    [results, lots, book, skills, nowMin],
  );
}
