import { enteredLate } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';

/** Says of a record that it was entered well after it is said to have been so, and when. */
export function EnteredLate({
  of,
}: {
  readonly of: { readonly at: string; readonly receivedAt: string | null };
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const at = enteredLate(of);
  if (at === null) return null;
  return <em className="quiet">{t('record.enteredLate', { at: f.moment(Date.parse(at)) })}</em>;
}
