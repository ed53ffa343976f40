import type { Me } from '@wrightonic/contract';
import { linkName } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useAppSelector } from '../../../../data/store';
import { Action, Blank, Choice, Loading } from '../../../../ui/controls';
import { Panes, Screen, Section, useWide } from '../../../../ui/layout';
import { useShortcuts } from '../../../../ui/shortcuts';
import { SPACE } from '../../../../ui/theme';
import { RepButtons } from '../../RepButtons';
import { useAwake } from '../../use-awake';
import { ComesLate } from '../Asides';
import { joins, leaves, oneLater, toTheEnd, toTheFront } from '../line';
import type { Line } from '../line';
import { LineUp, MoreInLine, NextUp } from '../LineUp';
import { Called } from './Called';
import { linksOf } from '../../../../parts/class';
import type { ClassWork } from '../../../../parts/class';
import { Questions, Result } from './ClassAsides';
import { useClass } from './use-class';

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
          {front && next ? <NextUp name={next.name} /> : null}
        </View>
        <Section title="The class" note={`${pupils.filter((p) => p.mark !== null).length} of ${pupils.length} shown`}>
          <LineUp
            members={pupils.map(({ id, name, passed, mind }) => ({ id, name, passed, does: mind, count: '' }))}
            front={front?.id ?? null}
            onNow={(id) => change(toTheFront(line, id))}
            onLater={(id) => change(oneLater(line, id))}
            onOut={(id) => change(leaves(line, id))}
          />
          <MoreInLine there={pupils.length} missing={group.missing} onLate={() => setAside('late')} />
        </Section>
      </Panes>
    </Screen>
  );
}
