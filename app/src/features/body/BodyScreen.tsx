import type { BodyHistory, Me } from '@wrightonic/contract';
import { bodyTestById, fullCheck, READINGS_WANTED, SHORT_MINUTES, shortCheck } from '@wrightonic/core';
import type { AthleteProfile, Units } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { GRADE_WORDS } from '../../ui/GradeMark';
import { Action, Blank, Loading } from '../../ui/controls';
import { Panes, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { sideName, sideText, weekDay } from '../../ui/words';
import { Limits, Next } from './Limits';
import { BAND_SDS, TestRow } from './TestRow';
import { isDone } from './check-state';
import { useCheck } from './use-check';

/** Whether it moved, beyond what two readings differ by. */
export function sentenceOf({ test, side, values }: BodyHistory, { throws }: AthleteProfile, units: Units): string {
  const { unit } = bodyTestById(test);
  const last = values[values.length - 1]!;
  const first = values[0]!;
  const name = sideName(side, throws);
  const where = side === 'none' ? '' : `${name[0]!.toUpperCase()}${name.slice(1)} (${sideText(side)}): `;
  const now = `${units.text(last.value, unit)} ± ${units.amount(last.sd, unit, 1)} on ${weekDay(last.on)}, ${GRADE_WORDS[last.grade]}`;
  if (values.length === 1) return `${where}${now}.`;
  const change = last.value - first.value;
  const real = Math.abs(change) > BAND_SDS * Math.hypot(first.sd, last.sd);
  return `${where}${now}. ${change >= 0 ? 'Up' : 'Down'} ${units.text(Math.round(10 * Math.abs(change)) / 10, unit)} since ${weekDay(first.on)}, ${real ? 'a real change' : 'not more than readings differ by'}.`;
}

function Body({
  id,
  me,
  athlete,
  check,
}: {
  readonly id: string;
  readonly me: Me;
  readonly athlete: AthleteProfile & { readonly name: string };
  readonly check: ReturnType<typeof useCheck>;
}) {
  const palette = usePalette();
  const router = useRouter();
  const { state } = check;
  const picture = check.picture!;
  const on = me.academy.today;
  const open = state.check !== null && !state.finished;
  const left = state.steps.filter((s) => !isDone(state, s, READINGS_WANTED)).length;
  const short = shortCheck(picture.insight.worthDoing, picture.anythingSeen);
  const full = fullCheck(athlete, on);
  const start = (kind: 'short' | 'full') => {
    check.begin({ on, kind, steps: kind === 'short' ? short : full });
    router.push(`/athletes/${id}/check`);
  };
  const tests = [...new Set(picture.histories.map((h) => h.test))];
  return (
    <Screen
      footer={
        <>
          {open ? (
            <Action
              label={`Go on with the check, ${left} left`}
              onPress={() => router.push(`/athletes/${id}/check`)}
              testID="go-on-check"
            />
          ) : (
            <Action
              label={short.length > 0 ? `Short check: ${short.length} tests and sides, ${SHORT_MINUTES} minutes` : 'Full check'}
              onPress={() => start(short.length > 0 ? 'short' : 'full')}
              testID="short-check"
            />
          )}
          {open || short.length === 0 ? null : (
            <Action
              kind="quiet"
              label={`Full check: ${full.length} tests and sides`}
              onPress={() => start('full')}
              testID="full-check"
            />
          )}
          {open ? <Action kind="plain" label="End it as it is" onPress={check.end} /> : null}
        </>
      }
    >
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          What the body can do
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {athlete.name}
        </Text>
      </View>
      <Panes weights={[3, 2]}>
        <Section title="At a glance" note={tests.length > 0 ? 'tap a test for its history' : undefined}>
          {tests.length === 0 ? <Text style={{ color: palette.soft }}>Nothing has been tested yet.</Text> : null}
          {tests.map((test) => (
            <TestRow key={test} test={test} histories={picture.histories.filter((h) => h.test === test)} athlete={athlete} />
          ))}
        </Section>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Worth testing next" note="by what it would tell a minute">
            <Next picture={picture} athlete={athlete} />
          </Section>
          <Section title="What it holds back">
            <Limits picture={picture} />
          </Section>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            Tests are to a mild pull, never cranked, and end when it hurts. They describe; they diagnose no injury.
          </Text>
        </View>
      </Panes>
    </Screen>
  );
}

/** The body at a glance, its history, and which test is worth doing. */
export function BodyScreen({ id }: { readonly id: string }) {
  const { data: me } = api.useMeQuery();
  const { data: work, error } = api.useWorkQuery({ athlete: id });
  const check = useCheck(id, me?.id ?? '');
  const problem = error ?? check.error;
  if (me && work && check.picture) return <Body id={id} me={me} athlete={work.athlete} check={check} />;
  if (!problem) return <Loading />;
  return (
    <Screen>
      <Blank title={problemOf(problem).title}>{problemOf(problem).detail}</Blank>
    </Screen>
  );
}
