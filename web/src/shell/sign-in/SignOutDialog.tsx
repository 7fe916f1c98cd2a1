import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { Session } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useSignOutMutation } from '../../state/api/sessionApi';
import { useHouse } from '../../state/board/useBoard';
import { useAppSelector } from '../../state/store';
import { SignedInDevices } from './SignedInDevices';

/** Asks before it signs out, and says what of theirs is not in the house yet. */
export function SignOutDialog({
  session: { name, personId },
  onClose,
}: {
  readonly session: Session;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const house = useHouse();
  const [signOut] = useSignOutMutation();
  const items = useAppSelector((state) => state.outbox.items);
  const unsent = items.filter((item) => item.house === house && item.personId === personId).length;
  return (
    <Dialog open onClose={onClose} maxWidth="xs">
      <DialogTitle>{t('signIn.signOutOf', { name })}</DialogTitle>
      <DialogContent>
        {unsent > 0 && <p role="alert">{t('signIn.unsent', { count: unsent })}</p>}
        <p>{t('signIn.signOutHow')}</p>
        <SignedInDevices house={house} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('record.cancel')}</Button>
        <Button variant="contained" autoFocus onClick={() => void signOut(house)}>
          {t('signIn.signOut')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
