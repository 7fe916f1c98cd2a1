import type { HouseBook, PracticeResult, Session } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link, Navigate } from 'react-router';
import { useFormats } from '../../../../parts/format/useFormats';
import { Page } from '../../../../parts/layout/Page';
import { WaitingPage } from '../../../../parts/layout/WaitingPage';
import { Failed } from '../../../../parts/messages/Failed';
import { Waiting } from '../../../../parts/messages/Waiting';
import { useBookQuery, useSessionQuery } from '../../../../state/api/api';
import { usePermission } from '../../../../state/api/usePermission';
import { useHouse } from '../../../../state/board/useBoard';
import { usePracticeResults } from '../../../../state/practice/usePracticeResults';
import { Answer } from './Answer';
import { Coach } from './Coach';
import { ROUND } from './readingRound';
import { Seen } from './Seen';
import { useReading } from './useReading';

/** Doughs of one's own house to be read, one after the other. */
export function Reading() {
  const house = useHouse();
  const book = useBookQuery(house);
  const me = useSessionQuery(house);
  const results = usePracticeResults(house);
  const mayPractise = usePermission('mark');
  if (book.error && !book.data)
    return <Failed error={book.error} onRetry={() => void book.refetch()} />;
  if (!book.data || !me.data || !results) return <WaitingPage />;
  // Who only looks has nothing that could be kept.
  if (!mayPractise) return <Navigate to={`/${house}/crew/practice`} replace />;
  return <Round house={house} book={book.data} me={me.data} results={results} />;
}

function Round({
  house,
  book,
  me,
  results,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly me: Session;
  readonly results: readonly PracticeResult[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const title = t('practice.reading.title');
  const { turn, round, isOver, say, goOn, stop } = useReading(
    house,
    me.personId,
    book,
    results,
    title,
  );
  const mean = round.reduce((sum, { score }) => sum + score, 0) / Math.max(1, round.length);
  const back = (
    <Button variant="outlined" component={Link} to={`/${house}/crew/practice`} onClick={stop}>
      {t('practice.stop')}
    </Button>
  );
  return (
    <Page title={title} lead={t('practice.reading.lead')} aside={back}>
      {turn === null && <Waiting />}
      {turn === 'none' && <p>{t('practice.reading.none')}</p>}
      {turn !== null && turn !== 'none' && (
        <>
          <p className="quiet">
            {t(`practice.reading.which.${turn.asked.kind.form}`, {
              product: turn.dough.product.name,
              number: f.count(round.length + (turn.said ? 0 : 1)),
              all: f.count(ROUND),
            })}
          </p>
          <Seen seen={turn.asked.seen} plan={turn.asked.plan} />
          {turn.said ? (
            <>
              <Coach asked={turn.asked} score={turn.said.score} />
              {isOver && (
                <p>
                  <b>{t('practice.reading.over', { score: f.count(Math.round(100 * mean)) })}</b>
                </p>
              )}
              <Button variant="contained" size="large" onClick={goOn}>
                {t(isOver ? 'practice.reading.again' : 'practice.reading.next')}
              </Button>
            </>
          ) : (
            <Answer key={round.length} form={turn.asked.kind.form} onSay={say} />
          )}
        </>
      )}
    </Page>
  );
}
