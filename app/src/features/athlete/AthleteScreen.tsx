import { may } from '@wrightonic/contract';
import type { RightName } from '@wrightonic/contract';
import { FINDINGS, linkName, linkOf } from '@wrightonic/core';
import type { Link } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { ChildChoice } from '../../parts/ChildChoice';
import { ClearanceLine } from '../../parts/ClearanceLine';
import { SessionItems } from '../../parts/SessionItems';
import { ChainStrip } from '../../ui/ChainStrip';
import { LevelChart } from '../../ui/LevelChart';
import { Action, Blank, Caution, LinkRow, Loading } from '../../ui/controls';
import { Panes, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useVocabulary } from '../../ui/vocabulary';
import { weekDay } from '../../ui/words';
import { ArmPart } from './ArmPart';
import { BodyPart } from './BodyPart';
import { FocusPart } from './FocusPart';
import { GateMove } from './GateMove';
import { Glance } from './Glance';
import { MeasuredPart } from './MeasuredPart';
import type { Href } from 'expo-router';

const PARTS: readonly { readonly path: string; readonly name: string; readonly text: string; readonly needs: RightName }[] = [
  { path: 'look', name: 'Look', text: 'Eye checks, link by link', needs: 'judge' },
  { path: 'film', name: 'Film', text: 'Clips, frame by frame, and what they measure', needs: 'seeClips' },
  { path: 'body', name: 'Body', text: 'What the body can do, and the next test', needs: 'judge' },
  { path: 'what', name: 'What is it?', text: 'The likeliest cause and why', needs: 'judge' },
  { path: 'plan', name: 'Plan', text: 'The climb and the weeks', needs: 'seePlan' },
  { path: 'numbers', name: 'Numbers', text: 'Speed, gates, load', needs: 'seeProgress' },
  { path: 'intake', name: 'Intake', text: 'Who, history, thoughts, week, season', needs: 'changeAthlete' },
  { path: 'family', name: 'Contacts and consent', text: 'Who can be reached, what they agree to', needs: 'seeIntake' },
  { path: 'record', name: 'The record', text: 'Export, put away, erase', needs: 'exportAthlete' },
];

