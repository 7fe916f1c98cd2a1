import type { HouseBook, PracticeWeek, Session, Situation } from '@calm/contract';
import { weighedCost, type Debrief } from '@calm/core';
import type { PracticeEvening } from '@calm/domain';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { AfterEvening } from '../evening/AfterEvening';
import { Running } from '../evening/Running';
import { useEveningRun } from '../evening/useEveningRun';
import { NextTrays } from './NextTrays';
import styles from './Week.module.css';
import type { EveningSum, WeekRun } from './weekRun';
import { weekAbout, weekTitle } from './weekWords';

/** One evening of a week; once it is over, what is made for those to come. */
export function EveningOfWeek({
  house,
  book,
  me,
  week,
  at,
  name,
  evening,
  run,
  onChange,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly me: Session;
  readonly week: PracticeWeek;
  readonly at: number;
  /** Under which it is kept. */
  readonly name: string;
  readonly evening: PracticeEvening;
  readonly run: WeekRun;
  readonly onChange: (next: WeekRun) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const situation = week.evenings[at] as Situation;
  const title = t('practice.week.titled', {
    title: weekTitle(t, week),
    number: f.count(at + 1),
    all: f.count(week.evenings.length),
  });
  const played = useEveningRun({ house, personId: me.personId, situation: name }, evening, title);
  if (!played.isOver)
    return <Running {...{ house, title, evening, played }} about={weekAbout(t, week)} />;
  const { decisions } = played.run;
  const isLast = at === week.evenings.length - 1;
  const goOn = (debrief: Debrief) =>
    onChange({
      ...run,
      decisions: [...run.decisions, decisions],
      told: [...run.told, sumOf(debrief)],
    });
  return (
    <AfterEvening
      {...{ house, situation, title, evening, played }}
      next={(debrief) => (
        <section className={styles['next']}>
          <NextTrays {...{ book, week, at, evening, run, decisions }} onChange={onChange} />
          <Button variant="contained" size="large" onClick={() => goOn(debrief)}>
            {t(isLast ? 'practice.week.toTheEnd' : 'practice.week.next')}
          </Button>
        </section>
      )}
    />
  );
}

const sumOf = ({ cost, best, plain, guests }: Debrief): EveningSum => ({
  cost: weighedCost(cost),
  best: weighedCost(best),
  plain: weighedCost(plain),
  guests,
  short: cost.short,
  thrown: cost.thrown,
});
