import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useMayEdit } from '../fields/editing';
import styles from './RecordDialog.module.css';

/** One record to be written: kept whole, left as it was, or taken out. */
export function RecordDialog({
  title,
  wrong,
  width = 'xs',
  isRestored = false,
  onKeep,
  onRemove,
  isRetired = false,
  onClose,
  children,
}: {
  readonly title: string;
  /** Why it could not be kept; null is nothing. */
  readonly wrong: string | null;
  readonly width?: 'xs' | 'sm';
  /** Whether it goes on from what was typed here before. */
  readonly isRestored?: boolean;
  readonly onKeep: () => void;
  /** Absent where there is nothing to take out yet. */
  readonly onRemove?: (() => void) | undefined;
  /** Whether what is taken out is offered no more, rather than deleted. */
  readonly isRetired?: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
}) {
  const { t } = useTranslation();
  const mayEdit = useMayEdit();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth={width}>
      <form
        onSubmit={(submit) => {
          submit.preventDefault();
          onKeep();
        }}
      >
        <DialogTitle>{title}</DialogTitle>
        <DialogContent className={styles['form'] ?? ''}>
          {isRestored && <p className="quiet small">{t('record.restored')}</p>}
          {children}
          {wrong && <p role="alert">{wrong}</p>}
        </DialogContent>
        <DialogActions>
          {onRemove && mayEdit && (
            <Button color={isRetired ? 'inherit' : 'error'} onClick={onRemove}>
              {t(isRetired ? 'retired.retire' : 'record.remove')}
            </Button>
          )}
          <Button onClick={onClose}>{t(mayEdit ? 'record.cancel' : 'shell.close')}</Button>
          {mayEdit && (
            <Button type="submit" variant="contained">
              {t('record.keep')}
            </Button>
          )}
        </DialogActions>
      </form>
    </Dialog>
  );
}
