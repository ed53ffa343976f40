import type { Me } from '@wrightonic/contract';
import { bodyTestById, POSITION_NAMES, positionOf, readingRange, READINGS_WANTED, testPoses } from '@wrightonic/core';
import type { AthleteProfile, BodyTest, TestStep } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { PainCheck } from '../../parts/PainCheck';
import { Mannequin } from '../../ui/Mannequin';
import { Action, Blank, Caution, Loading } from '../../ui/controls';
import { Row, Screen, useWide } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { sideName, sideText } from '../../ui/words';
import { Findings } from './Findings';
import { StandInPanel } from './StandInPanel';
import { isAt, isDone } from './check-state';
import { Reader } from './readers';
import { sendTo } from '../../data/channel';
import { useCheck } from './use-check';
import { useTilt } from './use-tilt';
import { Field } from '../../ui/Field';

const ASK_EVERY_MS = 2000;

export const SEED = 4711;

const CARE: Record<BodyTest['readBy'], string> = {
  tilt: 'To a mild pull, held and relaxed. Never cranked; stop when it hurts.',
  timer: 'It may tire; it must not hurt. Stop when it does.',
  keypad: 'As far as it goes without strain; stop when it hurts.',
  steps: 'Somebody stands by; stop when it hurts.',
};

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
            <Field label="A word on this test" value={words} onChangeText={setWords} multiline />
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
          page
          title="No check is under way"
          action={<Action label="To the body" onPress={() => router.replace(`/athletes/${id}/body`)} />}
        >
          Start one there: the short one takes six minutes.
        </Blank>
      </Screen>
    );
  return <Check key={check.state.check} id={id} me={me} athlete={work.athlete} age={work.age} check={check} />;
}
