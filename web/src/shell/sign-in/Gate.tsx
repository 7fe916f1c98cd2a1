import { lazy, Suspense, useEffect, type ReactNode } from 'react';
import { Failed } from '../../parts/messages/Failed';
import { Waiting } from '../../parts/messages/Waiting';
import { useSessionQuery } from '../../state/api/api';
import { useSignOutMutation } from '../../state/api/sessionApi';
import { isLeaving } from '../../state/api/signedIn';
import { useAppSelector } from '../../state/store';
import { useHouse } from '../../state/board/useBoard';

const SignIn = lazy(async () => ({ default: (await import('./SignIn')).SignIn }));

/** A shared tablet locks after so long without a hand on it, minutes; a manager's own device later. */
const IDLE_MIN = { pin: 20, password: 60 } as const;

/** Until the house knows that somebody left it is told this often, ms. */
const TELL_MS = 4000;

/** Lets through whoever is signed in to the house; everybody else stands at its door. */
export function Gate({ children }: { readonly children: ReactNode }) {
  const house = useHouse();
  const { data, error, refetch } = useSessionQuery(house);
  const isOut = (error as { status?: unknown } | undefined)?.status === 401;
  const isCutOff = useAppSelector(({ connection }) => connection.isLost);
  const isIn = !isOut && data !== undefined;
  useIdleLock(house, isIn && !isCutOff ? (data.role === 'manager' ? 'password' : 'pin') : null);
  useLeavingTold(house, isOut);
  if (isOut) {
    return (
      <Suspense fallback={<Waiting />}>
        <SignIn house={house} />
      </Suspense>
    );
  }
  if (data) return children;
  if (error) return <Failed error={error} onRetry={() => void refetch()} />;
  return <Frame />;
}

/** What stands in the page from the first (`web/frame.ts`), until it is known who is there. */
const Frame = () => (
  <div className="frame">
    <b>Calm Tray</b>
    <Waiting />
  </div>
);

/** The house is told that somebody left while it could not be reached, as soon as it can be. */
function useLeavingTold(house: string, isOut: boolean): void {
  const [signOut] = useSignOutMutation();
  useEffect(() => {
    if (!isOut) return;
    const tell = () => {
      if (isLeaving(house)) void signOut(house);
    };
    const timer = window.setInterval(tell, TELL_MS);
    window.addEventListener('online', tell);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', tell);
    };
  }, [house, isOut, signOut]);
}

/**
 * Signs out when nothing was touched for a while. The page's address stays, and drafts stay on the device. While
 * the house is not heard nobody is: they could not come in again, with dough on the bench.
 */
function useIdleLock(house: string, by: keyof typeof IDLE_MIN | null): void {
  const [signOut] = useSignOutMutation();
  useEffect(() => {
    if (!by) return;
    let timer = 0;
    const again = () => {
      clearTimeout(timer);
      timer = window.setTimeout(() => void signOut(house), IDLE_MIN[by] * 60_000);
    };
    const touches = ['pointerdown', 'keydown'] as const;
    again();
    for (const touch of touches) window.addEventListener(touch, again, { passive: true });
    return () => {
      clearTimeout(timer);
      for (const touch of touches) window.removeEventListener(touch, again);
    };
  }, [house, by, signOut]);
}
