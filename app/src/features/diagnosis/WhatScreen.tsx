import type { Check, Evidence, FindingId, Root } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { LeaveAlone } from '../../parts/LeaveAlone';
import { useMakeFocus } from '../../parts/use-make-focus';
import { FocusStory } from '../../ui/FocusStory';
import { Action, Blank, Caution, LinkRow, Loading } from '../../ui/controls';
import { Panes, Row, Screen, Section, useWide } from '../../ui/layout';
import { NUMBER_FONT, SPACE, usePalette } from '../../ui/theme';
import { useVocabulary } from '../../ui/vocabulary';
import { percent } from '../../ui/words';
import { BeliefChart } from './BeliefChart';
import { CheckNext } from './CheckNext';
import { ForAthlete } from './ForAthlete';
import { Changes, Notes } from './Remarks';
import { RootPart } from './RootPart';
import { Rulings } from './Rulings';
import { SplitBar } from './SplitBar';
import { Why } from './Why';
import { useJudged } from './use-judged';
import type { Href } from 'expo-router';

export const KIND_WORDS: Record<Root['kind'], string> = { limit: 'body', habit: 'timing or habit', cue: 'a misread cue' };

const ROOTS_SHOWN = 5;

const CHECKS_SHOWN = 3;

const LIST_SHOWN = 6;

