import { useTranslation } from 'react-i18next';
import { PlaceNav } from '../../parts/layout/PlaceNav';
import { useHouse } from '../../state/board/useBoard';

/** The pages of Walk-in. */
export function WalkInNav() {
  const { t } = useTranslation();
  const house = useHouse();
  const at = (page: string) => `/${house}/walk-in${page}`;
  return (
    <PlaceNav
      title={t('stops.walk-in')}
      pages={[
        { to: at(''), name: t('walkIn.nav.racks') },
        { to: at('/air'), name: t('walkIn.nav.air') },
        { to: at('/load-in'), name: t('walkIn.nav.loadIn') },
        { to: at('/what-if'), name: t('walkIn.nav.whatIf') },
        { to: at('/record'), name: t('walkIn.nav.record') },
        { to: at('/places'), name: t('walkIn.nav.places') },
      ]}
    />
  );
}
