import type { BodyHistory, BodyPicture, Me } from '@wrightonic/contract';
import { asymmetryOf, bodyTestById, fullCheck, READINGS_WANTED, shortCheck, SHORT_MINUTES, worthAndSkip } from '@wrightonic/core';
import type { AthleteProfile, TestId, TestSide, WeighedCheck } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { LevelChart } from '../../ui/charts';
import { Action, Blank, Loading } from '../../ui/controls';
import { GRADE_WORDS, GradeMark } from '../../ui/GradeMark';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../../ui/theme';
import { sideName, sideText, weekDay } from '../../ui/words';
import { useUnits } from '../../ui/units';
import type { Units } from '../../ui/units';
import { isDone } from './check-state';
import { useCheck } from './use-check';
import { useVocabulary } from '../../ui/vocabulary';

const BAND_SDS = 1.64;

function Sides({ histories, throws }: { readonly histories: readonly BodyHistory[]; readonly throws: AthleteProfile['throws'] }) {
  const palette = usePalette();
  const units = useUnits();
  return (
    <Row style={{ gap: SPACE.l, flexWrap: 'nowrap' }}>
      {histories.map(({ test, side, values }) => {
        const newest = values[values.length - 1]!;
        return (
          <Row key={side} style={{ flexWrap: 'nowrap', gap: SPACE.xs }}>
            <GradeMark grade={newest.grade} />
            <Text
              style={{ fontFamily: NUMBER_FONT, fontSize: 20, lineHeight: 24, fontWeight: '600', fontVariant: ['tabular-nums'] }}
            >
              {units.text(newest.value, bodyTestById(test).unit)}
            </Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {sideName(side, throws)}
            </Text>
          </Row>
        );
      })}
    </Row>
  );
}

function TestRow({
  test,
  histories,
  athlete,
}: {
  readonly test: TestId;
  readonly histories: readonly BodyHistory[];
  readonly athlete: AthleteProfile;
}) {
  const palette = usePalette();
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const body = bodyTestById(test);
  const newest = new Map<TestSide, number>(histories.map((h) => [h.side, h.values[h.values.length - 1]!.value]));
  const uneven = asymmetryOf(body, newest);
  return (
    <View style={{ borderBottomWidth: 1, borderColor: palette.line }}>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={body.name}
        onPress={() => setOpen(!open)}
        testID={`test-${test}`}
        style={{ minHeight: TARGET + 8, justifyContent: 'center', paddingVertical: SPACE.xs, gap: 2 }}
      >
        <Text variant="bodyMedium">{body.name}</Text>
        <Sides histories={histories} throws={athlete.throws} />
        {uneven ? (
          <Text variant="bodySmall" style={{ color: palette.brass }}>
            {`Sides differ by ${units.text(Math.abs(uneven.difference), body.unit)}, less on the ${sideName(uneven.weaker, athlete.throws)}`}
          </Text>
        ) : null}
      </Pressable>
      {open
        ? histories.map((h) => (
            <View key={h.side} style={{ gap: SPACE.xs, paddingBottom: SPACE.m }}>
              {h.values.length > 1 ? (
                <LevelChart
                  points={h.values.map((v) => ({
                    date: v.on,
                    level: units.shown(v.value, body.unit),
                    low: units.shown(v.value - BAND_SDS * v.sd, body.unit),
                    high: units.shown(v.value + BAND_SDS * v.sd, body.unit),
                  }))}
                  unit={units.name(body.unit)}
                  sentence={sentenceOf(h, athlete, units)}
                  height={110}
                />
              ) : (
                <Text variant="bodySmall">{sentenceOf(h, athlete, units)}</Text>
              )}
            </View>
          ))
        : null}
    </View>
  );
}

/** Whether it moved, beyond what two readings differ by. */
function sentenceOf({ test, side, values }: BodyHistory, { throws }: AthleteProfile, units: Units): string {
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

const checkName = ({ check }: WeighedCheck, throws: AthleteProfile['throws']): string =>
  check.kind === 'screen'
    ? `${bodyTestById(check.test).name}${check.side === 'none' ? '' : `, ${sideName(check.side, throws)}`}`
    : '';

function Next({ picture, athlete }: { readonly picture: BodyPicture; readonly athlete: AthleteProfile }) {
  const palette = usePalette();
  const { worth, skip } = worthAndSkip(picture.insight.worthDoing);
  return (
    <View style={{ gap: SPACE.s }}>
      {worth.slice(0, 4).map((c, i) => (
        <Text key={i} variant="bodyMedium" testID={i === 0 ? 'worth-first' : undefined}>
          {`${i + 1}. ${checkName(c, athlete.throws)}, ${c.minutes} min`}
        </Text>
      ))}
      {worth.length === 0 ? <Text variant="bodyMedium">No test would change what is thought just now.</Text> : null}
      {skip.length > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }} testID="can-skip">
          {`Can be skipped today: ${[...new Set(skip.map((c) => (c.check.kind === 'screen' ? bodyTestById(c.check.test).name.toLowerCase() : '')))].join(', ')}. They would hardly change what is thought.`}
        </Text>
      ) : null}
    </View>
  );
}

function Limits({ picture }: { readonly picture: BodyPicture }) {
  const say = useVocabulary();
  const palette = usePalette();
  const { limits } = picture.insight;
  if (limits.length === 0)
    return (
      <Text style={{ color: palette.soft }}>
        Nothing in the body is likely to hold the delivery back, as far as it was tested.
      </Text>
    );
  return (
    <View style={{ gap: SPACE.m }}>
      {limits.map((l) => (
        <View key={l.finding} style={{ gap: 2 }}>
          <Text variant="bodyMedium">{`${say.title(l.finding)} (${Math.round(100 * l.probability)} %)`}</Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {l.eases.length > 0
              ? `Without it, less of: ${l.eases
                  .slice(0, 3)
                  .map((e) => `${say.title(e.finding).toLowerCase()} (${Math.round(100 * e.probability)} %)`)
                  .join('; ')}`
              : 'Nothing seen so far hangs on it.'}
          </Text>
        </View>
      ))}
    </View>
  );
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
