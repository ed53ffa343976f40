import { useEffect, useRef } from 'react';
import { api } from '../../data/api';
import { TOPICS } from '../../data/endpoints';
import { useAppDispatch, useAppSelector } from '../../data/store';

const AGAIN_MS = 8000;

/** While the server is away it is asked again by and by; once it is back, everything that is shown is read anew. */
export function useReconnecting(signedIn: boolean): void {
  const dispatch = useAppDispatch();
  const connected = useAppSelector((s) => s.operations.connected);
  const wasAway = useRef(false);
  useEffect(() => {
    if (!signedIn) return undefined;
    if (connected) {
      if (wasAway.current) dispatch(api.util.invalidateTags([...TOPICS]));
      wasAway.current = false;
      return undefined;
    }
    wasAway.current = true;
    const ask = () => void dispatch(api.util.invalidateTags(['Me']));
    const timer = setInterval(ask, AGAIN_MS);
    window.addEventListener('online', ask);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', ask);
    };
  }, [connected, signedIn, dispatch]);
}
