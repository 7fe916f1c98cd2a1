import { useTranslation } from 'react-i18next';
import { useLocation } from 'react-router';
import { Waiting } from '../messages/Waiting';
import { Page } from './Page';
import styles from './WaitingPage.module.css';

/** Stands in for a page until its code and its numbers are here: the place's name, and where things will be. */
export function WaitingPage() {
  const { t, i18n } = useTranslation();
  const [, , stop = ''] = useLocation().pathname.split('/');
  const name = `stops.${stop}`;
  return (
    <Page title={i18n.exists(name) ? t(name) : t('shell.waiting')} isWaiting>
      <Waiting />
      <div className={styles['bones']} aria-hidden="true">
        <span />
        <span />
        <span />
      </div>
    </Page>
  );
}
