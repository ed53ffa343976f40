import type { Judgement, Me } from '@wrightonic/contract';
import { findingById, linkName, partOf } from '@wrightonic/core';
import type { Link } from '@wrightonic/core';
import { linkMovement } from '@wrightonic/core/simulate';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useAppSelector } from '../../../../data/store';
import { Action, Blank, Caution, Choice, Loading } from '../../../../ui/controls';
import { Panes, Screen, Section, useWide } from '../../../../ui/layout';
import { Mannequin } from '../../../../ui/Mannequin';
import { useShortcuts } from '../../../../ui/shortcuts';
import { SPACE, usePalette } from '../../../../ui/theme';
import { RepButtons } from '../../RepButtons';
import { useAwake } from '../../use-awake';
import { ComesLate } from '../Asides';
import { joins, leaves, MOST_IN_LINE, oneLater, toTheEnd, toTheFront } from '../line';
import type { Line } from '../line';
import { LineUp } from '../LineUp';
import { linksOf, outcomes, questionsOf } from './class';
import type { ClassWork } from './class';
import { useClass } from './use-class';
import type { Class, Pupil } from './use-class';

/** What each shows: everything up to the link that is taught. */
function upTo(link: Link): string {
  const [first, last] = [linkName('set', 'overhand'), linkName(link, 'overhand')];
  return first === last ? `Shows ${first}.` : `Shows it from ${first} through ${last}.`;
}

/** Whoever is called: the name, the question, and the figure at the link, the part in question drawn heavier. */
function Called({ pupil, work, height }: { readonly pupil: Pupil; readonly work: ClassWork; readonly height: number }) {
  const palette = usePalette();
  const { athlete, age } = pupil.overview;
  const { discipline, heightM, throws } = athlete;
  const movement = useMemo(() => linkMovement(work.link, discipline, heightM, age), [work.link, discipline, heightM, age]);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="headlineMedium" role="heading" aria-level={1} numberOfLines={1} testID="front">
        {pupil.name}
      </Text>
      <Text variant="bodyMedium" style={{ color: palette.soft }}>
        {upTo(work.link)}
      </Text>
      {pupil.mind ? <Caution>{pupil.mind}</Caution> : null}
      <Text variant="titleLarge" style={{ fontSize: 22, lineHeight: 27 }} testID="class-question">
        {findingById(work.finding).eyeCheck}
      </Text>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        Good: no. Off: yes.
      </Text>
      <Mannequin
        movement={movement}
        moving
        throws={throws}
        heightM={heightM}
        age={age}
        height={height}
        stress={partOf(work.finding)}
        label={`Figure at ${linkName(work.link, discipline)}`}
      />
    </View>
  );
}

function Questions({ group, work, onDone }: { readonly group: Class; readonly work: ClassWork; readonly onDone: () => void }) {
  return (
    <Screen width={640} footer={<Action label="Back to the class" onPress={onDone} />}>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        What to look for
      </Text>
      <View style={{ gap: SPACE.xs }}>
        {questionsOf(work.link, group.disciplines).map((finding) => (
          <Choice
            key={finding.id}
            label={finding.eyeCheck}
            chosen={finding.id === work.finding}
            onPress={() => {
              group.ask(finding.id);
              onDone();
            }}
            testID={`ask-${finding.id}`}
          />
        ))}
      </View>
    </Screen>
  );
}

const RESULT: readonly (readonly [Judgement, string])[] = [
  ['off', 'Not yet'],
  ['close', 'Nearly'],
  ['good', 'Shown well'],
];

/** What came of it, question by question: what the next lesson begins with. No order among the children but that of the line. */
function Result({
  group,
  work,
  onEnd,
  onBack,
}: {
  readonly group: Class;
  readonly work: ClassWork;
  readonly onEnd: () => void;
  readonly onBack: () => void;
}) {
  const palette = usePalette();
  const names = new Map(group.pupils.map((p) => [p.id, p.name]));
  const found = outcomes(work);
  return (
    <Screen
      width={640}
      footer={
        <>
          <Action label="End the class" onPress={onEnd} testID="class-end" />
          <Action kind="plain" label="Back to the class" onPress={onBack} />
        </>
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        What was shown
      </Text>
      {found.length === 0 ? <Blank title="Nothing was marked">Nothing is kept of this class.</Blank> : null}
      {found.map(({ finding, by }) => (
        <Section key={finding} title={findingById(finding).eyeCheck}>
          {RESULT.filter(([judged]) => by[judged].length > 0).map(([judged, label]) => (
            <Text key={judged} variant="bodyMedium">
              <Text style={{ color: palette.soft }}>{`${label}: `}</Text>
              {by[judged].map((id) => names.get(id) ?? 'somebody who has left').join(', ')}
            </Text>
          ))}
        </Section>
      ))}
      {found.length > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          Each mark is a look of today in the athlete’s own judgement; “nearly” tells nothing there.
        </Text>
      ) : null}
    </Screen>
  );
}

