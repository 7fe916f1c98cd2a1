import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useTranslation } from 'react-i18next';
import styles from './KeysDialog.module.css';
import { STOPS } from './spine/stops';

/** The list of keys, opened by `?`. */
export function KeysDialog({
  isOpen,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const rows: readonly (readonly [string, string])[] = [
    ...STOPS.map(({ digit, path }) => [digit, t(`stops.${path}`)] as const),
    ['n', t('keys.now')],
    ['[  ]', t('keys.quarter')],
    ['{  }', t('keys.threeHours')],
    ['↑  ↓', t('keys.field')],
    ['Enter', t('keys.enter')],
    ['Esc', t('keys.escape')],
    ['Ctrl Z', t('keys.undo')],
    ['?', t('keys.help')],
  ];
  return (
    <Dialog open={isOpen} onClose={onClose}>
      <DialogTitle>{t('shell.keys')}</DialogTitle>
      <DialogContent>
        <dl className={styles['keys']}>
          {rows.map(([key, what]) => (
            <div key={key}>
              <dt>
                <kbd>{key}</kbd>
              </dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('shell.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}
