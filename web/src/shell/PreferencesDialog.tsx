import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { DISPLAY_CHOICES, type DisplayPreferences } from '@calm/contract';
import { makeFormats } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../parts/format/useFormats';
import { useNotices } from '../parts/messages/Notices';
import { useBookQuery } from '../state/api/api';
import { useChangePreferencesMutation } from '../state/api/sessionApi';
import { useChangeSettingsMutation } from '../state/api/settingsApi';
import { usePermission } from '../state/api/usePermission';
import { useHouse } from '../state/board/useBoard';
import { displayed } from '../state/display';
import { useAppDispatch, useAppSelector } from '../state/store';
import styles from './PreferencesDialog.module.css';

/** How whoever is signed in reads words and numbers, wherever they sign in. The house's data stays as it is. */
export function PreferencesDialog({ onClose }: { readonly onClose: () => void }) {
  const { t } = useTranslation();
  const house = useHouse();
  const maySetHouse = usePermission('book');
  const { said, failed } = useNotices();
  const { data: book } = useBookQuery(house);
  const display = useAppSelector((state) => state.display);
  const dispatch = useAppDispatch();
  const [changePreferences] = useChangePreferencesMutation();
  const [changeSettings] = useChangeSettingsMutation();

  const change = async (to: Partial<DisplayPreferences>) => {
    const preferences = { ...display, ...to };
    dispatch(displayed(preferences));
    const { error } = await changePreferences({ house, preferences });
    if (error) failed(t('reading.notSaved'));
  };
  const setForHouse = async () => {
    if (!book) return;
    const { version } = book.house;
    const { error } = await changeSettings({ house, change: { version, display } });
    if (error) failed(t('errors.notSaved'));
    else said(t('reading.asHouseSet'));
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{t('shell.reading')}</DialogTitle>
      <DialogContent>
        <div className={styles['choices']}>
          {Object.keys(DISPLAY_CHOICES).map((of) => (
            <Choice
              key={of}
              of={of as keyof DisplayPreferences}
              display={display}
              onChange={(to) => void change(to)}
            />
          ))}
        </div>
        <p className="quiet small">{t('reading.how')}</p>
        {maySetHouse && (
          <Button size="small" onClick={() => void setForHouse()}>
            {t('reading.asHouse')}
          </Button>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('shell.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}

/** When it is twenty to three in the afternoon, and how two and a half is written. */
const EXAMPLE_MIN = 14 * 60 + 40;
const EXAMPLE_NUMBER = 2.5;

function Choice({
  of,
  display,
  onChange,
}: {
  readonly of: keyof DisplayPreferences;
  readonly display: DisplayPreferences;
  readonly onChange: (to: Partial<DisplayPreferences>) => void;
}) {
  const { t } = useTranslation();
  const { preferences } = useFormats();
  const example = (value: string) => {
    const f = makeFormats({ ...preferences, ...display, [of]: value });
    return of === 'clock' ? f.timeOfDay(EXAMPLE_MIN) : f.plain(EXAMPLE_NUMBER, 1);
  };
  return (
    <TextField
      select
      label={t(`reading.title.${of}`)}
      value={display[of]}
      onChange={({ target }) => onChange({ [of]: target.value })}
    >
      {DISPLAY_CHOICES[of].map((value) => (
        <MenuItem key={value} value={value} {...(of === 'language' && { lang: value })}>
          {t(`reading.value.${value}`, { example: example(value) })}
        </MenuItem>
      ))}
    </TextField>
  );
}
