import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { useId } from 'react';
import { useTranslation } from 'react-i18next';
import { preferred, type Preferences } from '../state/preferences';
import { useAppDispatch, useAppSelector } from '../state/store';

/** How the person at this device reads numbers. The house's data stays as it is. */
export function PreferencesDialog({
  isOpen,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Dialog open={isOpen} onClose={onClose}>
      <DialogTitle>{t('shell.reading')}</DialogTitle>
      <DialogContent>
        <Choice of="units" values={['metric', 'us']} />
        <Choice of="decimal" values={['point', 'comma']} />
        <p className="quiet small">{t('reading.onlyHere')}</p>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('shell.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}

function Choice<Key extends 'units' | 'decimal'>({
  of,
  values,
}: {
  readonly of: Key;
  readonly values: readonly Preferences[Key][];
}) {
  const { t } = useTranslation();
  const value = useAppSelector((state) => state.preferences[of]);
  const dispatch = useAppDispatch();
  const id = useId();
  return (
    <>
      <h3 id={id}>{t(`reading.${of}.title`)}</h3>
      <RadioGroup
        aria-labelledby={id}
        value={value}
        onChange={(_event, to) => dispatch(preferred({ [of]: to } as Partial<Preferences>))}
      >
        {values.map((each) => (
          <FormControlLabel
            key={each}
            value={each}
            control={<Radio />}
            label={t(`reading.${of}.${each}`)}
          />
        ))}
      </RadioGroup>
    </>
  );
}
