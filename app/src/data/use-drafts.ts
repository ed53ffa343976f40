import { useEffect, useState } from 'react';
import { api } from './api';
import { drafts } from './storage';
import type { Draft } from './storage';

/** Intakes that were begun on this device and are not with the server yet. */
export function useDrafts<Form extends { readonly known: boolean }>(): readonly Draft<Form>[] {
  const { data: me } = api.useMeQuery();
  const [found, setFound] = useState<readonly Draft<Form>[]>([]);
  const user = me?.id;
  useEffect(() => {
    if (!user) return undefined;
    let here = true;
    void drafts
      .all<Form>(user)
      .then((list) => (here ? setFound(list.filter((d) => !d.form.known)) : undefined))
      // A browser that keeps nothing has nothing begun.
      .catch(() => undefined);
    return () => {
      here = false;
    };
  }, [user]);
  return found;
}
