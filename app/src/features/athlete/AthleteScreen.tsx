import { may, mayAtAge } from '@wrightonic/contract';
import type { AthleteOverview, RightName, Role } from '@wrightonic/contract';
import { bodyTestById, FINDINGS, linkName, linkOf, measureBand, measureById, outside, RUNG_NAMES } from '@wrightonic/core';
import type { Link } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { ChainStrip } from '../../ui/ChainStrip';
import { LevelChart } from '../../ui/charts';
import { Action, Blank, Caution, Figure, LinkRow, Loading } from '../../ui/controls';
import { FocusStory } from '../../ui/FocusStory';
import { BandMark, GradeMark } from '../../ui/GradeMark';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { TellAthlete } from '../../ui/TellAthlete';
import { SPACE, usePalette } from '../../ui/theme';
import { useWordsFor } from '../../ui/use-words';
import { sideName, spokenEvent, weekDay } from '../../ui/words';
import { AgeRule } from './AgeRule';
import { ChildChoice } from '../../parts/ChildChoice';
import { ClearanceForm } from '../../parts/ClearanceForm';
import { ClearanceLine } from '../../parts/ClearanceLine';
import { GateMove } from './GateMove';
import { OutingForm } from '../../parts/OutingForm';
import { SessionItems } from '../../parts/SessionItems';
import { useUnits } from '../../ui/units';
import { useVocabulary } from '../../ui/vocabulary';

const BODY_SHOWN = 5;

function FocusPart({ data, role }: { readonly data: AthleteOverview; readonly role: Role }) {
  const say = useVocabulary();
  const palette = usePalette();
  const router = useRouter();
  const { id, foci, why } = data;
  // To the athlete and the family a weak link is room to gain, in plain words.
  const judges = may(role, 'judge');
  const inWords = useWordsFor(data.age);
  if (foci.length === 0)
    return (
      <Blank
        title="No focus yet"
        action={
          judges ? (
            <Action kind="quiet" label="Look at the delivery" onPress={() => router.push(`/athletes/${id}/look`)} />
          ) : undefined
        }
      >
        Look link by link; the likeliest cause becomes the focus.
      </Blank>
    );
  return (
    <View style={{ gap: SPACE.s }}>
      {foci.map((focus) => (
        <View key={focus.id} style={{ gap: 2 }}>
          <Text variant="titleLarge" testID="focus-title">
            {judges ? say.title(focus.finding) : inWords(say.forAthlete(focus.finding))}
          </Text>
          <Text variant="bodyMedium" style={{ color: palette.soft }} testID="focus-rung">
            {`Rung ${focus.rung}, ${RUNG_NAMES[focus.rung].toLowerCase()}, since ${weekDay(focus.rungSince)}`}
          </Text>
          <FocusStory focus={focus} />
        </View>
      ))}
      {why && judges ? (
        <Text variant="bodySmall">{`When it was chosen: ${why[0]!.toLowerCase()}${say.sentence(why).slice(1)}`}</Text>
      ) : null}
      {!judges && data.told ? <TellAthlete words={data.told} headed /> : null}
    </View>
  );
}

function ArmPart({ data, role }: { readonly data: AthleteOverview; readonly role: Role }) {
  const units = useUnits();
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
      {data.spurt ? (
        <Caution testID="spurt">{`Grown ${units.text(data.spurt.cm, 'cm')} since ${weekDay(data.spurt.since)}: test the body anew and throw less for a while. Older measures and tests count less.`}</Caution>
      ) : null}
      {form === null ? (
        <Row>
          <Action kind="quiet" label="Add a game or outside throws" onPress={() => setForm('outing')} />
          {today.locked?.until === 'clearance' && mayAtAge(role, 'recordClearance', data.age) ? (
            <Action kind="quiet" label="Record a clearance" onPress={() => setForm('clearance')} testID="record-clearance" />
          ) : null}
        </Row>
      ) : null}
      {form === 'outing' ? <OutingForm athlete={data.id} onDone={() => setForm(null)} /> : null}
      {form === 'clearance' ? <ClearanceForm athlete={data.id} onDone={() => setForm(null)} /> : null}
    </View>
  );
}

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

