import type { HouseBook, PracticeWeek, Session } from '@calm/contract';
import { nextEveningOf, type PracticeEvening } from '@calm/domain';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Navigate, useParams } from 'react-router';
import { Page } from '../../../../parts/layout/Page';
import { WaitingPage } from '../../../../parts/layout/WaitingPage';
import { Failed } from '../../../../parts/messages/Failed';
import { useBookQuery, useSessionQuery } from '../../../../state/api/api';
import { usePermission } from '../../../../state/api/usePermission';
import { useHouse } from '../../../../state/board/useBoard';
import { FRESH, runOf } from '../evening/eveningRun';
import { EveningOfWeek } from './EveningOfWeek';
import { useWeeks } from './useWeeks';
import { FRESH_WEEK, weekRunOf, type WeekRun } from './weekRun';
import { WeekTold } from './WeekTold';

/** Evenings one after the other, on the house's own doughs: what one leaves in the cold is there on the next. */
export function WeekPage() {
  const house = useHouse();
  const { week: name } = useParams();
  const book = useBookQuery(house);
  const me = useSessionQuery(house);
  const weeks = useWeeks(book.data);
  const mayPractise = usePermission('mark');
  if (book.error && !book.data)
    return <Failed error={book.error} onRetry={() => void book.refetch()} />;
  if (!book.data || !me.data || !weeks) return <WaitingPage />;
  const week = weeks.find((each) => each.name === name);
  // Who only looks has nothing that could be kept; a week that is gone is found no more.
  if (!mayPractise || !week) return <Navigate to={`/${house}/crew/practice/evenings`} replace />;
  return <OfWeek key={week.name} house={house} book={book.data} me={me.data} week={week} />;
}

/** An evening of a week is kept under its name and number. */
const eveningName = (week: PracticeWeek, at: number): string => `${week.name}-${at + 1}`;

function OfWeek({
  house,
  book,
  me,
  week,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly me: Session;
  readonly week: PracticeWeek;
}) {
  const { t } = useTranslation();
  const storage = useMemo(
    () => weekRunOf(house, me.personId, week.name),
    [house, me.personId, week.name],
  );
  const [run, setRun] = useState(() => storage.read());
  const change = (next: WeekRun) => {
    storage.write(next);
    setRun(next);
  };
  const again = () => {
    week.evenings.forEach((_, at) => runOf(house, me.personId, eveningName(week, at)).write(FRESH));
    change(FRESH_WEEK);
  };
  const at = run.decisions.length;
  const { decisions } = run;
  // What is made for evenings to come changes nothing of this one: it stays the same while that is chosen.
  const madeForNow = JSON.stringify(run.made.slice(0, at + 1));
  const evening = useMemo((): PracticeEvening | null => {
    const made = JSON.parse(madeForNow) as WeekRun['made'];
    return nextEveningOf(book, week, { decisions, made });
  }, [book, week, decisions, madeForNow]);
  if (at >= week.evenings.length)
    return <WeekTold house={house} week={week} told={run.told} onAgain={again} />;
  if (!evening)
    return (
      <Page title={t('practice.evenings.title')}>
        <p>{t('practice.reading.none')}</p>
      </Page>
    );
  return (
    <EveningOfWeek
      key={at}
      {...{ house, book, me, week, at, evening, run }}
      name={eveningName(week, at)}
      onChange={change}
    />
  );
}
