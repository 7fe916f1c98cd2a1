import SearchOutlined from '@mui/icons-material/SearchOutlined';
import Dialog from '@mui/material/Dialog';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import useAutocomplete from '@mui/material/useAutocomplete';
import { useDeferredValue, useMemo, useState, type KeyboardEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { useLocation, useNavigate } from 'react-router';
import { useHouse } from '../../state/board/useBoard';
import { useSettled } from '../../state/time/useSettled';
import { findAmong, type Findable } from './findables';
import styles from './SearchDialog.module.css';
import { useFindables } from './useFindables';

/** The log is asked once nothing was typed for so long, ms. */
const SETTLED_MS = 200;

/** Escape is the dialog's: the list would take it to empty the field. */
function leaveEscape(event: KeyboardEvent & { defaultMuiPrevented?: boolean }): void {
  if (event.key === 'Escape') event.defaultMuiPrevented = true;
}

/** One field for all that a house has; Enter goes there. */
export function SearchDialog({ onClose }: { readonly onClose: () => void }) {
  const { t } = useTranslation();
  const house = useHouse();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const [typed, setTyped] = useState('');
  const { all, isAsking } = useFindables(house, useSettled(typed, SETTLED_MS));
  const wanted = useDeferredValue(typed);
  const found = useMemo(() => findAmong(all, wanted), [all, wanted]);
  const go = (to: Findable | null) => {
    if (!to) return;
    onClose();
    // What is looked up in the manual opens beside the page that is open.
    void navigate(to.to.startsWith('?') ? `${pathname}${to.to}` : `/${house}/${to.to}`);
  };
  const list = useAutocomplete({
    id: 'search',
    options: found,
    open: true,
    autoHighlight: true,
    clearOnBlur: false,
    value: null,
    inputValue: typed,
    filterOptions: (options) => options,
    getOptionLabel: ({ name }) => name,
    getOptionKey: ({ kind, to, name }) => `${kind} ${to} ${name}`,
    onInputChange: (_event, text, reason) => reason === 'input' && setTyped(text),
    onChange: (_event, to) => go(to),
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="search-title">
      <h2 id="search-title" className="sr-only">
        {t('search.title')}
      </h2>
      <div className={styles['search']} {...list.getRootProps({ onKeyDown: leaveEscape })}>
        <TextField
          fullWidth
          label={t('search.what')}
          slotProps={{
            htmlInput: { ...list.getInputProps(), autoFocus: true },
            inputLabel: { ...list.getInputLabelProps(), shrink: true },
            input: {
              startAdornment: (
                <InputAdornment position="start">
                  <SearchOutlined />
                </InputAdornment>
              ),
            },
          }}
        />
        <ul className={styles['found']} {...list.getListboxProps()} aria-label={t('search.found')}>
          {found.map((each, index) => (
            <li
              className={styles['option']}
              {...list.getOptionProps({ option: each, index })}
              key={`${each.kind} ${each.to} ${each.name}`}
            >
              <span>{each.name}</span>
              {each.hint && <span className="quiet">{each.hint}</span>}
              <span className={styles['kind']}>{t(`search.kind.${each.kind}`)}</span>
            </li>
          ))}
        </ul>
        <p className={styles['none']} role="status">
          {isAsking ? t('shell.waiting') : found.length === 0 ? t('search.none', { typed }) : ''}
        </p>
      </div>
    </Dialog>
  );
}
