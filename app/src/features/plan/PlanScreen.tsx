import type { AthleteOverview } from '@wrightonic/contract';
import { cardOf } from '@wrightonic/core';
import type { FindingId, PlanSession } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Action, Blank, Caution, Choice, Loading } from '../../ui/controls';
import { Panes, Row, Screen, Section, useWide } from '../../ui/layout';
import { printPage } from '../../ui/print';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { SessionItems } from '../../parts/SessionItems';
import { Calendar } from './Calendar';
import { BrokenList, ItemChanges, SessionChanges } from './Changes';
import { Climb } from './Climb';
import { Compare } from './Compare';
import { DayList } from './DayList';
import { weeksOfDays } from './days';
import { usePlan } from './use-plan';
import type { PlanInHand } from './use-plan';
import { useVocabulary } from '../../ui/vocabulary';

const WEEKS = [2, 4, 6, 8] as const;

/** A session of the plan with what can be done with it. */
function SessionDetail({
  session,
  hand,
  data,
}: {
  readonly session: PlanSession;
  readonly hand: PlanInHand;
  readonly data: AthleteOverview;
}) {
  const { record } = hand;
  const request = record?.request;
  return (
    <View style={{ gap: SPACE.m }}>
      <SessionItems
        told="coach"
        session={session}
        discipline={data.athlete.discipline}
        throws={data.athlete.throws}
        age={data.age}
        extra={(item) =>
          request && record ? (
            <ItemChanges session={session} item={item} plan={record.plan} request={request} onEdit={hand.change} />
          ) : null
        }
      />
      {request ? <SessionChanges session={session} request={request} onEdit={hand.change} /> : null}
    </View>
  );
}

/** The card that explains a misread word to the athlete. */
function CardOfCue({ finding }: { readonly finding: FindingId }) {
  const card = cardOf(finding);
  if (!card) return null;
  return (
    <View style={{ gap: 2, paddingTop: SPACE.s }}>
      <Text variant="bodyMedium">{card.heard}</Text>
      <Text variant="bodyMedium" style={{ fontWeight: '600' }}>
        {card.meant}
      </Text>
      <Text variant="bodyMedium">{card.tryIt}</Text>
    </View>
  );
}

/** How good the plan is, and whether a better one is looked for. */
function BoundLine({ hand }: { readonly hand: PlanInHand }) {
  const palette = usePalette();
  const bound = hand.record?.plan.bound;
  const text = hand.improving
    ? 'Looking for a better choice of drills…'
    : bound
      ? `Drills chosen over the whole plan at once: ${bound.gap < 0.001 ? 'no other choice is better' : `within ${(100 * bound.gap).toFixed(1)} % of the best there is`}.`
      : '';
  return text === '' ? null : (
    <Text variant="bodySmall" style={{ color: palette.soft }}>
      {text}
    </Text>
  );
}

