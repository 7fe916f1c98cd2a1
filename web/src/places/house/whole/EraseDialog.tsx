import { paths, type House } from '@calm/contract';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { useTried } from '../../../parts/messages/useTried';
import styles from '../House.module.css';
import { useEraseHouseMutation, useKeepHouseMutation } from '../houseApi';

/** The wish to delete a house, with its name typed: nobody does that by a slip. */
export function EraseDialog({
  house: { slug, name },
  onClose,
}: {
  readonly house: House;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed } = useNotices();
  const [erase] = useEraseHouseMutation();
  const [keep] = useKeepHouseMutation();
  const [typed, setTyped] = useState('');
  const { wrong, tried } = useTried();
  const isName = typed.trim() === name;
  const submit = () =>
    tried(async () => {
      const { eraseOn } = await erase({ house: slug, name: typed.trim() }).unwrap();
      changed(t('house.erase.done', { name, date: f.date(eraseOn ?? '') }), () =>
        keep(slug).unwrap(),
      );
      onClose();
    });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (isName) void submit();
        }}
      >
        <DialogTitle>{t('house.erase.title', { name })}</DialogTitle>
        <DialogContent className={styles['words'] ?? ''}>
          <p>{t('house.erase.what')}</p>
          <p>
            {t('house.erase.first')}{' '}
            <a href={paths.houseArchive(slug)} download>
              {t('house.whole.archive')}
            </a>
          </p>
          <TextField
            autoFocus
            fullWidth
            size="small"
            autoComplete="off"
            label={t('house.erase.type', { name })}
            value={typed}
            onChange={({ target }) => setTyped(target.value)}
          />
          {wrong && <p role="alert">{wrong}</p>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{t('record.cancel')}</Button>
          <Button type="submit" variant="contained" color="error" disabled={!isName}>
            {t('house.erase.do')}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
