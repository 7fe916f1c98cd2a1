import { useTranslation } from 'react-i18next';
import { problemOf } from './problemOf';
import { Message } from './Message';

/** A page that could not be read: what happened, and how to go on. */
export function Failed({
  error,
  onRetry,
}: {
  readonly error: unknown;
  readonly onRetry: () => void;
}) {
  const { t } = useTranslation();
  const problem = problemOf(error);
  const action = { label: t('errors.retry'), onClick: onRetry };
  if (!problem) {
    return (
      <Message title={t('errors.unreachable')} text={t('errors.unreachableHow')} action={action} />
    );
  }
  if (problem.status === 404) {
    return (
      <Message
        title={t('errors.gone')}
        text={t('errors.goneHow')}
        link={{ label: t('errors.start'), to: '/' }}
      />
    );
  }
  return (
    <Message
      title={t('errors.unexpected')}
      text={t('errors.unexpectedHow', { requestId: problem.requestId })}
      action={action}
    />
  );
}
