import LogoutOutlined from '@mui/icons-material/LogoutOutlined';
import Tooltip from '@mui/material/Tooltip';
import { useTranslation } from 'react-i18next';
import { useSessionQuery } from '../../state/api/api';
import { useSignOutMutation } from '../../state/api/sessionApi';
import { useHouse } from '../../state/board/useBoard';
import styles from './SignedInUser.module.css';

/** Who is signed in; a press signs out, and the next one taps their name. */
export function SignedInUser() {
  const { t } = useTranslation();
  const house = useHouse();
  const { data } = useSessionQuery(house);
  const [signOut] = useSignOutMutation();
  if (!data) return null;
  return (
    <Tooltip title={t('signIn.signOut')} placement="right">
      <button
        type="button"
        className={styles['whoever']}
        aria-label={t('signIn.signedIn', { name: data.name })}
        onClick={() => void signOut(house)}
      >
        <b>{data.initials}</b>
        <span>{data.name}</span>
        <LogoutOutlined fontSize="small" />
      </button>
    </Tooltip>
  );
}
