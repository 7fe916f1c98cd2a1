import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Page } from '../../../../parts/layout/Page';
import { WaitingPage } from '../../../../parts/layout/WaitingPage';
import { Failed } from '../../../../parts/messages/Failed';
import { useBookQuery } from '../../../../state/api/api';
import { usePermission } from '../../../../state/api/usePermission';
import { useHouse } from '../../../../state/board/useBoard';
import { CrewNav } from '../../CrewNav';
import { useWeeks } from '../week/useWeeks';
import { weekAbout, weekTitle } from '../week/weekWords';
import { AddEvening } from './AddEvening';
import styles from './Evening.module.css';
import { situationAbout, situationTitle } from './situationWords';
import { useSituations } from './useSituations';

/** Evenings that can be run on the house's own doughs, one by one or several in a row. */
export function Evenings() {
  const { t } = useTranslation();
  const house = useHouse();
  const book = useBookQuery(house);
  const situations = useSituations(book.data);
  const weeks = useWeeks(book.data);
  const mayPractise = usePermission('mark');
  const mayAdd = usePermission('book');
  if (book.error && !book.data)
    return <Failed error={book.error} onRetry={() => void book.refetch()} />;
  if (!book.data || !situations || !weeks) return <WaitingPage />;
  const lists = [
    {
      name: t('practice.evenings.one'),
      all: situations.map((each) => ({
        key: each.name,
        title: situationTitle(t, each),
        about: situationAbout(t, each),
        path: `evenings/${each.name}`,
      })),
    },
    {
      name: t('practice.evenings.several'),
      all: weeks.map((each) => ({
        key: each.name,
        title: weekTitle(t, each),
        about: weekAbout(t, each),
        path: `weeks/${each.name}`,
      })),
    },
  ];
  return (
    <Page
      title={t('practice.evenings.title')}
      lead={t('practice.evenings.lead')}
      aside={mayAdd && <AddEvening house={house} book={book.data} />}
    >
      <CrewNav />
      {lists.map(({ name, all }) => (
        <section key={name}>
          <h2 className={styles['situationsName']}>{name}</h2>
          <ul className={styles['situations']}>
            {all.map(({ key, title, about, path }) => (
              <li key={key}>
                <div>
                  <h3>{title}</h3>
                  <p>{about}</p>
                </div>
                {mayPractise && (
                  <Button
                    variant="outlined"
                    size="large"
                    component={Link}
                    to={`/${house}/crew/practice/${path}`}
                    aria-label={t('practice.evenings.beginWhich', { which: title })}
                  >
                    {t('practice.evenings.begin')}
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </section>
      ))}
    </Page>
  );
}
