import { useTranslation } from 'react-i18next';
import { Message } from '../../parts/messages/Message';

/** Shown when no house can be gone to: the server does not answer. */
export function NoHouse({ onRetry }: { readonly onRetry: () => void }) {
  const { t } = useTranslation();
  return (
    <main>
      <Message
        title={t('errors.unreachable')}
        text={t('errors.unreachableHow')}
        action={{ label: t('errors.retry'), onClick: onRetry }}
      />
    </main>
  );
}
