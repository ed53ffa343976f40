import { may } from '@wrightonic/contract';
import type { Me } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../../data/api';
import { useAppSelector } from '../../../data/store';
import { useLibrary } from '../../../data/use-library';
import { useToday } from '../../../data/use-today';
import { Action, Blank, Choice, Loading } from '../../../ui/controls';
import { Panes, Row, Screen, Section, useWide } from '../../../ui/layout';
import { useShortcuts } from '../../../ui/shortcuts';
import { SPACE } from '../../../ui/theme';
import { DrillFigure } from '../DrillFigure';
import { RepButtons } from '../RepButtons';
import { useAwake } from '../use-awake';
import { ComesLate, Ending, Hurts } from './Asides';
import { ClassScreen } from './class/ClassScreen';
import { BEGINS } from '../../../parts/class';
import { DrillPicker } from './DrillPicker';
import { DrillChoice, Front, itemsOf } from './Front';
import { Gather, WhoHurts } from './Gather';
import { LineUp, MoreInLine, NextUp } from './LineUp';
import { joins, leaves, MOST_IN_LINE, oneLater, toTheEnd, toTheFront } from './line';
import type { Line } from './line';
import { roundOf } from './round';
import { PickStations, StationBar } from './Stations';
import { drillsOf } from './turn';
import { useGroup, useLine } from './use-group';

