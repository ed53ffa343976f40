import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { api } from '../../data/api';
import { hasLeft, LEFT_AS, tellLeft } from '../../data/leaving';
import { left as leftAction, taken } from '../../data/shell';
import { useAppDispatch, useAppSelector } from '../../data/store';

const AGAIN_MS = 5000;

/** Whoever signed out here is signed out in every tab, and after a restart; the server is told until it has heard. */
export function useLeaving(left: boolean): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (hasLeft()) dispatch(leftAction(true));
    const changed = (event: StorageEvent) => {
      if (event.key === LEFT_AS && event.newValue !== null) dispatch(leftAction(true));
    };
    window.addEventListener('storage', changed);
    return () => window.removeEventListener('storage', changed);
  }, [dispatch]);
  useEffect(() => {
    if (!left || !hasLeft()) return undefined;
    const tell = () => void dispatch(tellLeft());
    const again = setInterval(() => (hasLeft() ? tell() : clearInterval(again)), AGAIN_MS);
    window.addEventListener('online', tell);
    return () => {
      clearInterval(again);
      window.removeEventListener('online', tell);
    };
  }, [left, dispatch]);
}

/** Whose page this is. Where another one follows, everything read before is dropped and the first screen opens. */
export function useWhose(left: boolean, user: string | undefined): string | null {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const whose = useAppSelector((s) => s.shell.whose);
  useEffect(() => {
    if (!left && (user === undefined || user === whose)) return;
    if (whose !== null) {
      if (!left) dispatch(api.util.resetApiState());
      router.replace('/');
    }
    dispatch(taken(left ? null : user!));
  }, [left, user, whose, dispatch, router]);
  return whose;
}
