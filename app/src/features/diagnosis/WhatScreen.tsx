import type { DiagnosisRecord } from '@wrightonic/contract';
import { findingById } from '@wrightonic/core';
import type { Evidence, FindingId, Pull, Root } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { newId } from '../../state/ids';
import { Action, Blank, Caution, Choice, Loading } from '../../ui/controls';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { NUMBER_FONT, SPACE, usePalette } from '../../ui/theme';
import { evidenceText, percent, titleOf, weekDay } from '../../ui/words';
import { CheckNext } from './CheckNext';

const KIND_WORDS: Record<Root['kind'], string> = { limit: 'body', habit: 'timing or habit', cue: 'a misread cue' };
const STYLE_TITLES: Record<string, string> = {
  'high-leg-kick': 'High leg kick',
  'hands-overhead': 'Hands overhead',
  'hands-still': 'Still hands',
  'finish-off-line': 'Finish off line',
  'rubber-side': 'Side of the rubber',
};

/** Each item with its pull: a bar to the right speaks for the root, to the left against it. */
function Pulls({ pulls, evidence }: { readonly pulls: readonly Pull[]; readonly evidence: DiagnosisRecord['evidence'] }) {
  const palette = usePalette();
  const most = Math.max(1.2, ...pulls.map((p) => Math.abs(p.weight)));
  return (
    <View>
      {pulls.slice(0, 8).map((pull) => {
        const item = evidence[pull.evidence];
        if (!item) return null;
        const width = `${Math.round((48 * Math.abs(pull.weight)) / most)}%` as const;
        const forIt = pull.weight > 0;
        return (
          <View key={pull.evidence} style={{ paddingVertical: 6, gap: 3 }}>
            <View style={{ flexDirection: 'row', gap: SPACE.s }}>
              <Text variant="bodySmall" style={{ flex: 1 }}>
                {evidenceText(item.evidence)}
              </Text>
              <Text variant="bodySmall" style={{ color: palette.soft }}>{`${item.by}, ${weekDay(item.on)}`}</Text>
            </View>
            <View aria-hidden style={{ height: 8, flexDirection: 'row' }}>
              <View style={{ flex: 1, flexDirection: 'row', justifyContent: 'flex-end' }}>
                {forIt ? null : <View style={{ width, borderWidth: 1.5, borderColor: palette.clay, borderStyle: 'dashed' }} />}
              </View>
              <View style={{ width: 2, backgroundColor: palette.ink }} />
              <View style={{ flex: 1 }}>
                {forIt ? <View style={{ width, height: 8, backgroundColor: palette.spruce }} /> : null}
              </View>
            </View>
          </View>
        );
      })}
    </View>
  );
}

/** Body, timing or cue: three lengths on one line, each named in place. */
function SplitBar({ split }: { readonly split: { body: number; timing: number; cue: number } }) {
  const palette = usePalette();
  const parts = [
    { name: 'body', share: split.body, fill: palette.brass, ink: palette.sheet },
    { name: 'timing', share: split.timing, fill: palette.spruce, ink: palette.onSpruce },
    { name: 'cue', share: split.cue, fill: palette.limb, ink: palette.ink },
  ].filter((p) => p.share > 0.005);
  if (parts.length === 0)
    return <Text style={{ color: palette.soft }}>Not enough seen to say whether it is body, timing or a cue.</Text>;
  return (
    <View
      role="img"
      aria-label={parts.map((p) => `${p.name} ${percent(p.share)}`).join(', ')}
      style={{ flexDirection: 'row', height: 34, borderWidth: 1.5, borderColor: palette.ink }}
    >
      {parts.map((p) => (
        <View
          key={p.name}
          style={{ flex: p.share, backgroundColor: p.fill, justifyContent: 'center', paddingHorizontal: 6, overflow: 'hidden' }}
        >
          {p.share > 0.14 ? (
            <Text
              numberOfLines={1}
              style={{ color: p.ink, fontFamily: NUMBER_FONT, fontWeight: '600', fontSize: 16 }}
            >{`${p.name} ${percent(p.share)}`}</Text>
          ) : null}
        </View>
      ))}
    </View>
  );
}

function worthText(root: Root): string | null {
  const worth = root.worthMph;
  return worth && worth.high >= 0.3
    ? `Repairing it may give up to ${worth.high.toFixed(0)} mph in all, more likely about ${worth.expected.toFixed(0)} (house range).`
    : null;
}

interface RootPartProps {
  readonly root: Root;
  readonly first: boolean;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

function RootPart({ root, first, chosen, onChoose }: RootPartProps) {
  const palette = usePalette();
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.m,
        paddingVertical: 6,
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <View style={{ flex: 1 }}>
        <Text variant={first ? 'titleLarge' : 'bodyMedium'} testID={first ? 'first-root' : undefined}>
          {first ? root.sentence : titleOf(root.finding)}
        </Text>
        <Text
          variant="bodySmall"
          style={{ color: palette.soft }}
        >{`${percent(root.probability)} · ${KIND_WORDS[root.kind]}`}</Text>
      </View>
      {first ? null : <Choice label={chosen ? 'Shown' : 'Show why'} chosen={chosen} onPress={onChoose} />}
    </View>
  );
}

