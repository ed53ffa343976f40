import type { AthleteOverview, PlanRecord } from '@wrightonic/contract';
import { editPlan } from '@wrightonic/core';
import type { PlanEdit } from '@wrightonic/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';

/** Milliseconds of quiet before changes by hand are sent. */
const SEND_AFTER = 500;

/** A plan as it is looked at and changed: a change shows at once, what it breaks too, and goes to the server when the hand rests. */
export function usePlan(athlete: string, overview: AthleteOverview | undefined) {
  const { data, isLoading, error } = api.usePlanQuery({ athlete }, { refetchOnMountOrArgChange: true });
  const [put, putState] = api.usePutPlanMutation();
  const [better, betterState] = api.useBetterPlanMutation();
  const [edit, editState] = api.useEditPlanMutation();
  const [assign, assignState] = api.useAssignPlanMutation();
  const [own, setOwn] = useState<{ readonly plan: string; readonly edits: readonly PlanEdit[] } | null>(null);
  const waits = useRef<{ readonly timer: ReturnType<typeof setTimeout>; readonly send: () => Promise<unknown> } | null>(null);
  const sent = useRef<Promise<unknown>>(Promise.resolve());
  /** Sends what waits, now, and after all that was sent before. */
  const settle = async () => {
    const waiting = waits.current;
    if (!waiting) return;
    clearTimeout(waiting.timer);
    waits.current = null;
    sent.current = sent.current.then(waiting.send, waiting.send);
    await sent.current;
  };
  // A change is not lost when the page is left before the hand has rested.
  useEffect(() => () => void settle(), []);

  const edits = useMemo(() => (own && own.plan === data?.id ? own.edits : (data?.edits ?? [])), [own, data]);
  const shown = useMemo((): PlanRecord | null => {
    if (!data) return null;
    if (!data.request || !data.base || edits === data.edits) return data;
    const { plan, broken } = editPlan(data.request, data.base, edits);
    return { ...data, plan, broken, edits };
  }, [data, edits]);

  const change = (next: readonly PlanEdit[]) => {
    if (!data) return;
    setOwn({ plan: data.id, edits: next });
    if (waits.current) clearTimeout(waits.current.timer);
    const send = () => edit({ athlete, id: data.id, body: { edits: next } });
    waits.current = { timer: setTimeout(() => void settle(), SEND_AFTER), send };
  };
  return {
    record: shown,
    loading: isLoading,
    problem:
      [error, putState.error, editState.error, assignState.error].flatMap((e) => (e ? [problemOf(e).detail] : []))[0] ?? null,
    making: putState.isLoading,
    improving: betterState.isLoading,
    assigning: assignState.isLoading,
    mayChange: data?.request !== null && data !== null && data !== undefined,
    make: async (weeks: number) => {
      const id = newId();
      setOwn(null);
      const made = await put({ athlete, id, body: { weeks, games: [], pinned: [] } });
      // The plan is there at once; a better choice of drills comes a moment later.
      if (made.data && made.data.plan.sessions.length > 0) void better({ athlete, id });
    },
    change: (made: PlanEdit) => change([...edits, made]),
    undo: () => change(edits.slice(0, -1)),
    edits,
    assign: async () => {
      if (!data) return false;
      await settle();
      return (await assign({ athlete, id: data.id })).data !== undefined;
    },
    overview,
  };
}

export type PlanInHand = ReturnType<typeof usePlan>;
