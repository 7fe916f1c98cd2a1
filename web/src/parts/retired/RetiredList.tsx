import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Retirement } from './retirement';
import { EditOnly } from '../fields/editing';
import { useNotices } from '../messages/Notices';
import { problemWords } from '../messages/problemWords';
import styles from './RetiredList.module.css';

/** What a house offers no more, folded away; each can come back. */
export function RetiredList({
  title,
  records,
  retirement,
}: {
  /** What they are, and how many. */
  readonly title: string;
  readonly records: readonly { readonly id: string; readonly name: string }[];
  readonly retirement: Retirement;
}) {
  const { t } = useTranslation();
  const { changed, failed } = useNotices();
  const [isBusy, setBusy] = useState(false);
  if (records.length === 0) return null;
  const bringBack = async (id: string, name: string) => {
    setBusy(true);
    try {
      await retirement.bringBack(id);
      changed(t('retired.isBack', { name }), () => retirement.retire(id));
    } catch (error) {
      failed(problemWords(t, error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <details className={styles['retired']}>
      <summary>{title}</summary>
      <ul>
        {records.map(({ id, name }) => (
          <li key={id}>
            <span>{name}</span>
            <EditOnly>
              <Button
                size="small"
                variant="outlined"
                disabled={isBusy}
                aria-label={t('retired.backOf', { name })}
                onClick={() => void bringBack(id, name)}
              >
                {t('retired.back')}
              </Button>
            </EditOnly>
          </li>
        ))}
      </ul>
    </details>
  );
}
