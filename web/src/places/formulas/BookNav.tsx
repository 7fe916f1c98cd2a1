import { useTranslation } from 'react-i18next';
import { NavLink } from 'react-router';
import { useHouse } from '../../state/useBoard';
import styles from './BookNav.module.css';

const PAGES = ['', '/routes', '/pantry'] as const;

/** The three shelves of the book: doughs, routes, what the house buys. */
export function BookNav() {
  const { t } = useTranslation();
  const house = useHouse();
  return (
    <nav className={styles['nav']} aria-label={t('formulas.nav.title')}>
      {PAGES.map((page) => (
        <NavLink key={page} end to={`/${house}/formulas${page}`}>
          {t(`formulas.nav.${page.slice(1) || 'doughs'}`)}
        </NavLink>
      ))}
    </nav>
  );
}
