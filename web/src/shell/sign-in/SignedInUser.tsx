import LogoutOutlined from '@mui/icons-material/LogoutOutlined';
import { lazy, Suspense, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSessionQuery } from '../../state/api/api';
import { useHouse } from '../../state/board/useBoard';
import styles from './SignedInUser.module.css';

const SignOutDialog = lazy(async () => ({
  default: (await import('./SignOutDialog')).SignOutDialog,
}));

/** Who is signed in; a press asks whether to sign out, and then the next one taps their name. */
export function SignedInUser() {
  const { t } = useTranslation();
  const house = useHouse();
  const { data } = useSessionQuery(house);
  const [isLeaving, setLeaving] = useState(false);
  if (!data) return null;
  return (
    <>
      <button
        type="button"
        className={styles['whoever']}
        title={t('signIn.signOut')}
        aria-label={t('signIn.signedIn', { name: data.name })}
        aria-haspopup="dialog"
        onClick={() => setLeaving(true)}
      >
        <b>{data.initials}</b>
        <span>{data.name}</span>
        <LogoutOutlined fontSize="small" />
      </button>
      <Suspense>
        {isLeaving && <SignOutDialog session={data} onClose={() => setLeaving(false)} />}
      </Suspense>
    </>
  );
}