/** Deciding: the likeliest cause as a sentence, why, what should ease, what to leave, what to check next. */
export function WhatScreen({ id }: { readonly id: string }) {
  const say = useVocabulary();
  const palette = usePalette();
  const router = useRouter();
  const wide = useWide();
  const { data: me } = api.useMeQuery();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const { data, error } = api.useDiagnosisQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  const [put, putState] = api.usePutObservationMutation();
  const focus = useMakeFocus(id);
  const [shown, setShown] = useState<FindingId | null>(null);
  const { answer: history } = useJudged('history', data && data.evidence.length > 0 ? data.request : null);
  const failure = error ?? putState.error ?? focus.error;
  if (!data || !overview || !me)
    return failure ? (
      <Screen>
        <Caution>{problemOf(failure).detail}</Caution>
      </Screen>
    ) : (
      <Loading />
    );
  const { result, evidence } = data;
  const root = result.roots.find((r) => r.finding === shown) ?? result.roots[0];
  const today = me.academy.today;
  const answer = (item: Evidence) => void put({ athlete: id, id: newId(), body: { on: today, evidence: item } });
  const start = (check: Check) => router.push(`/athletes/${id}/${check.kind === 'screen' ? 'check' : 'film'}`);
  const suggested = result.focus.lowerHalf ?? result.focus.arm ?? result.focus.open?.finding ?? null;
  const suggestedWhy = result.focus.lowerHalf ? result.focus.why.lowerHalf : result.focus.why.arm;
  /** No root stands at one chance in five: nothing to head a page with. */
  const causeOpen = suggested === null;
  const candidate = shown ?? suggested;
  const isFocus = overview.foci.some((f) => f.finding === candidate);
  const makeFocus = async (finding: FindingId) => {
    if (await focus.make(finding)) router.push(`/athletes/${id}/plan`);
  };
  const flags = result.flags.length > 0 && (
    <Caution testID="flags">{`Take care: ${result.flags.map((f) => say.title(f).toLowerCase()).join('; ')}. No hard throws are planned while this is likely. If anything hurts, a licensed clinician decides.`}</Caution>
  );
  const moved =
    history && history.days.length > 1 && history.findings.length > 0 ? (
      <Section title="How the belief moved" note="by the evidence, session by session">
        <BeliefChart history={history} />
      </Section>
    ) : null;
  return (
    <Screen
      footer={
        candidate && !isFocus ? (
          <>
            <Text variant="bodySmall" style={{ color: palette.soft }} numberOfLines={2}>
              {`${say.title(candidate)}${shown ? '' : result.focus.open ? '. Not sure yet: work on it with open eyes.' : suggestedWhy ? `. ${say.sentence(suggestedWhy)}` : ''}`}
            </Text>
            <Action label="Make this the focus" onPress={() => void makeFocus(candidate)} busy={focus.busy} testID="make-focus" />
          </>
        ) : isFocus ? (
          <Action label="Open the plan" onPress={() => router.push(`/athletes/${id}/plan`)} />
        ) : (
          <Action label="Look at the delivery" onPress={() => router.push(`/athletes/${id}/look`)} />
        )
      }
    >
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: SPACE.m }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          What is it?
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {overview.athlete.name}
        </Text>
      </View>
      {failure ? <Caution>{problemOf(failure).detail}</Caution> : null}
      {overview.foci.map((f) => (
        <View key={f.id}>
          <Text variant="bodyMedium">{`The focus: ${say.title(f.finding).toLowerCase()}`}</Text>
          <FocusStory focus={f} />
        </View>
      ))}
      <Changes changes={data.changes} />
      {root === undefined || causeOpen ? (
        <Blank title={evidence.length === 0 ? 'Nothing has been looked at yet' : 'The cause is open'}>
          {evidence.length === 0
            ? 'Look link by link, or start with the check below that tells most.'
            : `Nothing seen so far ${causeOpen && root ? 'makes a cause even one chance in five' : 'points at a cause'}. The checks below would tell most.`}
        </Blank>
      ) : null}
      <Panes weights={[3, 2]}>
        <View style={{ gap: SPACE.xl }}>
          {result.roots.length > 0 ? (
            <View>
              {result.roots.slice(0, ROOTS_SHOWN).map((r, i) => (
                <RootPart
                  key={r.finding}
                  root={r}
                  present={result.posterior[r.finding] ?? 0}
                  first={i === 0 && !causeOpen}
                  chosen={shown === r.finding}
                  onChoose={() => setShown(shown === r.finding ? null : r.finding)}
                />
              ))}
            </View>
          ) : null}
          <SplitBar split={result.split} />
          {flags || null}
          {root ? <Why key={root.finding} athlete={id} root={root} record={data} first={root === result.roots[0]} /> : null}
          {data.rulings.length > 0 ? (
            <Section title="Overruled by the coach">
              <Rulings athlete={id} record={data} />
            </Section>
          ) : null}
          {wide ? moved : null}
        </View>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Check this next">
            {result.nextChecks.length === 0 ? (
              <Text style={{ color: palette.soft }}>More checking would hardly change the picture.</Text>
            ) : null}
            {result.nextChecks.slice(0, CHECKS_SHOWN).map((check) => (
              <CheckNext
                key={JSON.stringify(check.check)}
                weighed={check}
                athlete={overview.athlete}
                on={today}
                onAnswer={answer}
                onStart={start}
                busy={putState.isLoading}
              />
            ))}
          </Section>
          {result.expectedToEase.length > 0 ? (
            <Section title="Should ease by itself">
              {result.expectedToEase.slice(0, LIST_SHOWN).map((e) => (
                <Row key={e.finding} style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
                  <Text variant="bodyMedium" style={{ flex: 1 }}>
                    {say.title(e.finding)}
                  </Text>
                  <Text style={{ fontFamily: NUMBER_FONT, fontSize: 17, fontWeight: '600' }}>{percent(e.probability)}</Text>
                </Row>
              ))}
            </Section>
          ) : null}
          <LeaveAlone items={result.leaveAlone.slice(0, LIST_SHOWN)} />
          {evidence.length > 0 ? (
            <Section title="For the athlete" note="to say, or to show">
              <ForAthlete record={data} overview={overview} me={me} focus={shown} />
            </Section>
          ) : null}
          {wide ? null : moved}
          <View>
            <LinkRow
              onPress={() => router.push(`/athletes/${id}/causes${root ? `?centre=${root.finding}` : ''}` as Href)}
              testID="to-map"
            >
              <Text variant="titleMedium">Map of causes</Text>
              <Text variant="bodySmall" style={{ color: palette.soft }}>
                What leads to what, and how surely
              </Text>
            </LinkRow>
            <LinkRow onPress={() => router.push(`/athletes/${id}/what-if` as Href)} testID="to-what-if">
              <Text variant="titleMedium">What if …</Text>
              <Text variant="bodySmall" style={{ color: palette.soft }}>
                Suppose a test or finding; two schools side by side
              </Text>
            </LinkRow>
          </View>
          <Notes record={data} />
        </View>
      </Panes>
    </Screen>
  );
}
