import { useTranslation } from 'react-i18next';
import { PlaceNav } from '../../parts/layout/PlaceNav';
import { useHouse } from '../../state/board/useBoard';

const PAGES = ['', '/services', '/history'] as const;

/** The pages of demand: the numbers, when the house sells, what it sold. */
export function DemandNav() {
  const { t } = useTranslation();
  const house = useHouse();
  return (
    <PlaceNav
      title={t('demand.nav.title')}
      pages={PAGES.map((page) => ({
        to: `/${house}/demand${page}`,
        name: t(`demand.nav.${page.slice(1) || 'numbers'}`),
      }))}
    />
  );
}
