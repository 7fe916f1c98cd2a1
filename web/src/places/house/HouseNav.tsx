import { useTranslation } from 'react-i18next';
import { PlaceNav } from '../../parts/layout/PlaceNav';
import { useHouse } from '../../state/board/useBoard';

/** The pages of House. */
export function HouseNav() {
  const { t } = useTranslation();
  const house = useHouse();
  return (
    <PlaceNav
      title={t('stops.house')}
      pages={[
        { to: `/${house}/house`, name: t('house.nav.setUp') },
        { to: `/${house}/house/learned`, name: t('house.nav.learned') },
      ]}
    />
  );
}
