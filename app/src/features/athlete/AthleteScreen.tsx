import type { AthleteOverview } from '@wrightonic/contract';
import { findingById, FINDINGS, linkName, linkOf, RUNG_NAMES } from '@wrightonic/core';
import type { Link } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { ChainStrip } from '../../ui/ChainStrip';
import { LevelChart } from '../../ui/charts';
import { Action, Blank, Caution, Figure, LinkRow, Loading } from '../../ui/controls';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { titleOf, weekDay } from '../../ui/words';
import { AgeRule } from './AgeRule';
import { ClearanceForm } from './ClearanceForm';
import { GateMove } from './GateMove';
import { OutingForm } from './OutingForm';
import { SessionItems } from '../session/SessionItems';

function FocusPart({ data }: { readonly data: AthleteOverview }) {
  const palette = usePalette();
  const router = useRouter();
  const { id, foci, why } = data;
  if (foci.length === 0)
    return (
      <Blank
        title="No focus yet"
        action={<Action kind="quiet" label="Look at the delivery" onPress={() => router.push(`/athletes/${id}/look`)} />}
      >
        Look link by link; the likeliest cause becomes the focus.
      </Blank>
    );
  return (
    <View style={{ gap: SPACE.s }}>
      {foci.map((focus) => (
        <View key={focus.id} style={{ gap: 2 }}>
          <Text variant="titleLarge" testID="focus-title">
            {titleOf(focus.finding)}
          </Text>
          <Text variant="bodyMedium" style={{ color: palette.soft }} testID="focus-rung">
            {`Rung ${focus.rung}, ${RUNG_NAMES[focus.rung].toLowerCase()}, since ${weekDay(focus.rungSince)}`}
          </Text>
        </View>
      ))}
      {why ? <Text variant="bodyMedium">{why}</Text> : null}
    </View>
  );
}

function ArmPart({ data }: { readonly data: AthleteOverview }) {
  const { today, week, warnings } = data.workload;
  const [form, setForm] = useState<'outing' | 'clearance' | null>(null);
  return (
    <View style={{ gap: SPACE.m }}>
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={String(today.throwsLeft)} label="throws left" tone={today.throwsLeft === 0 ? 'clay' : undefined} />
        <Figure value={String(today.pitchesLeft)} label="pitches left" />
        <Figure
          value={today.restUntil ? weekDay(today.restUntil) : 'none'}
          label={today.restUntil ? 'pitching again from' : 'rest owed'}
        />
        <Figure
          value={String(week.throws)}
          label={week.mean === null ? 'throws in 7 days' : `in 7 days, usual ${Math.round(week.mean)}`}
        />
      </Row>
      {warnings.slice(0, 4).map((w) => (
        <Text key={w.rule + w.detail} variant="bodySmall">
          {`• ${w.detail}`}
        </Text>
      ))}
      <AgeRule data={data} />
      {form === null ? (
        <Row>
          <Action kind="quiet" label="Add a game or outside throws" onPress={() => setForm('outing')} />
          {today.locked?.until === 'clearance' ? (
            <Action kind="quiet" label="Record a clearance" onPress={() => setForm('clearance')} testID="record-clearance" />
          ) : null}
        </Row>
      ) : null}
      {form === 'outing' ? <OutingForm athlete={data.id} onDone={() => setForm(null)} /> : null}
      {form === 'clearance' ? <ClearanceForm athlete={data.id} onDone={() => setForm(null)} /> : null}
    </View>
  );
}

/** Is the arm safe, what is today, is it moving: before anything is scrolled. */
function Glance({ data, unit }: { readonly data: AthleteOverview; readonly unit: string }) {
  const { today } = data.workload;
  const series = data.speed?.series ?? [];
  const gain = series.length > 1 ? series[series.length - 1]!.level - series[0]!.level : null;
  const work = data.today && !data.today.done ? `${data.today.session.minutes} min` : 'none';
  return (
    <Row style={{ gap: SPACE.xl, flexWrap: 'nowrap' }}>
      <Figure
        value={today.locked ? 'locked' : String(today.throwsLeft)}
        label={today.locked ? 'throwing' : 'throws left'}
        tone={today.throwsLeft === 0 ? 'clay' : undefined}
      />
      <Figure value={work} label="work today" />
      <Figure
        value={gain === null ? '–' : `${gain >= 0 ? '+' : '−'}${Math.abs(gain).toFixed(1)}`}
        label={gain === null ? 'no trend yet' : `${unit} since ${weekDay(series[0]!.date)}`}
      />
    </Row>
  );
}

/** The athlete is in front of you: what we fix and why, today's work, is it moving, is the arm safe. */
export function AthleteScreen({ id }: { readonly id: string }) {
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data, error, isLoading, refetch } = api.useAthleteQuery(id, { refetchOnMountOrArgChange: true });
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
  const moved = data.moves[0];
  return (
    <Screen
      footer={
        work ? (
          <Action label="Start today’s work" onPress={() => router.push(`/athletes/${id}/run`)} testID="start-work" />
        ) : hasFocus ? (
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
        <View style={{ flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between', gap: SPACE.m }}>
          <Text variant="headlineSmall" role="heading" aria-level={1} style={{ flexShrink: 1 }}>
            {athlete.name}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft, textAlign: 'right' }}>
            {`${data.age} · ${athlete.discipline} · ${athlete.throws === 'R' ? 'right' : 'left'}-handed`}
          </Text>
        </View>
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
      <Panes weights={[3, 2]}>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Focus" note={hasFocus ? linkName(linkOf(data.foci[0]!.finding), athlete.discipline) : undefined}>
            <FocusPart data={data} />
            {moved ? <GateMove move={moved} athlete={id} mayTakeBack={!data.workload.today.locked} /> : null}
            {data.flags.length > 0 ? (
              <Caution>{`Take care: ${data.flags.map((f) => findingById(f).title.toLowerCase()).join('; ')}. No hard throws are planned while it is likely. If anything hurts, a licensed clinician decides.`}</Caution>
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
              <SessionItems session={data.today.session} discipline={athlete.discipline} throws={athlete.throws} />
            ) : (
              <Text style={{ color: palette.soft }}>{data.next ? 'Nothing today.' : 'Nothing is planned.'}</Text>
            )}
          </Section>
          <Section title="Arm">
            <ArmPart data={data} />
          </Section>
        </View>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Is it moving?">
            {data.speed && data.speed.series.length > 1 ? (
              <LevelChart points={data.speed.series} unit={me.academy.speedUnit} sentence={data.speed.sentence} height={130} />
            ) : (
              <Text style={{ color: palette.soft }}>{data.speed?.sentence ?? 'No speed has been read yet.'}</Text>
            )}
          </Section>
          <View>
            {(
              [
                ['look', 'Look', 'Eye checks, link by link'],
                ['what', 'What is it?', 'The likeliest cause and why'],
                ['plan', 'Plan', 'The climb and the weeks'],
                ['numbers', 'Numbers', 'Speed, gates, load'],
              ] as const
            ).map(([path, name, text]) => (
              <LinkRow key={path} label={name} onPress={() => router.push(`/athletes/${id}/${path}`)} testID={`open-${path}`}>
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
