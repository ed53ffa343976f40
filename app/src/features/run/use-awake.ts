import { useEffect } from 'react';

/** Keeps the screen lit while work is logged, where the device can; asked for again whenever the page comes back. */
export function useAwake(): void {
  useEffect(() => {
    if (typeof navigator === 'undefined' || !('wakeLock' in navigator)) return undefined;
    let held: WakeLockSentinel | null = null;
    let left = false;
    const hold = async () => {
      if (document.visibilityState !== 'visible') return;
      // A battery that runs low refuses: then the screen goes dark as always.
      const lock = await navigator.wakeLock.request('screen').catch(() => null);
      if (left) void lock?.release();
      else held = lock;
    };
    const back = () => void hold();
    back();
    document.addEventListener('visibilitychange', back);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', back);
      void held?.release();
    };
  }, []);
}
