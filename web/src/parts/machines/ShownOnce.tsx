import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import styles from './ShownOnce.module.css';

/** A secret that is shown this once, to be taken where it belongs. */
export function ShownOnce({
  secret,
  children,
}: {
  readonly secret: string;
  /** What it is, and what to do with it. */
  readonly children: ReactNode;
}) {
  const { t } = useTranslation();
  const [copied, setCopied] = useState<string | null>(null);
  const copy = async () => {
    await navigator.clipboard?.writeText(secret);
    setCopied(secret);
  };
  return (
    <div role="status" className={styles['secret']}>
      <p>{children}</p>
      <code>{secret}</code>
      <Button variant="outlined" onClick={() => void copy().catch(() => undefined)}>
        {t(copied === secret ? 'machines.copied' : 'machines.copy')}
      </Button>
    </div>
  );
}
