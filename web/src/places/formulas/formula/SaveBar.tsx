import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { TwoSides } from '../../../parts/messages/TwoSides';
import type { Disagreement } from '../../../state/api/useWrite';
import styles from './SaveBar.module.css';

/** What is not saved yet, at the foot of a page: save it, or let it go; or settle who is right. */
export function SaveBar({
  save,
  isSending,
  disagreement = null,
  onSave,
  onDiscard,
  children,
}: {
  /** On the button. */
  readonly save: string;
  readonly isSending: boolean;
  /** Somebody saved it in the meantime; what is new cannot be. */
  readonly disagreement?: {
    readonly what: string;
    readonly stale: Disagreement<{ readonly version: number }, unknown>;
    readonly onKeepTheirs: () => void;
    /** Writes it over the version that is there now. */
    readonly onUseMine: (version: number) => void;
  } | null;
  readonly onSave: () => void;
  readonly onDiscard: () => void;
  readonly children?: ReactNode;
}) {
  const { t } = useTranslation();
  return (
    <section className={styles['save']} aria-label={t('formulas.page.unsaved')}>
      {children}
      <Button variant="contained" disabled={isSending} onClick={onSave}>
        {save}
      </Button>
      <Button variant="outlined" onClick={onDiscard}>
        {t('formulas.page.discard')}
      </Button>
      {disagreement && (
        <div className={styles['stale']}>
          <TwoSides
            what={disagreement.what}
            theirs={t('formulas.versions.version', {
              version: disagreement.stale.theirs.version,
            })}
            mine={t('formulas.page.yours')}
            onKeepTheirs={disagreement.onKeepTheirs}
            onUseMine={() => disagreement.onUseMine(disagreement.stale.theirs.version)}
          />
        </div>
      )}
    </section>
  );
}
