import { useEffect } from 'react';

/**
 * Keeps the screen of this device on while something is weighed or timed. A device that cannot, or will not with
 * a low battery, goes dark as it always does; what is hidden lets go and asks again when it is seen.
 */
export function useWakeLock(isWanted: boolean): void {
  useEffect(() => {
    if (!isWanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let isOver = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      const held = await navigator.wakeLock.request('screen').catch(() => null);
      if (isOver) await held?.release();
      else lock = held;
    };
    void ask();
    const onSeen = () => void ask();
    document.addEventListener('visibilitychange', onSeen);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', onSeen);
      void lock?.release();
    };
  }, [isWanted]);
}
