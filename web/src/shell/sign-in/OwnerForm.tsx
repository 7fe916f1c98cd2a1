import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { isGoodSecret, PASSWORD_LENGTH, type OwnerStart } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { problemWords } from '../../parts/messages/problemWords';
import { useStartOwnerMutation } from '../../state/api/sessionApi';
import styles from './SignIn.module.css';

/** The first account of a house that nobody looks after yet. */
export function OwnerForm({ house }: { readonly house: string }) {
  const { t } = useTranslation();
  const [start, { isLoading, error }] = useStartOwnerMutation();
  const [owner, setOwner] = useState<OwnerStart>({
    name: '',
    initials: '',
    password: '',
    code: '',
  });
  const [hasTried, setTried] = useState(false);
  const isLongEnough = isGoodSecret('manager', owner.password);
  const put = (to: Partial<OwnerStart>) => setOwner((before) => ({ ...before, ...to }));
  return (
    <>
      <h1>{t('signIn.owner')}</h1>
      <p>{t('signIn.ownerHow')}</p>
      <form
        className={styles['form']}
        onSubmit={(submit) => {
          submit.preventDefault();
          setTried(true);
          if (isLongEnough) void start({ house, owner });
        }}
      >
        <TextField
          autoFocus
          required
          autoComplete="off"
          label={t('signIn.code')}
          helperText={t('signIn.codeHow')}
          value={owner.code}
          onChange={(typed) => put({ code: typed.target.value })}
          slotProps={{ htmlInput: { maxLength: 40 } }}
        />
        <TextField
          required
          label={t('signIn.name')}
          value={owner.name}
          onChange={(typed) => put({ name: typed.target.value })}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <TextField
          required
          label={t('signIn.initials')}
          value={owner.initials}
          onChange={(typed) => put({ initials: typed.target.value.toUpperCase() })}
          slotProps={{ htmlInput: { maxLength: 4 } }}
        />
        <TextField
          required
          type="password"
          autoComplete="new-password"
          label={t('signIn.password')}
          helperText={t('signIn.passwordHow', { count: PASSWORD_LENGTH.least })}
          error={hasTried && !isLongEnough}
          slotProps={hasTried && !isLongEnough ? { formHelperText: { role: 'alert' } } : {}}
          value={owner.password}
          onChange={(typed) => put({ password: typed.target.value })}
        />
        {error && <p role="alert">{problemWords(t, error, t('signIn.unreached'))}</p>}
        <Button type="submit" variant="contained" size="large" disabled={isLoading}>
          {t('signIn.makeAccount')}
        </Button>
      </form>
    </>
  );
}
