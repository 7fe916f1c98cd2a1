import { useTranslation } from 'react-i18next';
import { PlaceNav } from '../../parts/layout/PlaceNav';
import { useHouse } from '../../state/board/useBoard';

const PAGES = ['', '/routes', '/pantry'] as const;

/** The three shelves of the book: doughs, routes, what the house buys. */
export function BookNav() {
  const { t } = useTranslation();
  const house = useHouse();
  return (
    <PlaceNav
      title={t('formulas.nav.title')}
      pages={PAGES.map((page) => ({
        to: `/${house}/formulas${page}`,
        name: t(`formulas.nav.${page.slice(1) || 'doughs'}`),
      }))}
    />
  );
}