/** The body at a glance: the newest of each test, the limits first. */
function BodyPart({ data, role }: { readonly data: AthleteOverview; readonly role: Role }) {
  const units = useUnits();
  const palette = usePalette();
  const router = useRouter();
  const { body, athlete, id } = data;
  const mayTest = may(role, 'judge');
  const rank = { limit: 0, watch: 1, pass: 2 } as const;
  const shown = [...body].sort((a, b) => rank[a.grade] - rank[b.grade]).slice(0, BODY_SHOWN);
  const free = body.filter((b) => b.grade === 'pass').length;
  return (
    <View style={{ gap: SPACE.xs }}>
      {body.length === 0 ? <Text style={{ color: palette.soft }}>Not tested yet.</Text> : null}
      {shown.map((b) => (
        <View key={`${b.test}-${b.side}`} style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
          <GradeMark grade={b.grade} />
          <Text variant="bodyMedium" style={{ flex: 1, minWidth: 0 }} numberOfLines={1}>
            {`${bodyTestById(b.test).name}${b.side === 'none' ? '' : `, ${sideName(b.side, athlete.throws)}`}`}
          </Text>
          <Text variant="bodyMedium" style={{ fontVariant: ['tabular-nums'] }}>
            {`${units.text(b.value, bodyTestById(b.test).unit)} ± ${units.amount(b.sd, bodyTestById(b.test).unit, 1)}`}
          </Text>
        </View>
      ))}
      {body.length > shown.length ? (
        <Text
          variant="bodySmall"
          style={{ color: palette.soft }}
        >{`${body.length} tests and sides in all, ${free} of them free.`}</Text>
      ) : null}
      {mayTest ? (
        <Row>
          <Action
            kind="quiet"
            label={body.length === 0 ? 'Check the body' : 'Body and its history'}
            onPress={() => router.push(`/athletes/${id}/body`)}
            testID="check-body"
          />
        </Row>
      ) : null}
    </View>
  );
}

const MEASURED_SHOWN = 5;

/** The newest measures, those outside their band first. */
function MeasuredPart({ data }: { readonly data: AthleteOverview }) {
  const units = useUnits();
  const palette = usePalette();
  const { measured, athlete, age } = data;
  if (measured.length === 0) return <Text style={{ color: palette.soft }}>Nothing has been measured on film yet.</Text>;
  const rows = measured.map((m) => {
    const band = measureBand(m.measure, m.event, athlete.discipline, age);
    return { ...m, band, off: band ? outside(m.value, band) / m.sd : -1 };
  });
  const shown = rows.sort((a, b) => b.off - a.off).slice(0, MEASURED_SHOWN);
  return (
    <View style={{ gap: SPACE.xs }}>
      {shown.map((m) => (
        <View key={`${m.measure}:${m.event}`} style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
          {m.band ? <BandMark off={m.off} /> : <View style={{ width: 16 }} />}
          <Text variant="bodyMedium" style={{ flex: 1, minWidth: 0 }} numberOfLines={1}>
            {`${measureById(m.measure).name}, ${spokenEvent(m.event)}`}
          </Text>
          <Text variant="bodyMedium" style={{ fontVariant: ['tabular-nums'] }}>
            {`${units.measured(m.value, m.unit)} ± ${units.amount(m.sd, m.unit)}`}
          </Text>
        </View>
      ))}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {`${measured.length} measures, the newest from ${weekDay(measured[0]!.on)}; the spread from throw to throw is in every ±.`}
      </Text>
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
  const moved = data.moves[0];
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
        <LinkRow label="Go on with the intake" onPress={() => router.push(`/athletes/${id}/intake`)} testID="go-on-intake">
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
              <LinkRow
                key={path}
                label={name}
                onPress={() => router.push(`/athletes/${id}/${path}` as never)}
                testID={`open-${path}`}
              >
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
