import { useTranslation } from 'react-i18next';
import { PlaceNav } from '../../parts/layout/PlaceNav';
import { useHouse } from '../../state/board/useBoard';

/** The pages of Crew. */
export function CrewNav() {
  const { t } = useTranslation();
  const house = useHouse();
  return (
    <PlaceNav
      title={t('stops.crew')}
      pages={[
        { to: `/${house}/crew`, name: t('crew.nav.everybody') },
        { to: `/${house}/crew/shift`, name: t('crew.nav.mine') },
        { to: `/${house}/crew/handover`, name: t('crew.nav.handover') },
        { to: `/${house}/crew/practice`, name: t('crew.nav.practice') },
      ]}
    />
  );
}