/** A class, link by link: one is called, shows it, and a tap marks them and calls the next. */
export function ClassScreen({
  me,
  line,
  work,
  change,
}: {
  readonly me: Me;
  readonly line: Line;
  readonly work: ClassWork;
  readonly change: (to: Line) => void;
}) {
  const wide = useWide();
  const palette = usePalette();
  const router = useRouter();
  const left = useAppSelector((s) => s.device.hand === 'left');
  const group = useClass(me, line, work, change);
  const [aside, setAside] = useState<'none' | 'late' | 'end' | 'ask'>('none');
  useAwake();
  const { pupils, front, next } = group;
  useShortcuts([
    { key: 'g', does: 'good', run: () => group.mark('good') },
    { key: 'c', does: 'close', run: () => group.mark('close') },
    { key: 'o', does: 'off', run: () => group.mark('off') },
    { key: 'u', does: 'undo', run: group.takeBack },
  ]);
  if (pupils.length === 0 && group.missing > 0) return <Loading />;
  const back = () => setAside('none');
  if (aside === 'late')
    return (
      <ComesLate there={pupils.map(({ id, name }) => ({ id, name }))} onJoin={(id) => change(joins(line, id))} onDone={back} />
    );
  if (aside === 'ask') return <Questions group={group} work={work} onDone={back} />;
  if (aside === 'end')
    return (
      <Result
        group={group}
        work={work}
        onBack={back}
        onEnd={() => {
          change({ athletes: [], drill: null });
          router.replace('/');
        }}
      />
    );
  const links = linksOf(group.disciplines);
  const following = links[links.indexOf(work.link) + 1];
  return (
    <Screen
      width={1120}
      footer={
        <>
          <RepButtons disabled={!front} left={left} onRep={group.mark} />
          <View style={{ flexDirection: left ? 'row-reverse' : 'row', justifyContent: 'space-between' }}>
            <Action kind="plain" label="Undo" disabled={work.shown.length === 0} onPress={group.takeBack} testID="undo" />
            <Action
              kind="plain"
              label="Skip"
              disabled={!front || !next}
              onPress={() => front && change(toTheEnd(line, front.id))}
              testID="skip"
            />
            <Action kind="plain" label="Look for" onPress={() => setAside('ask')} testID="class-ask" />
            <Action kind="plain" label="End" onPress={() => setAside('end')} testID="end-class" />
          </View>
        </>
      }
    >
      <ScrollView
        horizontal
        showsHorizontalScrollIndicator={false}
        contentContainerStyle={{ gap: SPACE.xs }}
        style={{ flexGrow: 0 }}
      >
        {links.map((link) => (
          <Choice
            key={link}
            label={linkName(link, group.disciplines.has('overhand') ? 'overhand' : 'windmill')}
            chosen={work.link === link}
            onPress={() => group.teach(link)}
            testID={`teach-${link}`}
          />
        ))}
      </ScrollView>
      <Panes weights={[3, 2]}>
        <View style={{ gap: SPACE.m }}>
          {front ? (
            <Called pupil={front} work={work} height={wide ? 320 : 150} />
          ) : (
            <View style={{ gap: SPACE.m }}>
              <Blank title="Everybody has shown it">Look for something else here, or go on with the next link.</Blank>
              {following ? (
                <Action
                  label={`Next: ${linkName(following, 'overhand')}`}
                  onPress={() => group.teach(following)}
                  testID="class-next"
                />
              ) : null}
            </View>
          )}
          {front && next ? (
            <Text variant="bodyLarge" testID="next-up">
              <Text style={{ color: palette.soft }}>Then </Text>
              {next.name}
            </Text>
          ) : null}
        </View>
        <Section title="The class" note={`${pupils.filter((p) => p.mark !== null).length} of ${pupils.length} shown`}>
          <LineUp
            members={pupils.map(({ id, name, passed, mind }) => ({ id, name, passed, does: mind, count: '' }))}
            front={front?.id ?? null}
            onNow={(id) => change(toTheFront(line, id))}
            onLater={(id) => change(oneLater(line, id))}
            onOut={(id) => change(leaves(line, id))}
          />
          {group.missing > 0 ? (
            <Caution>{`${group.missing} more: their page is not on this device. They come in when there is a connection.`}</Caution>
          ) : null}
          {pupils.length < MOST_IN_LINE ? (
            <Action kind="quiet" label="Somebody comes late" onPress={() => setAside('late')} testID="add-late" />
          ) : null}
        </Section>
      </Panes>
    </Screen>
  );
}
