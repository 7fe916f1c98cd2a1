import { useTranslation } from 'react-i18next';
import { Message } from '../../parts/messages/Message';

/** Shown when there is no house to go to: none in the database, or no server. */
export function NoHouse({
  isEmpty,
  onRetry,
}: {
  readonly isEmpty: boolean;
  readonly onRetry: () => void;
}) {
  const { t } = useTranslation();
  return (
    <main>
      <Message
        title={isEmpty ? t('shell.noHouse') : t('errors.unreachable')}
        text={isEmpty ? t('shell.noHouseHow') : t('errors.unreachableHow')}
        action={{ label: t('errors.retry'), onClick: onRetry }}
      />
    </main>
  );
}
