import type { BodyPicture, Me } from '@wrightonic/contract';
import {
  asymmetryOf,
  bandFor,
  bodyTestById,
  movedBy,
  peakPower,
  POSITION_NAMES,
  positionOf,
  READINGS_WANTED,
  readingRange,
  slouchLoss,
  testPoses,
  valueOf,
} from '@wrightonic/core';
import type { AthleteProfile, BodyTest, TestSide, TestStep } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Blank, Caution, Choice, Loading } from '../../ui/controls';
import { GRADE_WORDS, GradeMark } from '../../ui/GradeMark';
import { Row, Screen, useWide } from '../../ui/layout';
import { Mannequin } from '../../ui/Mannequin';
import { SPACE, usePalette } from '../../ui/theme';
import { sideName, sideText } from '../../ui/words';
import { PainCheck } from '../../parts/PainCheck';
import { isAt, isDone } from './check-state';
import type { CheckState } from './check-state';
import { Reader } from './readers';
import { sendTo } from './send';
import { useCheck } from './use-check';
import { BODIES, useStandIn } from './use-stand-in';
import type { BodyName } from './use-stand-in';
import { useTilt } from './use-tilt';
import type { Tilt } from './use-tilt';
import { useUnits } from '../../ui/units';
import { useVocabulary } from '../../ui/vocabulary';

const ASK_EVERY_MS = 2000;
const SEED = 4711;
const CARE: Record<BodyTest['readBy'], string> = {
  tilt: 'To a mild pull, held and relaxed. Never cranked; stop when it hurts.',
  timer: 'It may tire; it must not hurt. Stop when it does.',
  keypad: 'As far as it goes without strain; stop when it hurts.',
  steps: 'Somebody stands by; stop when it hurts.',
};

/** What a step has come to so far, in lines: value, sides, posture, what a hold changed, what it limits. */
function Findings({
  step,
  state,
  athlete,
  me,
  picture,
  onTakeBack,
}: {
  readonly step: TestStep;
  readonly state: CheckState;
  readonly athlete: AthleteProfile;
  readonly me: Me;
  readonly picture: BodyPicture | undefined;
  readonly onTakeBack: (id: string) => void;
}) {
  const say = useVocabulary();
  const units = useUnits();
  const palette = usePalette();
  const test = bodyTestById(step.test);
  const band = bandFor(test, athlete, state.on, me.academy.numbers.tests);
  const valuesOf = (side: TestSide, moment: 'first' | 'after' = 'first', of = step.test) =>
    state.readings.filter((r) => r.test === of && r.side === side && r.moment === moment).map((r) => r.value);
  const first = valuesOf(step.side);
  const here = state.readings.filter(isAt(step));
  const pain = state.notes.find((n) => isAt(step)(n) && n.pain !== null)?.pain;
  if (pain) return <Caution>{`Ended: it hurt (${pain.site}, ${pain.score}). No more of this side today.`}</Caution>;
  if (first.length === 0) return null;
  const value = valueOf(test, first, band);
  const sides = new Map(
    test.sides.flatMap((side) => (valuesOf(side).length > 0 ? [[side, valueOf(test, valuesOf(side), band).value] as const] : [])),
  );
  const uneven = asymmetryOf(test, sides);
  const moved = movedBy(test, first, valuesOf(step.side, 'after'));
  const tall = valuesOf(step.side, 'first', 'trunk-rotation');
  const slouch =
    step.test === 'trunk-rotation-slouched' && tall.length > 0
      ? slouchLoss(valueOf(bodyTestById('trunk-rotation'), tall, band).value, value.value)
      : null;
  const finding = test.speaksOf[step.side];
  const limits = picture?.insight.limits.find((l) => l.finding === finding);
  const power = step.test === 'vertical-jump' ? peakPower(value.value, athlete.massKg) : null;
  return (
    <View style={{ gap: SPACE.xs }} testID="step-value">
      <Row>
        <GradeMark grade={value.grade} size={20} />
        <Text variant="titleMedium">{`${units.text(value.value, test.unit)} ± ${units.amount(value.sd, test.unit, 1)}: ${GRADE_WORDS[value.grade]}`}</Text>
      </Row>
      <Row>
        {here.map((r) => (
          <Choice
            key={r.id}
            label={`${units.text(r.value, test.unit)}${r.moment === 'after' ? ' after' : ''} ×`}
            chosen={false}
            onPress={() => onTakeBack(r.id)}
          />
        ))}
      </Row>
      {value.again ? (
        <Text variant="bodySmall">{`${units.text(value.spread, test.unit)} apart: one more reading would settle it.`}</Text>
      ) : null}
      {uneven ? (
        <Text variant="bodySmall">{`The sides differ by ${units.text(Math.abs(uneven.difference), test.unit)}; less on the ${sideText(uneven.weaker)}.`}</Text>
      ) : null}
      {slouch ? (
        <Text variant="bodySmall">
          {slouch.finding
            ? `Slouching takes ${slouch.lost}° away: posture is a finding of its own.`
            : `Slouching takes ${slouch.lost}° away.`}
        </Text>
      ) : null}
      {moved ? (
        <Text variant="bodySmall" testID="moved">
          {`After the hold ${moved.change >= 0 ? '+' : '−'}${Math.abs(moved.change)} ± ${moved.sd}: ${moved.real ? 'it changes' : 'no more than two readings differ by chance'}.`}
        </Text>
      ) : null}
      {power ? (
        <Text variant="bodySmall">{`About ${power.watts} W at take-off, ${power.perKg} W per kg: a jump is judged with the mass it lifts.`}</Text>
      ) : null}
      {limits && value.grade !== 'pass' ? (
        <Text variant="bodySmall" style={{ color: palette.soft }} testID="limits">
          {limits.eases.length > 0
            ? `What it holds back in this delivery: ${limits.eases
                .slice(0, 3)
                .map((e) => `${say.title(e.finding).toLowerCase()} (${Math.round(100 * e.probability)} %)`)
                .join('; ')}.`
            : 'Nothing seen so far hangs on it.'}
        </Text>
      ) : null}
    </View>
  );
}

