import type { AthleteOverview, PlanRecord } from '@wrightonic/contract';
import { editPlan } from '@wrightonic/core';
import type { PlanEdit } from '@wrightonic/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { api, problemOf } from '../../state/api';
import { newId } from '../../state/ids';

/** Milliseconds of quiet before changes by hand are sent. */
const SEND_AFTER = 500;

/** A plan as it is looked at and changed: a change shows at once, what it breaks too, and goes to the server when the hand rests. */
export function usePlan(athlete: string, overview: AthleteOverview | undefined) {
  const { data, isLoading, error } = api.usePlanQuery(athlete, { refetchOnMountOrArgChange: true });
  const [put, putState] = api.usePutPlanMutation();
  const [better, betterState] = api.useBetterPlanMutation();
  const [edit, editState] = api.useEditPlanMutation();
  const [assign, assignState] = api.useAssignPlanMutation();
  const [own, setOwn] = useState<{ readonly plan: string; readonly edits: readonly PlanEdit[] } | null>(null);
  const waits = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => () => void (waits.current && clearTimeout(waits.current)), []);

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
    if (waits.current) clearTimeout(waits.current);
    waits.current = setTimeout(() => void edit({ athlete, id: data.id, body: { edits: next } }), SEND_AFTER);
  };
  const settle = async () => {
    if (!data || !own || !waits.current) return;
    clearTimeout(waits.current);
    waits.current = null;
    await edit({ athlete, id: data.id, body: { edits: own.edits } });
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