/** Deciding, then explaining: the climb, then the weeks. */
export function PlanScreen({ id }: { readonly id: string }) {
  const say = useVocabulary();
  const palette = usePalette();
  const router = useRouter();
  const wide = useWide();
  const { data: me } = api.useMeQuery();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const hand = usePlan(id, overview);
  const [weeks, setWeeks] = useState<number>(6);
  const [open, setOpen] = useState<string | null>(null);
  const [comparing, setComparing] = useState(false);
  if (hand.loading || !overview || !me)
    return hand.problem ? (
      <Screen>
        <Caution>{hand.problem}</Caution>
      </Screen>
    ) : (
      <Loading />
    );
  const { foci } = overview;
  const { record } = hand;
  const sessions = record?.plan.sessions ?? [];
  const brokenOn = new Set(record?.broken.map((b) => b.date) ?? []);
  const hard = record?.broken.some((b) => b.hard) ?? false;
  const from = record?.assigned ? me.academy.today : (record?.on ?? me.academy.today);
  const shown = record ? weeksOfDays(record.plan, from) : [];
  const first = record ? record.plan.weeks.length - shown.length + 1 : 1;
  const past = sessions.filter((s) => record?.assigned && s.date < me.academy.today).length;
  const toggle = (date: string) => setOpen(open === date ? null : date);
  const detail = (session: PlanSession) => <SessionDetail session={session} hand={hand} data={overview} />;
  const opened = sessions.find((s) => s.date === open);
  const assign = async () => {
    if (await hand.assign()) router.push(`/athletes/${id}`);
  };
  const footer =
    foci.length === 0 ? (
      <Action label="Find the cause first" onPress={() => router.push(`/athletes/${id}/what`)} />
    ) : record && !record.assigned && sessions.length > 0 ? (
      <Row style={{ flexWrap: 'nowrap' }}>
        <View style={{ flex: 1 }}>
          <Action kind="quiet" label="Anew" onPress={() => void hand.make(weeks)} busy={hand.making} />
        </View>
        <View style={{ flex: 2 }}>
          <Action
            label={hard ? 'Mend it first' : `Assign ${sessions.length} sessions`}
            disabled={hard}
            onPress={() => void assign()}
            busy={hand.assigning}
            testID="assign"
          />
        </View>
      </Row>
    ) : (
      <Action
        label={`Make a plan for ${weeks} weeks`}
        onPress={() => void hand.make(weeks)}
        busy={hand.making}
        testID="make-plan"
      />
    );
  const body = record ? (
    <>
      <Text variant="bodyMedium">{`${record.plan.summary}${record.assigned ? ' Assigned.' : ''}`}</Text>
      <BoundLine hand={hand} />
      {record.plan.infeasible ? <Caution>{record.plan.infeasible.relax.join(' ')}</Caution> : null}
      {record.plan.violations.map((v) => (
        <Caution key={v.detail}>{v.detail}</Caution>
      ))}
      <BrokenList broken={record.broken} onMend={hand.change} />
      {sessions.length > 0 ? (
        <Row>
          {hand.edits.length > 0 ? <Choice label="Undo" chosen={false} onPress={hand.undo} testID="undo-edit" /> : null}
          {record.request ? <Choice label="Compare" chosen={comparing} onPress={() => setComparing(!comparing)} /> : null}
          <Choice label="Print" chosen={false} onPress={printPage} />
        </Row>
      ) : null}
      {comparing && record.request ? <Compare request={record.request} plan={record.plan} /> : null}
      {past > 0 ? (
        <Text
          variant="bodySmall"
          style={{ color: palette.soft }}
        >{`${past} ${past === 1 ? 'session lies' : 'sessions lie'} behind.`}</Text>
      ) : null}
      {wide ? (
        <Calendar
          weeks={shown}
          first={first}
          open={open}
          brokenOn={brokenOn}
          movable={record.request !== null}
          onOpen={toggle}
          onMove={(date, to) => hand.change({ kind: 'move', date, to })}
        />
      ) : (
        <DayList weeks={shown} first={first} open={open} brokenOn={brokenOn} onOpen={toggle} detail={detail} />
      )}
    </>
  ) : (
    <Text style={{ color: palette.soft }}>
      No plan yet. It is made from the focus, the arm’s limits, the days, places and kit on file.
    </Text>
  );
  return (
    <Screen footer={footer} width={1240}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: SPACE.m }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Plan
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {overview.athlete.name}
        </Text>
      </View>
      {hand.problem ? <Caution>{hand.problem}</Caution> : null}
      <Panes weights={[3, 6]}>
        <View style={{ gap: SPACE.xl }}>
          {foci.length === 0 ? <Blank title="No focus yet">A plan is made for a focus. “What is it?” finds it.</Blank> : null}
          {foci.map((focus) => (
            <Section key={focus.id} title={say.title(focus.finding)}>
              <Climb focus={focus} />
              <CardOfCue finding={focus.finding} />
            </Section>
          ))}
          {wide && opened ? (
            <Section title={weekDay(opened.date)} note={`${opened.place}, ${opened.minutes} min`}>
              {detail(opened)}
            </Section>
          ) : null}
          {foci.length > 0 ? (
            <Row>
              {WEEKS.map((w) => (
                <Choice key={w} wide label={`${w} wk`} chosen={weeks === w} onPress={() => setWeeks(w)} />
              ))}
            </Row>
          ) : null}
        </View>
        <View style={{ gap: SPACE.l }}>{body}</View>
      </Panes>
    </Screen>
  );
}
