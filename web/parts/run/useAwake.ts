import { useEffect, useState } from 'react';

/** Keeps the screen awake while it is wanted. Null where the browser cannot, as outside a secure context. */
export function useAwake(wanted: boolean): boolean | null {
  const can = 'wakeLock' in navigator;
  const [held, setHeld] = useState(false);
  useEffect(() => {
    if (!wanted || !can) return;
    let lock: WakeLockSentinel | undefined;
    let left = false;
    const ask = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (got) => {
          if (left) {
            void got.release();
            return;
          }
          lock = got;
          setHeld(true);
          got.addEventListener('release', () => {
            setHeld(false);
          });
        },
        () => {
          setHeld(false);
        },
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [wanted, can]);
  return can ? held : null;
}