/** The athlete is in front of you: what we fix and why, today's work, is it moving, is the arm safe. */
export function AthleteScreen({ id }: { readonly id: string }) {
  const say = useVocabulary();
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data, error, isLoading, refetch } = api.useAthleteQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  const [link, setLink] = useState<Link | null>(null);
  if (isLoading) return <Loading />;
  if (!data || !me)
    return (
      <Screen>
        <Blank title={problemOf(error).title} action={<Action label="Try again" onPress={() => void refetch()} />}>
          {problemOf(error).detail}
        </Blank>
      </Screen>
    );
  const { athlete } = data;
  const work = data.today && !data.today.done ? data.today : null;
  const hasFocus = data.foci.length > 0;
  const moved = data.moves.find((m) => data.foci.some((f) => f.id === m.focus));
  return (
    <Screen
      footer={
        data.archived ? undefined : work ? (
          <Action label="Start today’s work" onPress={() => router.push(`/athletes/${id}/run`)} testID="start-work" />
        ) : !may(me.role, 'judge') ? undefined : hasFocus ? (
          <Action
            label={data.next ? 'Run a session now' : 'Make a plan'}
            onPress={() => router.push(`/athletes/${id}/${data.next ? 'run' : 'plan'}`)}
          />
        ) : (
          <Action label="Look at the delivery" onPress={() => router.push(`/athletes/${id}/look`)} testID="look" />
        )
      }
    >
      <View style={{ gap: SPACE.m }}>
        <View
          style={{
            flexDirection: 'row',
            flexWrap: 'wrap',
            alignItems: 'baseline',
            justifyContent: 'space-between',
            columnGap: SPACE.m,
          }}
        >
          <Text variant="headlineSmall" role="heading" aria-level={1} style={{ flexShrink: 1 }}>
            {athlete.name}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft, textAlign: 'right' }}>
            {`${data.age} · ${athlete.discipline} · ${athlete.throws === 'R' ? 'right' : 'left'}-handed`}
          </Text>
        </View>
        <ChildChoice />
        <ChainStrip
          chain={data.chain}
          discipline={athlete.discipline}
          labels
          selected={link}
          onSelect={(l) => setLink(link === l ? null : l)}
        />
        {link ? (
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {FINDINGS.filter((f) => f.phase === link && f.disciplines.includes(athlete.discipline))
              .map((f) => f.title)
              .slice(0, 6)
              .join(' · ')}
          </Text>
        ) : null}
      </View>
      <Glance data={data} unit={me.academy.speedUnit} />
      {data.workload.today.locked ? <Caution testID="locked">{data.workload.today.locked.reason}</Caution> : null}
      <ClearanceLine clearance={data.clearance} today={data.workload.today} />
      {data.archived ? <Caution>Put away: not on the roster. Bring the athlete back under “The record”.</Caution> : null}
      {data.intakeNext !== null && may(me.role, 'changeAthlete') ? (
        <LinkRow onPress={() => router.push(`/athletes/${id}/intake`)} testID="go-on-intake">
          <Text variant="bodyMedium" style={{ fontWeight: '600' }}>
            Go on with the intake
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {data.minor ? 'Guardian, consent and history are not all there yet.' : 'Not all of it has been asked yet.'}
          </Text>
        </LinkRow>
      ) : null}
      <Panes weights={[3, 2]}>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Focus" note={hasFocus ? linkName(linkOf(data.foci[0]!.finding), athlete.discipline) : undefined}>
            <FocusPart data={data} role={me.role} />
            {moved ? (
              <GateMove move={moved} athlete={id} mayTakeBack={may(me.role, 'judge') && !data.workload.today.locked} />
            ) : null}
            {data.moves
              .slice(1)
              .flatMap((move) => (move.revised ? [<GateMove key={move.id} move={move} athlete={id} mayTakeBack={false} />] : []))}
            {data.flags.length > 0 ? (
              <Caution>{`Take care: ${data.flags.map((f) => say.title(f).toLowerCase()).join('; ')}. No hard throws are planned while it is likely. If anything hurts, a licensed clinician decides.`}</Caution>
            ) : null}
          </Section>
          <Section
            title="Today’s work"
            note={
              data.today
                ? data.today.done
                  ? 'done'
                  : `${data.today.session.minutes} min`
                : data.next
                  ? `next: ${weekDay(data.next.on)}`
                  : undefined
            }
          >
            {data.today ? (
              <SessionItems
                told="coach"
                session={data.today.session}
                discipline={athlete.discipline}
                throws={athlete.throws}
                age={data.age}
              />
            ) : (
              <Text style={{ color: palette.soft }}>{data.next ? 'Nothing today.' : 'Nothing is planned.'}</Text>
            )}
          </Section>
          <Section title="Arm">
            <ArmPart data={data} role={me.role} />
          </Section>
        </View>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Body" note={data.body.length > 0 ? 'limits first' : undefined}>
            <BodyPart data={data} role={me.role} />
          </Section>
          <Section title="Measured on film" note={data.measured.length > 0 ? 'outside the band first' : undefined}>
            <MeasuredPart data={data} />
          </Section>
          <Section title="Is it moving?">
            {data.speed && data.speed.series.length > 1 ? (
              <LevelChart points={data.speed.series} unit={me.academy.speedUnit} sentence={data.speed.sentence} height={130} />
            ) : (
              <Text style={{ color: palette.soft }}>{data.speed?.sentence ?? 'No speed has been read yet.'}</Text>
            )}
          </Section>
          <View>
            {PARTS.filter((part) => may(me.role, part.needs)).map(({ path, name, text }) => (
              <LinkRow key={path} onPress={() => router.push(`/athletes/${id}/${path}` as Href)} testID={`open-${path}`}>
                <Text variant="bodyMedium" style={{ fontWeight: '600' }}>
                  {name}
                </Text>
                <Text variant="bodySmall" style={{ color: palette.soft }}>
                  {text}
                </Text>
              </LinkRow>
            ))}
          </View>
          <Section title="Timeline">
            {data.timeline.length === 0 ? <Text style={{ color: palette.soft }}>Nothing has happened yet.</Text> : null}
            {data.timeline.slice(0, 14).map((entry, i) => (
              <View key={i} style={{ flexDirection: 'row', gap: SPACE.m, paddingVertical: 4 }}>
                <Text variant="bodySmall" style={{ width: 78, color: palette.soft, fontVariant: ['tabular-nums'] }}>
                  {weekDay(entry.on)}
                </Text>
                <Text variant="bodySmall" style={{ flex: 1, color: entry.kind === 'pain' ? palette.clay : palette.ink }}>
                  {entry.text}
                </Text>
              </View>
            ))}
          </Section>
        </View>
      </Panes>
    </Screen>
  );
}
