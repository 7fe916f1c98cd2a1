import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import type { Retirement } from './retirement';
import { EditOnly } from '../fields/editing';
import { useNotices } from '../messages/Notices';
import { problemOf } from '../messages/problemOf';
import { problemWords } from '../messages/problemWords';

/** Has the house offer something no more, with the way back; says what still needs it where that cannot be. */
export function RetireButton({
  record: { id, name },
  retirement,
  onRetired,
}: {
  readonly record: { readonly id: string; readonly name: string };
  readonly retirement: Retirement;
  readonly onRetired: () => void;
}) {
  const { t } = useTranslation();
  const { changed, failed } = useNotices();
  const retire = async () => {
    try {
      await retirement.retire(id);
      changed(t('retired.done', { name }), () => retirement.bringBack(id));
      onRetired();
    } catch (error) {
      const isNeeded = problemOf(error)?.type === '/problems/in-use';
      failed(isNeeded ? t(`retired.needed.${retirement.kind}`) : problemWords(t, error));
    }
  };
  return (
    <EditOnly>
      <Button variant="outlined" onClick={() => void retire()}>
        {t('retired.retire')}
      </Button>
    </EditOnly>
  );
}