/** Deciding: the likeliest cause as a sentence, why, what should ease, what to leave, what to check next. */
export function WhatScreen({ id }: { readonly id: string }) {
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data: overview } = api.useAthleteQuery(id);
  const { data, error } = api.useDiagnosisQuery(id, { refetchOnMountOrArgChange: true });
  const [put, putState] = api.usePutObservationMutation();
  const [keep, keepState] = api.useKeepDiagnosisMutation();
  const [putFocus, focusState] = api.usePutFocusMutation();
  const [shown, setShown] = useState<FindingId | null>(null);
  const failure = error ?? putState.error ?? keepState.error ?? focusState.error;
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
  const suggested = result.focus.lowerHalf ?? result.focus.arm ?? result.focus.open?.finding ?? null;
  const candidate = shown ?? suggested;
  const isFocus = overview.foci.some((f) => f.finding === candidate);
  const makeFocus = async (finding: FindingId) => {
    const kept = await keep({ athlete: id, id: newId() });
    if (!kept.data) return;
    const set = await putFocus({
      athlete: id,
      id: newId(),
      body: { finding, rung: findingById(finding).kind === 'limit' ? 0 : 1, diagnosis: kept.data.id },
    });
    if (set.data) router.push(`/athletes/${id}/plan`);
  };
  return (
    <Screen
      footer={
        candidate && !isFocus ? (
          <>
            <Text variant="bodySmall" style={{ color: palette.soft }} numberOfLines={2}>
              {`${titleOf(candidate)}${result.focus.open && !shown ? '. Not sure yet: work on it with open eyes.' : ''}`}
            </Text>
            <Action
              label="Make this the focus"
              onPress={() => void makeFocus(candidate)}
              busy={keepState.isLoading || focusState.isLoading}
              testID="make-focus"
            />
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
      {root === undefined ? (
        <Blank title={evidence.length === 0 ? 'Nothing has been looked at yet' : 'The cause is open'}>
          {evidence.length === 0
            ? 'Look link by link, or start with the check below that tells most.'
            : 'Nothing seen so far points at a cause. The checks below would tell most.'}
        </Blank>
      ) : null}
      <Panes weights={[3, 2]}>
        <View style={{ gap: SPACE.xl }}>
          {result.roots.length > 0 ? (
            <View>
              {result.roots.slice(0, 5).map((r, i) => (
                <RootPart
                  key={r.finding}
                  root={r}
                  first={i === 0}
                  chosen={shown === r.finding}
                  onChoose={() => setShown(shown === r.finding ? null : r.finding)}
                />
              ))}
            </View>
          ) : null}
          <SplitBar split={result.split} />
          {root ? (
            <Section title="Because and against" note={root === result.roots[0] ? undefined : titleOf(root.finding)}>
              <Text variant="bodyMedium">{findingById(root.finding).seen}</Text>
              <Pulls pulls={[...root.because, ...root.against]} evidence={evidence} />
              {root.cleared.length > 0 ? (
                <Text variant="bodySmall" style={{ color: palette.soft }}>
                  {`Ruled out: ${root.cleared.map((c) => `${titleOf(c.finding).toLowerCase()} (${c.evidence.map((e) => (evidence[e] ? evidenceText(evidence[e].evidence) : '')).join(', ')})`).join('; ')}.`}
                </Text>
              ) : null}
              {worthText(root) ? <Text variant="bodySmall">{worthText(root)}</Text> : null}
            </Section>
          ) : null}
          {result.flags.length > 0 ? (
            <Caution>{`${result.flags.map((f) => titleOf(f)).join('; ')}: no hard throws are planned while this is likely. If anything hurts, a licensed clinician decides.`}</Caution>
          ) : null}
        </View>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Check this next">
            {result.nextChecks.length === 0 ? (
              <Text style={{ color: palette.soft }}>More checking would hardly change the picture.</Text>
            ) : null}
            {result.nextChecks.slice(0, 3).map((check) => (
              <CheckNext
                key={JSON.stringify(check.check)}
                weighed={check}
                athlete={overview.athlete}
                on={today}
                onAnswer={answer}
                busy={putState.isLoading}
              />
            ))}
          </Section>
          {result.expectedToEase.length > 0 ? (
            <Section title="Should ease by itself">
              {result.expectedToEase.slice(0, 6).map((e) => (
                <Row key={e.finding} style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
                  <Text variant="bodyMedium" style={{ flex: 1 }}>
                    {titleOf(e.finding)}
                  </Text>
                  <Text style={{ fontFamily: NUMBER_FONT, fontSize: 17, fontWeight: '600' }}>{percent(e.probability)}</Text>
                </Row>
              ))}
            </Section>
          ) : null}
          {result.leaveAlone.length > 0 ? (
            <Section title="Leave alone">
              {result.leaveAlone.slice(0, 6).map((l) => (
                <View key={l.item}>
                  <Text variant="bodyMedium">{STYLE_TITLES[l.item] ?? titleOf(l.item as FindingId)}</Text>
                  <Text variant="bodySmall" style={{ color: palette.soft }}>
                    {l.why}
                  </Text>
                </View>
              ))}
            </Section>
          ) : null}
        </View>
      </Panes>
    </Screen>
  );
}
