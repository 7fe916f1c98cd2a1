import { useTranslation } from 'react-i18next';
import { PlaceNav } from '../../parts/layout/PlaceNav';
import { useHouse } from '../../state/board/useBoard';

/** The pages of Log. */
export function LogNav() {
  const { t } = useTranslation();
  const house = useHouse();
  const at = (page: string) => `/${house}/log${page}`;
  return (
    <PlaceNav
      title={t('stops.log')}
      pages={[
        { to: at(''), name: t('log.nav.lots') },
        { to: at('/consistency'), name: t('steady.title') },
        { to: at('/why'), name: t('causes.open') },
        { to: at('/trials'), name: t('trials.title') },
      ]}
    />
  );
}
