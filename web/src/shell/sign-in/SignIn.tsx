import Button from '@mui/material/Button';
import type { SignInCandidate, SignInOptions } from '@calm/contract';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Failed } from '../../parts/messages/Failed';
import { Waiting } from '../../parts/messages/Waiting';
import { problemWords } from '../../parts/messages/problemWords';
import { useSignInOptionsQuery, useSignInMutation } from '../../state/api/sessionApi';
import { displayed, hasDisplay } from '../../state/display';
import { useAppDispatch } from '../../state/store';
import { OwnerForm } from './OwnerForm';
import { PasswordForm } from './PasswordForm';
import { PinPad } from './PinPad';
import styles from './SignIn.module.css';

/** The house's door: tap a name, then the PIN or password. */
export function SignIn({ house }: { readonly house: string }) {
  const { t } = useTranslation();
  const { data: door, error, refetch } = useSignInOptionsQuery(house);
  const dispatch = useAppDispatch();
  // Where nobody has read before, the house says how.
  useEffect(() => {
    if (door && !hasDisplay()) dispatch(displayed(door.display));
  }, [door, dispatch]);
  const [chosen, setChosen] = useState<SignInCandidate | null>(null);
  if (error && !door) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!door) return <Waiting />;
  return (
    <main className={styles['signIn']}>
      <header>
        <span className={styles['product']}>Calm Tray</span>
        <span>{door.name}</span>
      </header>
      {door.isUnowned ? (
        <OwnerForm house={house} />
      ) : chosen ? (
        <SubmitSecret house={house} door={door} candidate={chosen} onBack={() => setChosen(null)} />
      ) : (
        <>
          <h1>{t('signIn.who')}</h1>
          {door.candidates.length === 0 && <p className="quiet">{t('signIn.nobody')}</p>}
          <ul className={styles['comers']}>
            {door.candidates.map((candidate) => (
              <li key={candidate.id}>
                <button type="button" onClick={() => setChosen(candidate)}>
                  <b>{candidate.initials}</b>
                  {candidate.name}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </main>
  );
}

/** One person at the door with what they type. What was wrong is said; nothing else is lost. */
function SubmitSecret({
  house,
  door,
  candidate,
  onBack,
}: {
  readonly house: string;
  readonly door: SignInOptions;
  readonly candidate: SignInCandidate;
  readonly onBack: () => void;
}) {
  const { t } = useTranslation();
  const [signIn, { isLoading }] = useSignInMutation();
  const [wrong, setWrong] = useState<string | null>(null);
  const { id, name, by } = candidate;
  const attempt = async (secret: string) => {
    const { error } = await signIn({ house, candidate: { personId: id, secret } });
    if (error) setWrong(problemWords(t, error, t('signIn.unreached')));
  };
  const Form = by === 'pin' ? PinPad : PasswordForm;
  const secret = door.demo?.[id];
  return (
    <>
      <h1>{t(by === 'pin' ? 'signIn.pinOf' : 'signIn.passwordOf', { name })}</h1>
      <Form
        key={wrong === null ? 'first' : 'again'}
        isBusy={isLoading}
        onSubmit={(typed) => {
          setWrong(null);
          void attempt(typed);
        }}
      />
      {wrong && <p role="alert">{wrong}</p>}
      {secret && <p className="quiet">{t('signIn.demo', { name, secret })}</p>}
      <Button onClick={onBack}>{t('signIn.someoneElse')}</Button>
    </>
  );
}
