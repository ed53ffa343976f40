import { bodyTestById, changesSince } from '@wrightonic/core';
import type { Diagnosis, FindingId, Schools, Units, Vocabulary } from '@wrightonic/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Caution, Loading } from '../../ui/controls';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { SchoolChoices } from '../../ui/SchoolChoices';
import { NUMBER_FONT, SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { percent } from '../../ui/words';
import { FindingPicker, TestPicker } from './Pickers';
import { useJudged } from './use-judged';
import { aboutTheSame, supposing } from './what-if';
import type { Supposition } from './what-if';
import { useVocabulary } from '../../ui/vocabulary';

const ROOTS_SHOWN = 6;

function spokenSupposition(s: Supposition, units: Units, say: Vocabulary): string {
  if (s.kind === 'finding') return `${say.title(s.finding)}: ${s.as === 'present' ? 'there' : 'not there'}`;
  const test = bodyTestById(s.test);
  return `${test.name}${s.side === 'none' ? '' : `, ${s.side.replace(/-/g, ' ')}`}: ${units.text(s.value, test.unit)}`;
}

/** Roots before and after, side by side. */
function BeforeAfter({ before, after }: { readonly before: Diagnosis; readonly after: Diagnosis }) {
  const say = useVocabulary();
  const palette = usePalette();
  const p = (d: Diagnosis, finding: FindingId) => d.roots.find((r) => r.finding === finding)?.probability ?? 0;
  const shown = [...new Set([...after.roots, ...before.roots].map((r) => r.finding))]
    .sort((a, b) => Math.max(p(after, b), p(before, b)) - Math.max(p(after, a), p(before, a)))
    .slice(0, ROOTS_SHOWN);
  if (shown.length === 0) return <Text style={{ color: palette.soft }}>No cause stands out, before or after.</Text>;
  return (
    <View role="table" aria-label="Likeliest causes as it is and as it would be">
      <Row style={{ flexWrap: 'nowrap' }}>
        <Text variant="bodySmall" style={{ flex: 1, color: palette.soft }}>
          Root
        </Text>
        {['as it is', 'as it would be'].map((head) => (
          <Text key={head} variant="bodySmall" style={{ width: 86, textAlign: 'right', color: palette.soft }}>
            {head}
          </Text>
        ))}
      </Row>
      {shown.map((finding) => {
        const [was, is] = [p(before, finding), p(after, finding)];
        const moved = Math.abs(was - is) >= 0.05;
        return (
          <View
            key={finding}
            style={{ flexDirection: 'row', gap: SPACE.s, paddingVertical: 6, borderTopWidth: 1, borderColor: palette.line }}
          >
            <Text variant="bodyMedium" style={{ flex: 1 }}>
              {say.title(finding)}
            </Text>
            <Text style={{ width: 86, textAlign: 'right', fontFamily: NUMBER_FONT, fontSize: 17 }}>{percent(was)}</Text>
            <Text
              style={{ width: 86, textAlign: 'right', fontFamily: NUMBER_FONT, fontSize: 17, fontWeight: moved ? '600' : '400' }}
            >{`${moved ? (is > was ? '↑ ' : '↓ ') : ''}${percent(is)}`}</Text>
          </View>
        );
      })}
    </View>
  );
}

/** What a school would work on, and why. */
function FocusOf({ title, diagnosis }: { readonly title: string; readonly diagnosis: Diagnosis }) {
  const say = useVocabulary();
  const palette = usePalette();
  const { focus } = diagnosis;
  const parts = [
    { name: 'Lower half and trunk', finding: focus.lowerHalf, why: focus.why.lowerHalf },
    { name: 'Arm action', finding: focus.arm, why: focus.why.arm },
  ];
  return (
    <View style={{ flex: 1, minWidth: 220, gap: SPACE.s }}>
      <Text variant="labelLarge">{title}</Text>
      {parts.map((p) => (
        <View key={p.name}>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {p.name}
          </Text>
          <Text variant="bodyMedium" style={{ fontWeight: '600' }}>
            {p.finding ? say.title(p.finding) : 'Nothing likely enough; look further'}
          </Text>
          {p.why ? <Text variant="bodySmall">{say.sentence(p.why)}</Text> : null}
        </View>
      ))}
    </View>
  );
}

/** Suppose something, see what changes, put it back; and what another school would choose from the same evidence. */
export function WhatIfScreen({ id }: { readonly id: string }) {
  const say = useVocabulary();
  const palette = usePalette();
  const units = useUnits();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const { data: record, error } = api.useDiagnosisQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  const [suppositions, setSuppositions] = useState<readonly Supposition[]>([]);
  const [schools, setSchools] = useState<Partial<Schools>>({ repairOrder: 'first-link' });
  const supposed = useMemo(
    () => (record && suppositions.length > 0 ? supposing(record.request, suppositions) : null),
    [record, suppositions],
  );
  const other = useMemo(
    () => (record ? { ...record.request, schools: { ...record.request.schools, ...schools } } : null),
    [record, schools],
  );
  const { answer: after, current } = useJudged('diagnosis', supposed);
  const { answer: elsewhere } = useJudged('diagnosis', other);
  if (error && !record)
    return (
      <Screen>
        <Caution>{problemOf(error).detail}</Caution>
      </Screen>
    );
  if (!record) return <Loading />;
  const add = (s: Supposition) => setSuppositions([...suppositions.filter((known) => !aboutTheSame(known, s)), s]);
  const changes = supposed && after && current ? changesSince(record.result, after, 'if') : [];
  return (
    <Screen>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: SPACE.m }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          What if …
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {overview?.athlete.name ?? ''}
        </Text>
      </View>
      <Panes>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Suppose a finding">
            <FindingPicker request={record.request} onPick={add} />
          </Section>
          <Section title="Suppose a test’s reading">
            <TestPicker request={record.request} onPick={add} />
          </Section>
        </View>
        <View style={{ gap: SPACE.l }}>
          <Section title="What would change" note="nothing is stored">
            {suppositions.length === 0 ? (
              <Text style={{ color: palette.soft }}>Suppose something and the judgement is made anew, here on the device.</Text>
            ) : (
              <View style={{ gap: SPACE.m }} testID="what-changes">
                {suppositions.map((s) => (
                  <View
                    key={spokenSupposition(s, units, say)}
                    style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}
                  >
                    <Text variant="bodyMedium" style={{ flex: 1 }}>
                      {spokenSupposition(s, units, say)}
                    </Text>
                    <Action
                      kind="plain"
                      label="Put it back"
                      onPress={() => setSuppositions(suppositions.filter((known) => known !== s))}
                      testID="put-back"
                    />
                  </View>
                ))}
                {after && current ? (
                  <>
                    <BeforeAfter before={record.result} after={after} />
                    {changes.map((c) => (
                      <Text key={c.sentence} variant="bodyMedium">
                        {`• ${say.sentence(c.sentence)}`}
                      </Text>
                    ))}
                    {changes.length === 0 ? <Text variant="bodyMedium">Nothing worth naming would change.</Text> : null}
                  </>
                ) : (
                  <Loading label="Judging" />
                )}
              </View>
            )}
          </Section>
        </View>
      </Panes>
      <Section title="Two schools side by side" note="same evidence, other questions">
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xl }} testID="two-schools">
          <FocusOf title="As it is set for this athlete" diagnosis={record.result} />
          {elsewhere ? <FocusOf title="By the school below" diagnosis={elsewhere} /> : <Loading label="Judging" />}
        </View>
        {elsewhere
          ? changesSince(record.result, elsewhere, 'if')
              .filter((c) => c.kind !== 'focus')
              .map((c) => (
                <Text key={c.sentence} variant="bodySmall">
                  {`• ${say.sentence(c.sentence)}`}
                </Text>
              ))
          : null}
        <SchoolChoices schools={schools} onChange={setSchools} />
      </Section>
    </Screen>
  );
}
