import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import styles from './SignIn.module.css';

/** A manager's password. */
export function PasswordForm({
  isBusy,
  onSubmit,
}: {
  readonly isBusy: boolean;
  readonly onSubmit: (password: string) => void;
}) {
  const { t } = useTranslation();
  const [password, setPassword] = useState('');
  return (
    <form
      className={styles['form']}
      onSubmit={(submit) => {
        submit.preventDefault();
        onSubmit(password);
      }}
    >
      <TextField
        autoFocus
        type="password"
        autoComplete="current-password"
        label={t('signIn.password')}
        value={password}
        onChange={(typed) => setPassword(typed.target.value)}
      />
      <Button type="submit" variant="contained" size="large" disabled={password === '' || isBusy}>
        {t('signIn.comeIn')}
      </Button>
    </form>
  );
}