/** The stand-in as a panel: the made-up athlete plays over the same stream as a device would. */
function StandInPanel({
  tilt,
  step,
  athlete,
  on,
}: {
  readonly tilt: Tilt;
  readonly step: TestStep;
  readonly athlete: AthleteProfile;
  readonly on: string;
}) {
  const palette = usePalette();
  const [body, setBody] = useState<BodyName>('stiff-drive-hip');
  const [here, setHere] = useState(true);
  useStandIn(here ? tilt.channel : null, step, athlete, on, body, SEED);
  if (!tilt.channel) return null;
  const address = `/instrument#${tilt.channel.id}.${tilt.channel.key}`;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {here ? 'Stand-in inclinometer: a made-up athlete who' : 'The stand-in plays in its own tab.'}
      </Text>
      <Row>
        {here
          ? (Object.keys(BODIES) as BodyName[]).map((b) => (
              <Choice key={b} label={BODIES[b].name} chosen={body === b} onPress={() => setBody(b)} />
            ))
          : null}
        <Action
          kind="plain"
          label={here ? 'In a tab of its own' : 'Play it here again'}
          onPress={() => {
            if (here) window.open(address, '_blank');
            setHere(!here);
          }}
        />
      </Row>
    </View>
  );
}

type Panel = 'none' | 'pain' | 'note';

