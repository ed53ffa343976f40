import type { PlanSession } from '@wrightonic/core';
import { daysBetween } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { newId } from '../../state/ids';
import { Action, Blank, Caution, Choice, Loading } from '../../ui/controls';
import Icon from '../../ui/icons';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../../ui/theme';
import { titleOf, weekDay } from '../../ui/words';
import { SessionItems } from '../session/SessionItems';
import { Climb } from './Climb';
import type { AthleteOverview } from '@wrightonic/contract';

const WEEKS = [2, 4, 6, 8] as const;

function SessionLine({
  session,
  data,
  open,
  onToggle,
}: {
  readonly session: PlanSession;
  readonly data: AthleteOverview;
  readonly open: boolean;
  readonly onToggle: () => void;
}) {
  const palette = usePalette();
  const rungs = [...new Set(session.items.filter((i) => i.role === 'main').map((i) => i.rung))].join(' and ');
  return (
    <View style={{ borderBottomWidth: 1, borderColor: palette.line }}>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={onToggle}
        style={{ flexDirection: 'row', minHeight: TARGET, alignItems: 'center', gap: SPACE.s }}
      >
        <Text style={{ width: 92, fontWeight: '600' }} variant="bodyMedium">
          {weekDay(session.date)}
        </Text>
        <Text variant="bodySmall" style={{ flex: 1, color: palette.soft }}>
          {`${session.place} · ${session.minutes} min · ${session.throws > 0 ? `${session.throws} throws` : 'dry'}${session.testDay ? ' · test day' : ''}`}
        </Text>
        <Text style={{ fontFamily: NUMBER_FONT, fontSize: 17 }}>{rungs ? `rung ${rungs}` : ''}</Text>
        <Icon name={open ? 'chevron-up' : 'chevron-down'} color={palette.soft} />
      </Pressable>
      {open ? (
        <View style={{ paddingLeft: SPACE.m, paddingBottom: SPACE.m }}>
          <SessionItems session={session} discipline={data.athlete.discipline} throws={data.athlete.throws} age={data.age} />
        </View>
      ) : null}
    </View>
  );
}

/** Deciding, then explaining: the climb, then the weeks. */
export function PlanScreen({ id }: { readonly id: string }) {
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data: overview } = api.useAthleteQuery(id);
  const { data: plan, isLoading, error } = api.usePlanQuery(id, { refetchOnMountOrArgChange: true });
  const [put, putState] = api.usePutPlanMutation();
  const [assign, assignState] = api.useAssignPlanMutation();
  const [weeks, setWeeks] = useState<number>(6);
  const [open, setOpen] = useState<string | null>(null);
  const failure = error ?? putState.error ?? assignState.error;
  if (isLoading || !overview || !me)
    return failure ? (
      <Screen>
        <Caution>{problemOf(failure).detail}</Caution>
      </Screen>
    ) : (
      <Loading />
    );
  const { foci } = overview;
  const make = () => void put({ athlete: id, id: newId(), body: { weeks, games: [], pinned: [] } });
  const done = async () => {
    if (!plan) return;
    const answer = await assign({ athlete: id, id: plan.id });
    if (answer.data) router.push(`/athletes/${id}`);
  };
  const byWeek = new Map<number, PlanSession[]>();
  const past = (plan?.plan.sessions ?? []).filter((s) => plan?.assigned && s.date < me.academy.today);
  for (const session of (plan?.plan.sessions ?? []).filter((s) => !past.includes(s))) {
    const week = Math.floor(daysBetween(plan!.on, session.date) / 7) + 1;
    byWeek.set(week, [...(byWeek.get(week) ?? []), session]);
  }
  return (
    <Screen
      footer={
        foci.length === 0 ? (
          <Action label="Find the cause first" onPress={() => router.push(`/athletes/${id}/what`)} />
        ) : plan && !plan.assigned && plan.plan.sessions.length > 0 ? (
          <Row style={{ flexWrap: 'nowrap' }}>
            <View style={{ flex: 1 }}>
              <Action kind="quiet" label="Make it anew" onPress={make} busy={putState.isLoading} />
            </View>
            <View style={{ flex: 2 }}>
              <Action
                label={`Assign ${plan.plan.sessions.length} sessions`}
                onPress={() => void done()}
                busy={assignState.isLoading}
                testID="assign"
              />
            </View>
          </Row>
        ) : (
          <Action label={`Make a plan for ${weeks} weeks`} onPress={make} busy={putState.isLoading} testID="make-plan" />
        )
      }
    >
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: SPACE.m }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Plan
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {overview.athlete.name}
        </Text>
      </View>
      {failure ? <Caution>{problemOf(failure).detail}</Caution> : null}
      <Panes weights={[2, 3]}>
        <View style={{ gap: SPACE.xl }}>
          {foci.length === 0 ? <Blank title="No focus yet">A plan is made for a focus. “What is it?” finds it.</Blank> : null}
          {foci.map((focus) => (
            <Section key={focus.id} title={titleOf(focus.finding)}>
              <Climb focus={focus} />
            </Section>
          ))}
          {foci.length > 0 ? (
            <Row>
              {WEEKS.map((w) => (
                <Choice key={w} wide label={`${w} wk`} chosen={weeks === w} onPress={() => setWeeks(w)} />
              ))}
            </Row>
          ) : null}
        </View>
        <View style={{ gap: SPACE.l }}>
          {plan ? (
            <>
              <Text variant="bodyMedium">{`${plan.plan.summary}${plan.assigned ? ' Assigned.' : ''}`}</Text>
              {plan.plan.infeasible ? <Caution>{plan.plan.infeasible.relax.join(' ')}</Caution> : null}
              {plan.plan.violations.map((v) => (
                <Caution key={v.detail}>{v.detail}</Caution>
              ))}
              {past.length > 0 ? (
                <Text
                  variant="bodySmall"
                  style={{ color: palette.soft }}
                >{`${past.length} ${past.length === 1 ? 'session lies' : 'sessions lie'} behind.`}</Text>
              ) : null}
              {[...byWeek].map(([week, sessions]) => (
                <Section key={week} title={`Week ${week}`} note={`${sessions.reduce((n, s) => n + s.throws, 0)} throws`}>
                  {sessions.map((session) => (
                    <SessionLine
                      key={session.date}
                      session={session}
                      data={overview}
                      open={open === session.date}
                      onToggle={() => setOpen(open === session.date ? null : session.date)}
                    />
                  ))}
                </Section>
              ))}
            </>
          ) : (
            <Text style={{ color: palette.soft }}>
              No plan yet. It is made from the focus, the arm’s limits, the days, places and kit on file.
            </Text>
          )}
        </View>
      </Panes>
    </Screen>
  );
}
