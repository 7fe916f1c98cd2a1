import { useTranslation } from 'react-i18next';
import { Message } from '../parts/messages/Message';
import { useHouse } from '../state/board/useBoard';

/** An address that leads nowhere. */
export function NoSuchPage() {
  const { t } = useTranslation();
  const house = useHouse();
  return (
    <Message
      title={t('shell.noPage')}
      text={t('shell.noPageHow')}
      link={{ label: t('stops.tonight'), to: `/${house}/tonight` }}
    />
  );
}
