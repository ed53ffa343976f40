import type { CampMember, DiagnosisRecord, Me } from '@wrightonic/contract';
import { findingById } from '@wrightonic/core';
import type { FindingId } from '@wrightonic/core';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../../data/api';
import { useToday } from '../../../data/use-today';
import { AnswerRow } from '../../../parts/AnswerRow';
import { LeaveAlone } from '../../../parts/LeaveAlone';
import { useAnswers } from '../../../parts/use-answers';
import { useMakeFocus } from '../../../parts/use-make-focus';
import { Action, Caution, Loading } from '../../../ui/controls';
import { Panes, Row, Screen, Section } from '../../../ui/layout';
import { NUMBER_FONT, SPACE, usePalette } from '../../../ui/theme';
import { useVocabulary } from '../../../ui/vocabulary';
import { percent } from '../../../ui/words';
import { asked, firstWord, named, SECONDS_EACH } from './first-look';

/** Causes that are offered as a first focus. */
const OFFERED = 3;
const LEFT_ALONE = 3;
const SECOND_MS = 1000;

/** Time that has gone since one came to this athlete. */
function Clock() {
  const palette = usePalette();
  const [gone, setGone] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setGone((s) => s + 1), SECOND_MS);
    return () => clearInterval(timer);
  }, []);
  const text = `${Math.floor(gone / 60)}:${String(gone % 60).padStart(2, '0')}`;
  const over = gone > SECONDS_EACH;
  return (
    <Text
      style={{ fontFamily: NUMBER_FONT, fontSize: 20, color: over ? palette.clay : palette.soft }}
      testID="first-look-clock"
      aria-hidden
    >
      {text}
    </Text>
  );
}

/** What it comes to so far, with how sure that is. */
function SoFar({ record, seen }: { readonly record: DiagnosisRecord; readonly seen: boolean }) {
  const say = useVocabulary();
  const { result } = record;
  const word = firstWord(result, seen);
  const chance = (finding: FindingId) => {
    const root = result.roots.find((r) => r.finding === finding);
    return `${say.title(finding).toLowerCase()}${root ? `, ${percent(root.probability)}` : ''}`;
  };
  const settled = result.lookingSettled ? ' More looking would hardly change that.' : '';
  const text = (): string => {
    switch (word.kind) {
      case 'nothing':
        return 'Nothing has been seen yet. What tells most stands first.';
      case 'open':
        return `Nothing stands out so far.${settled}`;
      case 'unsure':
        return `Not sure: ${chance(word.first)}${word.second ? `; or ${chance(word.second)}` : ''}.${settled}`;
      case 'likely':
        return `Most likely ${chance(word.first)}.${word.work ? ` Work on ${say.title(word.work).toLowerCase()} first.` : ''}${settled}`;
    }
  };
  return (
    <Text variant="titleMedium" testID="first-word">
      {text()}
    </Text>
  );
}

interface OneProps {
  readonly member: CampMember;
  readonly me: Me;
  readonly place: string;
  readonly next: CampMember | null;
  readonly onNext: () => void;
  readonly onList: () => void;
}

/** One athlete of many: some questions, what they come to, and what to do first. */
export function OneAthlete({ member, me, place, next, onNext, onList }: OneProps) {
  const say = useVocabulary();
  const palette = usePalette();
  const { athlete, name, age, throws, locked, throwBudget } = member;
  const { diagnosis, error, refused, lookAt, answer } = useAnswers(athlete, useToday(me));
  const { data: overview } = api.useAthleteQuery({ athlete });
  // Whoever comes next is there at once.
  const fetchNext = api.usePrefetch('diagnosis');
  useEffect(() => {
    if (next) fetchNext({ athlete: next.athlete });
  }, [next, fetchNext]);
  const [questions, setQuestions] = useState<readonly FindingId[] | null>(null);
  const focus = useMakeFocus(athlete);
  if (diagnosis && questions === null) setQuestions(asked([], diagnosis.result.lookNext));
  const head = (
    <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.m }}>
      <View style={{ flexShrink: 1 }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          {name}
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`${place} · ${age} years · throws ${throws === 'R' ? 'right' : 'left'} · ${throwBudget} throws left`}
        </Text>
      </View>
      <Clock />
    </View>
  );
  const footer = (
    <Row style={{ flexWrap: 'nowrap' }}>
      <View style={{ flex: 1 }}>
        <Action kind="quiet" label="All" onPress={onList} testID="first-look-all" />
      </View>
      <View style={{ flex: 2 }}>
        <Action label={next ? `Next: ${next.name}` : 'That was everybody'} onPress={onNext} testID="first-look-next" />
      </View>
    </Row>
  );
  if (!diagnosis || questions === null)
    return (
      <Screen width={1120} footer={footer}>
        {head}
        {error ? <Caution>{problemOf(error).detail}</Caution> : <Loading />}
      </Screen>
    );
  const { result, evidence } = diagnosis;
  const offered = named(result.roots).slice(0, OFFERED);
  const more = asked(questions, result.lookNext);
  const foci = new Set(overview?.foci.map((f) => f.finding) ?? []);
  const problem = focus.error ? problemOf(focus.error).detail : refused;
  return (
    <Screen width={1120} footer={footer}>
      {head}
      {locked === null ? null : <Caution>{locked}</Caution>}
      {problem ? <Caution>{problem}</Caution> : null}
      <SoFar record={diagnosis} seen={evidence.length > 0} />
      {foci.size > 0 ? (
        <Text variant="bodyMedium" style={{ color: palette.soft }}>
          {`Works on: ${[...foci].map((f) => say.title(f).toLowerCase()).join('; ')}.`}
        </Text>
      ) : null}
      {result.flags.length > 0 ? (
        <Caution>{`Take care: ${result.flags.map((f) => say.title(f).toLowerCase()).join('; ')}. If anything hurts, a licensed clinician decides.`}</Caution>
      ) : null}
      <Panes weights={[3, 2]}>
        <View>
          {questions.map((id) => {
            const look = lookAt(findingById(id));
            return (
              <View key={id} style={{ paddingVertical: SPACE.m, gap: SPACE.s, borderBottomWidth: 1, borderColor: palette.line }}>
                <Text variant="bodyMedium">{look.finding.eyeCheck}</Text>
                <AnswerRow look={look} onAnswer={answer} />
              </View>
            );
          })}
          {more.length > questions.length ? (
            <Action
              kind="plain"
              label={`${more.length - questions.length} more to look for`}
              onPress={() => setQuestions(more)}
              testID="first-look-more"
            />
          ) : null}
        </View>
        <View style={{ gap: SPACE.xl }}>
          {evidence.length > 0 && offered.length > 0 ? (
            <Section title="A first focus">
              {offered.map((root) => (
                <View key={root.finding} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
                  <Text variant="bodyMedium" style={{ flex: 1 }}>
                    {`${say.title(root.finding)}, ${percent(root.probability)}`}
                  </Text>
                  {foci.has(root.finding) ? (
                    <Text variant="bodySmall" style={{ color: palette.soft }} testID="is-focus">
                      the focus
                    </Text>
                  ) : (
                    <Action
                      kind="plain"
                      label="Take it"
                      busy={focus.busy}
                      onPress={() => void focus.make(root.finding)}
                      testID={`take-${root.finding}`}
                    />
                  )}
                </View>
              ))}
            </Section>
          ) : null}
          {evidence.length > 0 ? <LeaveAlone items={result.leaveAlone.slice(0, LEFT_ALONE)} /> : null}
        </View>
      </Panes>
    </Screen>
  );
}
