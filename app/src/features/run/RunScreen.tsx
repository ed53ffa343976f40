import type { AthleteWork, Me } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { AppState } from 'react-native';
import { api, problemOf } from '../../data/api';
import { useToday } from '../../data/use-today';
import { Action, Blank, Loading } from '../../ui/controls';
import { Screen } from '../../ui/layout';
import { ReadyCheck } from './ReadyCheck';
import { Verdicts } from './Verdicts';
import { Work } from './Work';
import { useRun } from './use-run';
import type { Href } from 'expo-router';

const RULES_EVERY_MS = 60_000;

function Session({
  id,
  overview,
  me,
  back,
}: {
  readonly id: string;
  readonly overview: AthleteWork;
  readonly me: Me;
  readonly back: string;
}) {
  const assignment = overview.today && !overview.today.done ? overview.today : overview.next;
  const today = useToday(me);
  const run = useRun(id, overview, me.id, assignment, today);
  // The list of items stays that of the start, whatever is planned anew meanwhile.
  const [session] = useState(() => (run.state.record?.assignment ?? assignment)?.session ?? null);
  if (run.state.session && run.state.finished) return <Verdicts run={run.state} back={back} />;
  if (!session || session.items.length === 0)
    return (
      <Screen>
        <Blank page title="Nothing is planned">
          Make and assign a plan first.
        </Blank>
      </Screen>
    );
  if (!run.state.session) return <ReadyCheck overview={overview} today={today} onStart={run.start} />;
  return <Work overview={overview} me={me} session={session} run={run} />;
}

/** Sun, sweat, one thumb: pain check, drills, reps, speed, pain check, verdict. */
export function RunScreen({ id, back }: { readonly id: string; readonly back: string }) {
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data: overview, error, refetch } = api.useWorkQuery({ athlete: id });
  // A lock, a clearance or a rule may change while the session runs.
  useEffect(() => {
    const timer = setInterval(() => AppState.currentState === 'active' && void refetch(), RULES_EVERY_MS);
    return () => clearInterval(timer);
  }, [refetch]);
  if (!me || !overview)
    return error ? (
      <Screen>
        <Blank page title={problemOf(error).title} action={<Action label="Back" onPress={() => router.replace(back as Href)} />}>
          {problemOf(error).detail}
        </Blank>
      </Screen>
    ) : (
      <Loading />
    );
  return <Session id={id} overview={overview} me={me} back={back} />;
}
