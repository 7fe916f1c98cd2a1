import type { HouseBook, Session, Situation } from '@calm/contract';
import { practiceEvening, type PracticeEvening } from '@calm/domain';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Navigate, useParams } from 'react-router';
import { Page } from '../../../../parts/layout/Page';
import { WaitingPage } from '../../../../parts/layout/WaitingPage';
import { Failed } from '../../../../parts/messages/Failed';
import { useBookQuery, useSessionQuery } from '../../../../state/api/api';
import { usePermission } from '../../../../state/api/usePermission';
import { useHouse } from '../../../../state/board/useBoard';
import { AfterEvening } from './AfterEvening';
import { Running } from './Running';
import { situationAbout, situationTitle } from './situationWords';
import { useEveningRun } from './useEveningRun';
import { useSituations } from './useSituations';

/** One evening, run on the house's own doughs. */
export function EveningPage() {
  const { t } = useTranslation();
  const house = useHouse();
  const { situation: name } = useParams();
  const book = useBookQuery(house);
  const me = useSessionQuery(house);
  const situations = useSituations(book.data);
  const mayPractise = usePermission('mark');
  if (book.error && !book.data)
    return <Failed error={book.error} onRetry={() => void book.refetch()} />;
  if (!book.data || !me.data || !situations) return <WaitingPage />;
  const situation = situations.find((each) => each.name === name);
  // Who only looks has nothing that could be kept; an evening that is gone is found no more.
  if (!mayPractise || !situation)
    return <Navigate to={`/${house}/crew/practice/evenings`} replace />;
  return (
    <OfBook
      key={situation.name}
      house={house}
      book={book.data}
      me={me.data}
      situation={situation}
      title={situationTitle(t, situation)}
    />
  );
}

interface Run {
  readonly house: string;
  readonly me: Session;
  readonly situation: Situation;
  readonly title: string;
}

function OfBook({ book, ...run }: Run & { readonly book: HouseBook }) {
  const { t } = useTranslation();
  const evening = useMemo(() => practiceEvening(book, run.situation), [book, run.situation]);
  return evening ? (
    <OfEvening {...run} evening={evening} />
  ) : (
    <Page title={run.title}>
      <p>{t('practice.reading.none')}</p>
    </Page>
  );
}

function OfEvening({
  house,
  me,
  situation,
  title,
  evening,
}: Run & { readonly evening: PracticeEvening }) {
  const { t } = useTranslation();
  const who = { house, personId: me.personId, situation: situation.name };
  const played = useEveningRun(who, evening, title);
  return played.isOver ? (
    <AfterEvening {...{ house, situation, title, evening, played }} />
  ) : (
    <Running {...{ house, title, evening, played }} about={situationAbout(t, situation)} />
  );
}
