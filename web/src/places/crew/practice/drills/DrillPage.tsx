import { PRACTICE_SKILLS, type DrillSkill, type HouseBook, type Session } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link, Navigate, useParams } from 'react-router';
import { useFormats } from '../../../../parts/format/useFormats';
import { Page } from '../../../../parts/layout/Page';
import { WaitingPage } from '../../../../parts/layout/WaitingPage';
import { Failed } from '../../../../parts/messages/Failed';
import { Waiting } from '../../../../parts/messages/Waiting';
import { useBookQuery, useSessionQuery } from '../../../../state/api/api';
import { usePermission } from '../../../../state/api/usePermission';
import { useHouse } from '../../../../state/board/useBoard';
import styles from './Drill.module.css';
import { Explained } from './Explained';
import { Question } from './Question';
import { DRILL_ROUND, useDrill } from './useDrill';

const skillOf = (name: string | undefined): DrillSkill | null => {
  const skill = PRACTICE_SKILLS.find((each) => each === name);
  return skill === undefined || skill === 'reading' || skill === 'evening' ? null : skill;
};

/** One drill of hands and numbers, on the house's own doughs and numbers. */
export function DrillPage() {
  const house = useHouse();
  const { skill: name } = useParams();
  const book = useBookQuery(house);
  const me = useSessionQuery(house);
  const mayPractise = usePermission('mark');
  if (book.error && !book.data)
    return <Failed error={book.error} onRetry={() => void book.refetch()} />;
  if (!book.data || !me.data) return <WaitingPage />;
  const skill = skillOf(name);
  // Who only looks has nothing that could be kept.
  if (!mayPractise || !skill) return <Navigate to={`/${house}/crew/practice`} replace />;
  return <Round key={skill} house={house} book={book.data} me={me.data} skill={skill} />;
}

function Round({
  house,
  book,
  me,
  skill,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly me: Session;
  readonly skill: DrillSkill;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const title = t(`readiness.skill.${skill}`);
  const who = { house, personId: me.personId, skill };
  const { turn, scores, isOver, say, goOn, stop } = useDrill(who, book, title);
  const mean = scores.reduce((sum, score) => sum + score, 0) / Math.max(1, scores.length);
  const aside = (
    <Button variant="outlined" component={Link} to={`/${house}/crew/practice`} onClick={stop}>
      {t('practice.stop')}
    </Button>
  );
  return (
    <Page title={title} lead={t(`practice.drill.lead.${skill}`)} aside={aside}>
      {turn === null && <Waiting />}
      {turn === 'none' && <p>{t('practice.reading.none')}</p>}
      {turn !== null && turn !== 'none' && (
        <div className={styles['drill']}>
          <p className="quiet">
            {t('practice.drill.which', {
              number: f.count(scores.length + (turn.said ? 0 : 1)),
              all: f.count(DRILL_ROUND),
            })}
          </p>
          <Question
            key={scores.length - (turn.said ? 1 : 0)}
            question={turn.question}
            said={turn.said?.answer ?? null}
            onSay={say}
          />
          {turn.said && (
            <>
              <Explained question={turn.question} said={turn.said} />
              {isOver && (
                <p>
                  <b>{t('practice.reading.over', { score: f.count(Math.round(100 * mean)) })}</b>
                </p>
              )}
              <Button variant="contained" size="large" onClick={goOn}>
                {t(isOver ? 'practice.reading.again' : 'practice.drill.next')}
              </Button>
            </>
          )}
        </div>
      )}
    </Page>
  );
}
