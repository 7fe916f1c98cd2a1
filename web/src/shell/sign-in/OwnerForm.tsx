import Button from '@mui/material/Button';
import type { OwnerStart } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { problemWords } from '../../parts/messages/problemWords';
import { useStartOwnerMutation } from '../../state/api/sessionApi';
import { isGoodOwner, OwnerFields, ownerOf } from './OwnerFields';
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
  return (
    <>
      <h1>{t('signIn.owner')}</h1>
      <p>{t('signIn.ownerHow')}</p>
      <form
        className={styles['form']}
        onSubmit={(submit) => {
          submit.preventDefault();
          setTried(true);
          if (isGoodOwner(owner)) void start({ house, owner: ownerOf(owner) });
        }}
      >
        <OwnerFields
          owner={owner}
          hasTried={hasTried}
          onChange={(to) => setOwner((before) => ({ ...before, ...to }))}
        />
        {error && <p role="alert">{problemWords(t, error, t('signIn.unreached'))}</p>}
        <Button type="submit" variant="contained" size="large" disabled={isLoading}>
          {t('signIn.makeAccount')}
        </Button>
      </form>
    </>
  );
}
