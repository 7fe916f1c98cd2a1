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
import { AddEvening } from './AddEvening';
import styles from './Evening.module.css';
import { situationAbout, situationTitle } from './situationWords';
import { useSituations } from './useSituations';

/** Evenings that can be run on the house's own doughs. */
export function Evenings() {
  const { t } = useTranslation();
  const house = useHouse();
  const book = useBookQuery(house);
  const situations = useSituations(book.data);
  const mayPractise = usePermission('mark');
  const mayAdd = usePermission('book');
  if (book.error && !book.data)
    return <Failed error={book.error} onRetry={() => void book.refetch()} />;
  if (!book.data || !situations) return <WaitingPage />;
  return (
    <Page
      title={t('practice.evenings.title')}
      lead={t('practice.evenings.lead')}
      aside={mayAdd && <AddEvening house={house} book={book.data} />}
    >
      <CrewNav />
      <ul className={styles['situations']}>
        {situations.map((each) => (
          <li key={each.name}>
            <div>
              <h2>{situationTitle(t, each)}</h2>
              <p>{situationAbout(t, each)}</p>
            </div>
            {mayPractise && (
              <Button
                variant="outlined"
                size="large"
                component={Link}
                to={`/${house}/crew/practice/evenings/${each.name}`}
                aria-label={t('practice.evenings.beginWhich', { which: situationTitle(t, each) })}
              >
                {t('practice.evenings.begin')}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Page>
  );
}
