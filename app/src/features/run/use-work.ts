import type { AthleteWork, Judgement, PitchType } from '@wrightonic/contract';
import { counterFor, fatigueOf, isLegWork, restAfter } from '@wrightonic/core';
import type { PlanItem, Spot } from '@wrightonic/core';
import { useCallback, useMemo, useState } from 'react';
import { useAppSelector } from '../../data/store';
import { useLibrary } from '../../data/use-library';
import { doseOf, effortsOf } from './dose';
import { isLate } from './LateUndo';
import { tallyOf } from './run-state';
import { tick } from './tick';
import type { useRun } from './use-run';

export type Panel = 'none' | 'speed' | 'pain' | 'after' | 'late-undo' | 'more' | 'spot';

/** A spot that is tapped within so long of a throw is the throw’s. */
const JUST_NOW_MS = 60_000;

/** So often the same way round in one drill, and its counter is shown. */
const REPEATED = 2;

/** The item in front of whoever runs the session, and what can be done with it. */
export function useWork(overview: AthleteWork, items: readonly PlanItem[], run: ReturnType<typeof useRun>) {
  const { state } = run;
  const library = useLibrary();
  const ticks = useAppSelector((s) => s.device.tick);
  const [at, setAt] = useState(0);
  const [panel, setPanel] = useState<Panel>('none');
  const [asked, setAsked] = useState<Record<string, number>>({});
  const [lastOff, setLastOff] = useState<string | null>(null);
  const [late, setLate] = useState('');
  const [restUntil, setRestUntil] = useState<number | null>(null);
  const [goOn, setGoOn] = useState(false);
  const [target, setTarget] = useState<Spot | null>(null);
  const endRest = useCallback(() => setRestUntil(null), []);
  const item = items[Math.min(at, items.length - 1)]!;
  const drill = library.drill(item.drill, item.words);
  const isThrow = drill.throws !== 'none';
  const closed = isThrow ? state.dryOnly : isLegWork(drill) ? state.legsClosed : null;
  const efforts = effortsOf(item.effort, state.highestEffort);
  const wish = asked[item.drill];
  const effort = wish !== undefined && efforts.includes(wish) ? wish : efforts[0]!;
  const mine = useMemo(() => state.reps.filter((r) => r.drill === item.drill), [state.reps, item.drill]);
  const tally = tallyOf(mine, item.drill);
  const wanted = doseOf(item, isThrow, state.dose.share);
  const last = mine[mine.length - 1];
  const repeated = useMemo(() => {
    const counts = new Map<string, number>();
    for (const rep of mine) {
      const cheat = state.cheats.get(rep.id);
      if (cheat) counts.set(cheat, (counts.get(cheat) ?? 0) + 1);
    }
    const [cheat, times] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [];
    if (!cheat || times! < REPEATED) return null;
    const counter = counterFor(cheat, item.drill);
    return counter === null
      ? null
      : { label: drill.cheats.find((c) => c.cheat === cheat)?.label ?? cheat, times: times!, counter };
  }, [mine, state.cheats, item.drill, drill]);
  const tired = useMemo(
    () =>
      isThrow
        ? fatigueOf(
            state.readings,
            mine.map((r) => r.judged),
          ).stop
        : null,
    [isThrow, state.readings, mine],
  );
  const move = (to: number) => {
    setAt(to);
    setPanel('none');
    setLastOff(null);
    endRest();
  };
  return {
    at,
    item,
    drill,
    isThrow,
    closed,
    panel,
    setPanel,
    efforts,
    effort,
    setEffort: (to: number) => setAsked({ ...asked, [item.drill]: to }),
    tally,
    wanted,
    last,
    repeated,
    /** Why to stop, until somebody decides to go on. */
    tired: goOn ? null : tired,
    goOn: () => setGoOn(true),
    lastOff: lastOff !== null && !state.cheats.has(lastOff) ? lastOff : null,
    late,
    restUntil,
    endRest,
    target,
    setTarget,
    /** Notes where a throw went: of the one tapped last, where that is just now and has no spot yet. */
    spot: (actual: Spot, zone: readonly [low: number, high: number], pitch: PitchType | null) => {
      if (target === null) return;
      const free = last && !state.spots.some((s) => s.rep === last.id) && Date.now() - Date.parse(last.at) < JUST_NOW_MS;
      run.spot({ target, actual, zone, effort, rep: free ? last.id : null, pitch });
      if (ticks) tick();
    },
    hasNext: at < items.length - 1,
    move,
    /** @returns the rep, or null where the work is closed */
    rep: (judged: Judgement): { readonly id: string; readonly at: number } | null => {
      if (closed !== null) return null;
      const id = run.rep(item, judged, effort);
      if (ticks) tick();
      setLastOff(judged === 'off' ? id : null);
      const done = tally.reps + 1;
      const setOver = done % item.reps === 0 && done < wanted;
      setRestUntil(setOver ? Date.now() + 1000 * restAfter(item, effort) : null);
      return { id, at: Date.now() };
    },
    /** Takes an entry back; a throw whose minute is over stays in the load, and that is said. */
    takeBack: (entry: { readonly id: string; readonly at: string; readonly drill?: string } | undefined) => {
      if (!entry) return;
      run.undo(entry.id);
      endRest();
      const thrown = entry.drill !== undefined && library.drill(entry.drill).throws !== 'none';
      if (thrown && isLate(entry.at)) {
        setLate(entry.id);
        setPanel('late-undo');
      }
    },
  };
}

export type WorkNow = ReturnType<typeof useWork>;
