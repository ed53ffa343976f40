import { api } from '../data/api';
import { useAppSelector } from '../data/store';

/** The athlete that a screen of one's own is about: oneself, or the chosen child. */
export function useOwnAthlete(): string | null {
  const { data: me } = api.useMeQuery();
  const chosen = useAppSelector((s) => s.shell.child);
  const own = me?.athletes ?? [];
  return own.find((a) => a.id === chosen)?.id ?? own[0]?.id ?? null;
}
