import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useTranslation } from 'react-i18next';
import { preferred } from '../state/preferences';
import { useAppDispatch, useAppSelector } from '../state/store';
import styles from './KeysDialog.module.css';
import { canBeShortcut, shortcutKeys, withKey, type ShortcutId } from './shortcuts';

/** Keys that cannot be changed: every program has them so. */
const FIXED = ['search', 'field', 'enter', 'escape', 'undo'] as const;
const FIXED_KEYS: Readonly<Record<(typeof FIXED)[number], string>> = {
  search: 'Ctrl K',
  field: '↑  ↓',
  enter: 'Enter',
  escape: 'Esc',
  undo: 'Ctrl Z',
};

/** The list of keys, where single keys can be changed and turned off. */
export function KeysDialog({ onClose }: { readonly onClose: () => void }) {
  const { t } = useTranslation();
  const { areKeysOn, keys } = useAppSelector((state) => state.preferences);
  const dispatch = useAppDispatch();
  const nameOf = (id: ShortcutId) =>
    id.startsWith('stop-') ? t(`stops.${id.replace('stop-', '')}`) : t(`keys.${id}`);
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>{t('shell.keys')}</DialogTitle>
      <DialogContent>
        <FormControlLabel
          control={
            <Switch
              checked={areKeysOn}
              onChange={(_event, isOn) => dispatch(preferred({ areKeysOn: isOn }))}
            />
          }
          label={t('keys.areOn')}
        />
        <p className="quiet small">{t('keys.change')}</p>
        <dl className={styles['keys']}>
          {shortcutKeys(keys).map(([id, key]) => (
            <div key={id}>
              <dt>
                <input
                  className={styles['key']}
                  aria-label={t('keys.keyOf', { what: nameOf(id) })}
                  value={key}
                  disabled={!areKeysOn}
                  readOnly
                  onKeyDown={(event) => {
                    if (!canBeShortcut(event.key) || event.ctrlKey || event.metaKey) return;
                    event.preventDefault();
                    dispatch(preferred({ keys: withKey(keys, id, event.key) }));
                  }}
                />
              </dt>
              <dd>{nameOf(id)}</dd>
            </div>
          ))}
          {FIXED.map((id) => (
            <div key={id}>
              <dt>
                <kbd>{FIXED_KEYS[id]}</kbd>
              </dt>
              <dd>{t(`keys.${id}`)}</dd>
            </div>
          ))}
        </dl>
      </DialogContent>
      <DialogActions>
        <Button onClick={() => dispatch(preferred({ keys: {}, areKeysOn: true }))}>
          {t('keys.reset')}
        </Button>
        <Button onClick={onClose}>{t('shell.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}