function Running({ me, line, change }: { readonly me: Me; readonly line: Line; readonly change: (to: Line) => void }) {
  const wide = useWide();
  const router = useRouter();
  const left = useAppSelector((s) => s.device.hand === 'left');
  const { drill: look } = useLibrary();
  const group = useGroup(me, line, change);
  const [hurting, setHurting] = useState<string | null>(null);
  const [aside, setAside] = useState<'none' | 'late' | 'end' | 'drill' | 'stations'>('none');
  const [lastOff, setLastOff] = useState<{ readonly member: string; readonly rep: string; readonly drill: string } | null>(null);
  useAwake();
  const { members, front, next } = group;
  const judge = (judged: 'good' | 'close' | 'off') => {
    const done = group.judge(judged);
    setLastOff(done && judged === 'off' ? { member: done.member.id, rep: done.rep, drill: done.member.item!.drill } : null);
  };
  useShortcuts([
    { key: 'g', does: 'good', run: () => judge('good') },
    { key: 'c', does: 'close', run: () => judge('close') },
    { key: 'o', does: 'off', run: () => judge('off') },
    { key: 'u', does: 'undo', run: () => group.takeBack() },
  ]);
  if (line.athletes.length > 0 && members.length === 0 && group.missing.length > 0) return <Loading />;
  const waiting = members.filter((m) => m.state.session === null || m.state.finished);
  if (waiting.length > 0)
    return (
      <WhoHurts
        athletes={waiting.map(({ id, name }) => ({ id, name }))}
        missing={group.missing.length}
        onStart={group.start}
        onWithout={() => change({ ...line, athletes: line.athletes.filter((id) => !waiting.some((w) => w.id === id)) })}
      />
    );
  const hurt = members.find((m) => m.id === hurting);
  if (hurt) return <Hurts member={hurt} group={group} onDone={() => setHurting(null)} />;
  if (aside === 'late')
    return <ComesLate there={members} onJoin={(id) => change(joins(line, id))} onDone={() => setAside('none')} />;
  if (aside === 'drill')
    return (
      <DrillPicker
        onPick={(drill) => {
          change({ ...line, drill });
          setAside('none');
        }}
        onBack={() => setAside('none')}
      />
    );
  if (aside === 'stations')
    return (
      <PickStations
        planned={drillsOf(members.map(itemsOf))}
        onPick={(drills) => {
          change({ ...line, drill: null, round: roundOf(drills, line.athletes) });
          setAside('none');
        }}
        onBack={() => setAside('none')}
      />
    );
  if (aside === 'end')
    return (
      <Ending
        members={members}
        onHurts={setHurting}
        onEnd={() => {
          group.finish();
          change({ athletes: [], drill: null });
          router.replace('/');
        }}
        onBack={() => setAside('none')}
      />
    );
  const off = lastOff === null ? null : members.find((m) => m.id === lastOff.member);
  const cheats = lastOff !== null && off && !off.state.cheats.has(lastOff.rep) ? look(lastOff.drill).cheats : [];
  const list = (
    <LineUp
      members={members.map((m) => ({
        id: m.id,
        name: m.name,
        passed: m.passed,
        does: line.drill === null && !(line.round && line.round.here !== null) && m.item ? look(m.item.drill).name : null,
        count: m.item ? `${m.tally.reps}/${m.wanted}` : '',
      }))}
      front={front?.id ?? null}
      onNow={(id) => change(toTheFront(line, id))}
      onLater={(id) => change(oneLater(line, id))}
      onOut={(id) => change(leaves(line, id))}
      onHurts={setHurting}
    />
  );
  return (
    <Screen
      width={1120}
      footer={
        <>
          {off && cheats.length > 0 ? (
            <Row>
              <Text variant="bodySmall">{`${off.name}:`}</Text>
              {cheats.map((c) => (
                <Choice
                  key={c.cheat}
                  label={c.label}
                  chosen={false}
                  onPress={() => group.actions(off).cheat(lastOff!.rep, c.cheat)}
                  testID={`cheat-${c.cheat}`}
                />
              ))}
            </Row>
          ) : null}
          <RepButtons disabled={!front} left={left} onRep={judge} />
          <View style={{ flexDirection: left ? 'row-reverse' : 'row', justifyContent: 'space-between' }}>
            <Action
              kind="plain"
              label={group.newest ? `Undo ${group.newest.member.name.split(' ')[0]}` : 'Undo'}
              disabled={!group.newest}
              onPress={group.takeBack}
              testID="undo"
            />
            <Action
              kind="plain"
              label="Skip"
              disabled={!front || !next}
              onPress={() => front && change(toTheEnd(line, front.id))}
              testID="skip"
            />
            <Action
              kind="plain"
              label="It hurts"
              disabled={!front}
              onPress={() => setHurting(front?.id ?? null)}
              testID="it-hurts"
            />
            <Action kind="plain" label="End" onPress={() => setAside('end')} testID="end-group" />
          </View>
        </>
      }
    >
      {line.round ? (
        <StationBar
          round={line.round}
          athletes={line.athletes}
          onChange={(round) => change({ ...line, round: round ?? undefined })}
        />
      ) : (
        <DrillChoice
          group={group}
          line={line}
          onDrill={(drill) => change({ ...line, drill })}
          onOther={() => setAside('drill')}
          onStations={() => setAside('stations')}
        />
      )}
      <Panes weights={[3, 2]}>
        <View style={{ gap: SPACE.m }}>
          {front ? (
            <Front member={front} />
          ) : (
            <Blank title="Nobody can go now">Everybody is through, or at a limit: the reasons stand beside their names.</Blank>
          )}
          {front && next ? <NextUp name={next.name} /> : null}
          {wide && front?.item ? <DrillFigure item={front.item} overview={front.overview} most={280} /> : null}
        </View>
        <Section title="The line" note={`${members.length} of ${MOST_IN_LINE}`}>
          {list}
          <MoreInLine there={members.length} missing={group.missing.length} onLate={() => setAside('late')} />
        </Section>
      </Panes>
    </Screen>
  );
}

function OfToday({ me }: { readonly me: Me }) {
  const today = useToday(me);
  const [line, change] = useLine(me.id, today);
  if (line === null) return <Loading />;
  if (line.athletes.length === 0)
    return (
      <Gather
        mayTeach={may(me.role, 'judge')}
        onGather={(athletes) => change({ athletes, drill: null })}
        onTeach={(athletes) => change({ athletes, drill: null, taught: BEGINS })}
      />
    );
  if (line.taught) return <ClassScreen me={me} line={line} work={line.taught} change={change} />;
  return <Running me={me} line={line} change={change} />;
}

/** One phone and up to twelve athletes in a line: a tap judges whoever is in front, and the next one comes. */
export function GroupScreen() {
  const { data: me } = api.useMeQuery();
  return me ? <OfToday me={me} /> : <Loading />;
}
