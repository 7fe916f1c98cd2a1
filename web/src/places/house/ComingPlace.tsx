import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useHouse } from '../../state/board/useBoard';
import styles from './ComingPlace.module.css';
import { Page } from '../../parts/layout/Page';

/** A place that is not built yet: what will be there, and what works instead today. */
export function ComingPlace({ stop, today }: { readonly stop: string; readonly today: string }) {
  const { t } = useTranslation();
  const house = useHouse();
  return (
    <Page title={t(`stops.${stop}`)}>
      <dl className={styles['coming']}>
        <dt>{t('coming.willBe')}</dt>
        <dd>{t(`coming.${stop}`)}</dd>
        <dt>{t('coming.today')}</dt>
        <dd>{t(`coming.${stop}_today`)}</dd>
      </dl>
      <Button variant="outlined" component={Link} to={`/${house}/${today}`}>
        {t(`stops.${today}`)}
      </Button>
    </Page>
  );
}