function Check({
  id,
  me,
  athlete,
  age,
  check,
}: {
  readonly id: string;
  readonly me: Me;
  readonly athlete: AthleteProfile & { readonly name: string };
  readonly age: number;
  readonly check: ReturnType<typeof useCheck>;
}) {
  const palette = usePalette();
  const wide = useWide();
  const router = useRouter();
  const { state, picture } = check;
  const firstOpen = state.steps.findIndex((s) => !isDone(state, s, READINGS_WANTED));
  const [at, setAt] = useState(() => (firstOpen < 0 ? 0 : firstOpen));
  const [panel, setPanel] = useState<Panel>('none');
  const [after, setAfter] = useState(false);
  const [more, setMore] = useState(false);
  const [words, setWords] = useState('');
  const step = state.steps[Math.min(at, state.steps.length - 1)]!;
  const tilt = useTilt(step);
  const { channel } = tilt;
  const [askTest, askSide] = [step.test, step.side];
  useEffect(() => {
    if (!channel) return undefined;
    const ask = () => void sendTo(channel, [{ kind: 'ask', test: askTest, side: askSide, athlete: id }]).catch(() => undefined);
    ask();
    const timer = setInterval(ask, ASK_EVERY_MS);
    return () => clearInterval(timer);
  }, [channel, askTest, askSide, id]);
  const test = bodyTestById(step.test);
  // A keypad or a list of scores needs the room that a figure would take.
  const roomy = test.readBy === 'tilt' || test.readBy === 'timer';
  const playing = tilt.source === 'channel' && test.readBy === 'tilt';
  const done = isDone(state, step, READINGS_WANTED);
  const taken = state.readings.filter((r) => isAt(step)(r) && r.moment === 'first').length;
  const next = state.steps[at + 1] ?? null;
  const turns = next !== null && positionOf(next) !== positionOf(step);
  const go = (to: number) => {
    setAt(to);
    setAfter(false);
    setMore(false);
    setPanel('none');
  };
  const finish = () => {
    check.end();
    router.replace(`/athletes/${id}/body`);
  };
  if (panel === 'pain')
    return (
      <Screen width={640}>
        <PainCheck
          question={`${test.name}: what hurts?`}
          fine="Back to the test"
          onFine={() => setPanel('none')}
          onPain={(pain) => {
            check.hurts(step, pain);
            setPanel('none');
          }}
        />
      </Screen>
    );
  const name = (s: TestStep) => `${bodyTestById(s.test).name}${s.side === 'none' ? '' : `, ${sideName(s.side, athlete.throws)}`}`;
  return (
    <Screen
      width={760}
      footer={
        panel === 'note' ? (
          <View style={{ gap: SPACE.s }}>
            <TextInput mode="outlined" label="A word on this test" value={words} onChangeText={setWords} multiline />
            <Row>
              <Action
                label="Keep the note"
                disabled={!words.trim()}
                onPress={() => {
                  check.write(step, words.trim());
                  setWords('');
                  setPanel('none');
                }}
              />
              <Action kind="plain" label="Leave it" onPress={() => setPanel('none')} />
            </Row>
          </View>
        ) : (
          <>
            {!done || after || more ? (
              <Reader
                step={step}
                tilt={tilt}
                usual={Math.round(test.watch)}
                range={readingRange(step.test, athlete, state.on)}
                onRead={(value, readBy) => {
                  check.read(step, value, readBy, after ? 'after' : 'first');
                  setAfter(false);
                  setMore(false);
                }}
              />
            ) : (
              <Action
                label={next ? `Next: ${name(next)}${turns ? ` (${POSITION_NAMES[positionOf(next)]})` : ''}` : 'End the check'}
                onPress={next ? () => go(at + 1) : finish}
                testID="next-step"
              />
            )}
            {done ? (
              <Row style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
                <Action kind="plain" label="Once more" onPress={() => setMore(true)} testID="once-more" />
                <Action kind="plain" label="Again after a hold" onPress={() => setAfter(true)} testID="after-hold" />
              </Row>
            ) : null}
            <Row style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
              <Action kind="plain" label="It hurts" onPress={() => setPanel('pain')} testID="it-hurts" />
              {done ? null : <Action kind="plain" label="Skip" onPress={next ? () => go(at + 1) : finish} testID="skip-step" />}
              <Action kind="plain" label="Note" onPress={() => setPanel('note')} testID="note" />
              <Action kind="plain" label="Pause" onPress={() => router.replace(`/athletes/${id}/body`)} testID="pause-check" />
            </Row>
          </>
        )
      }
    >
      <View style={{ gap: 2 }}>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`${at + 1} of ${state.steps.length} · ${POSITION_NAMES[positionOf(step)]} · ${athlete.name}`}
        </Text>
        <Text variant="headlineSmall" role="heading" aria-level={1} testID="step-name">
          {name(step)}
        </Text>
        {step.side === 'none' ? null : (
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {`${sideText(step.side)}${after ? ' · straight after a hold' : done ? '' : ` · reading ${taken + 1} of ${READINGS_WANTED}`}`}
          </Text>
        )}
      </View>
      <Mannequin
        poses={[...testPoses(step.test, step.side)]}
        throws={athlete.throws}
        heightM={athlete.heightM}
        age={age}
        moving
        height={wide ? 260 : playing ? 150 : roomy ? 220 : 130}
        label={`Figure: ${test.name}`}
      />
      {done && !more && !after ? (
        <Findings step={step} state={state} athlete={athlete} me={me} picture={picture} onTakeBack={check.takeBack} />
      ) : (
        <View style={{ gap: SPACE.xs }}>
          <Text variant="bodyMedium">{test.how}</Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>{`In the books: ${test.term}.`}</Text>
          <Text variant="bodySmall" style={{ color: palette.clay }}>
            {CARE[test.readBy]}
          </Text>
        </View>
      )}
      {playing && !done ? <StandInPanel tilt={tilt} step={step} athlete={athlete} on={me.academy.today} /> : null}
      {state.refused.length > 0 ? <Caution>{state.refused[state.refused.length - 1]}</Caution> : null}
      {state.notes
        .filter((n) => isAt(step)(n) && n.note)
        .map((n) => (
          <Text key={n.id} variant="bodySmall" style={{ color: palette.soft }}>{`Note: ${n.note}`}</Text>
        ))}
    </Screen>
  );
}

/** An athlete on a bench: test by test, with one thumb. */
export function CheckScreen({ id }: { readonly id: string }) {
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data: work, error } = api.useWorkQuery({ athlete: id });
  const check = useCheck(id, me?.id ?? '');
  const problem = error ?? check.error;
  if (!me || !work || check.isLoading)
    return problem ? (
      <Screen>
        <Caution>{problemOf(problem).detail}</Caution>
      </Screen>
    ) : (
      <Loading />
    );
  if (!check.state.check || check.state.finished || check.state.steps.length === 0)
    return (
      <Screen width={520}>
        <Blank
          title="No check is under way"
          action={<Action label="To the body" onPress={() => router.replace(`/athletes/${id}/body`)} />}
        >
          Start one there: the short one takes six minutes.
        </Blank>
      </Screen>
    );
  return <Check key={check.state.check} id={id} me={me} athlete={work.athlete} age={work.age} check={check} />;
}
