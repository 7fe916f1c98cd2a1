import { PRACTICE_SKILLS } from '@calm/contract';
import { personOf, practiceSkills } from '@calm/domain';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { WideTable } from '../../../parts/layout/WideTable';
import { Failed } from '../../../parts/messages/Failed';
import { useBookQuery } from '../../../state/api/api';
import { usePermission } from '../../../state/api/usePermission';
import { useHouse } from '../../../state/board/useBoard';
import { dateAt } from '../../../state/time/localDate';
import { useCursor } from '../../../state/time/useCursor';
import { CrewNav } from '../CrewNav';
import { ReadinessRules } from './rules/ReadinessRules';
import styles from './Practice.module.css';
import { usePracticeResults } from '../../../state/practice/usePracticeResults';

/** What is asked and answered one at a time. */
const DRILLS = PRACTICE_SKILLS.filter((skill) => skill !== 'reading' && skill !== 'evening');

/** What can be practised. */
const EXERCISES = [
  { key: 'reading', path: 'crew/practice/reading', open: 'practice.reading.begin' },
  { key: 'evenings', path: 'crew/practice/evenings', open: 'practice.evenings.open' },
  { key: 'rehearsal', path: 'plan/rehearsal', open: 'practice.rehearsal.open' },
] as const;

/** The craft on one's own dough, before it costs anything: what can be practised, and how it went. */
export function Practice() {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const mayPractise = usePermission('mark');
  const { nowMs } = useCursor();
  const book = useBookQuery(house);
  const results = usePracticeResults(house);
  if (book.error && !book.data)
    return <Failed error={book.error} onRetry={() => void book.refetch()} />;
  if (!book.data || !results) return <WaitingPage />;
  const skills = practiceSkills(results);
  const { data } = book;
  const dateOf = (ms: number) => dateAt(ms, data.house.timeZone);
  return (
    <Page
      title={t('practice.title')}
      lead={t('practice.lead')}
      aside={
        skills.length > 0 && (
          <Button variant="outlined" onClick={() => window.print()}>
            {t('readiness.print')}
          </Button>
        )
      }
    >
      <CrewNav />
      {EXERCISES.map(({ key, path, open }) => (
        <section key={key} className={styles['exercise']} aria-labelledby={`practice-${key}`}>
          <div>
            <h2 id={`practice-${key}`}>{t(`practice.${key}.title`)}</h2>
            <p>{t(`practice.${key}.about`)}</p>
          </div>
          {mayPractise && (
            <Button
              variant={key === 'reading' ? 'contained' : 'outlined'}
              size="large"
              component={Link}
              to={`/${house}/${path}`}
            >
              {t(open)}
            </Button>
          )}
        </section>
      ))}
      <section className={styles['exercise']} aria-labelledby="practice-drills">
        <div>
          <h2 id="practice-drills">{t('practice.drill.title')}</h2>
          <p>{t('practice.drill.about')}</p>
        </div>
        {mayPractise && (
          <div className={styles['drills']}>
            {DRILLS.map((skill) => (
              <Button
                key={skill}
                variant="outlined"
                size="large"
                component={Link}
                to={`/${house}/crew/practice/drills/${skill}`}
              >
                {t(`readiness.skill.${skill}`)}
              </Button>
            ))}
          </div>
        )}
      </section>
      <section>
        <h2>{t('practice.skills.title')}</h2>
        <p className={styles['onPaper']}>{f.joined(data.house.name, f.fullDate(dateOf(nowMs)))}</p>
        {skills.length === 0 ? (
          <p className="quiet">{t('practice.skills.none')}</p>
        ) : (
          <WideTable label={t('practice.skills.title')}>
            <Table>
              <TableHead>
                <TableRow>
                  <TableCell>{t('practice.skills.who')}</TableCell>
                  <TableCell>{t('practice.skills.what')}</TableCell>
                  <TableCell align="right">{t('practice.skills.count')}</TableCell>
                  <TableCell align="right">{t('practice.skills.well')}</TableCell>
                  <TableCell align="right">{t('practice.skills.steady')}</TableCell>
                  <TableCell>{t('practice.skills.last')}</TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {skills.map(({ personId, skill, count, mean, spread, lastAtMs }) => (
                  <TableRow key={`${personId} ${skill}`}>
                    <TableCell component="th" scope="row">
                      {personOf(data, personId)?.name ?? ''}
                    </TableCell>
                    <TableCell>{t(`readiness.skill.${skill}`)}</TableCell>
                    <TableCell align="right">{f.count(count)}</TableCell>
                    <TableCell align="right">{f.count(Math.round(100 * mean))}</TableCell>
                    <TableCell align="right">± {f.count(Math.round(100 * spread))}</TableCell>
                    <TableCell>{f.fullDate(dateOf(lastAtMs))}</TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
          </WideTable>
        )}
      </section>
      <ReadinessRules house={data.house} />
    </Page>
  );
}
