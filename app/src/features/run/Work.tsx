import type { AthleteWork, Judgement, Me } from '@wrightonic/contract';
import { drillPoses, isLegWork, kitName, RUNG_NAMES } from '@wrightonic/core';
import type { PlanItem } from '@wrightonic/core';
import { memo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useLibrary } from '../../data/use-library';
import { ClearanceLine } from '../../parts/ClearanceLine';
import { PainCheck } from '../../parts/PainCheck';
import { doseText } from '../../parts/SessionItems';
import { Mannequin } from '../../ui/Mannequin';
import { Action, Caution, Choice, Figure } from '../../ui/controls';
import { Row, Screen, useWide } from '../../ui/layout';
import { useShortcuts } from '../../ui/shortcuts';
import { SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { useWordsFor } from '../../ui/use-words';
import { isLate, LateUndo } from './LateUndo';
import { RepButtons } from './RepButtons';
import { SpeedPad } from './SpeedPad';
import type { useRun } from './use-run';
import { tallyOf } from './use-run';

const EFFORT_STEP = 10;

const GUN = 'gun 1';

const DrillFigure = memo(function DrillFigure({ item, overview }: { readonly item: PlanItem; readonly overview: AthleteWork }) {
  const wide = useWide();
  const drill = useLibrary().drill(item.drill, item.words);
  const { discipline, throws, heightM } = overview.athlete;
  return (
    <Mannequin
      poses={drillPoses(drill, discipline)}
      aids={drill.equipment.filter((kit) => item.aids.includes(kit) || !drill.aids.some((a) => a.kit === kit))}
      throws={throws}
      heightM={heightM}
      age={overview.age}
      moving
      height={wide ? 230 : 136}
      label={`Figure: ${drill.name}`}
    />
  );
});

type Panel = 'none' | 'speed' | 'pain' | 'after' | 'late-undo';

interface WorkProps {
  readonly overview: AthleteWork;
  readonly me: Me;
  readonly items: readonly PlanItem[];
  readonly run: ReturnType<typeof useRun>;
}

export function Work({ overview, me, items, run }: WorkProps) {
  const units = useUnits();
  const palette = usePalette();
  const [at, setAt] = useState(0);
  const [panel, setPanel] = useState<Panel>('none');
  const [effort, setEffort] = useState<Record<string, number>>({});
  const [lastOff, setLastOff] = useState<string | null>(null);
  const [late, setLate] = useState('');
  const item = items[Math.min(at, items.length - 1)]!;
  const drill = useLibrary().drill(item.drill, item.words);
  const inWords = useWordsFor(overview.age);
  const { state } = run;
  const isThrow = drill.throws !== 'none';
  const closed = isThrow ? state.dryOnly : isLegWork(drill) ? state.legsClosed : null;
  const blocked = closed !== null;
  const ceiling = Math.min(item.effort[1], state.highestEffort);
  const tally = tallyOf(state.reps, item.drill);
  const wanted = item.sets * item.reps;
  const current = Math.min(effort[item.drill] ?? item.effort[0], Math.max(ceiling, item.effort[0]));
  const last = [...state.reps].reverse().find((r) => r.drill === item.drill);
  const move = (to: number) => {
    setAt(to);
    setPanel('none');
    setLastOff(null);
  };
  const onRep = (judged: Judgement) => {
    const id = run.rep(item, judged, current);
    setLastOff(judged === 'off' ? id : null);
  };
  const takeBack = () => {
    if (!last) return;
    run.undo(last.id);
    if (isThrow && isLate(last.at)) {
      setLate(last.id);
      setPanel('late-undo');
    }
  };
  const rep = (judged: Judgement) => () => (blocked || panel !== 'none' ? undefined : onRep(judged));
  useShortcuts([
    { key: 'g', does: 'good', run: rep('good') },
    { key: 'c', does: 'close', run: rep('close') },
    { key: 'o', does: 'off', run: rep('off') },
    { key: 'u', does: 'undo', run: () => takeBack() },
    { key: 'n', does: 'next drill', run: () => (at < items.length - 1 ? move(at + 1) : undefined) },
  ]);
  if (panel === 'late-undo') return <LateUndo athlete={overview.id} rep={late} role={me.role} onDone={() => setPanel('none')} />;
  if (panel === 'pain' || panel === 'after')
    return (
      <Screen width={640}>
        <PainCheck
          question={panel === 'after' ? 'How is the arm now? Does anything hurt?' : 'What hurts?'}
          fine={panel === 'after' ? 'Nothing hurts. End the session' : 'Back to the work'}
          onFine={() => (panel === 'after' ? run.finish() : setPanel('none'))}
          onPain={(pain) => {
            run.pain(panel === 'after' ? 'after' : 'during', pain);
            if (panel === 'after') run.finish();
            else setPanel('none');
          }}
        />
      </Screen>
    );
  return (
    <Screen
      width={760}
      footer={
        panel === 'speed' ? (
          <SpeedPad
            unit={me.academy.speedUnit}
            onClose={() => setPanel('none')}
            onKeep={(speed) => run.speed(item, speed, me.academy.speedUnit, current, GUN)}
          />
        ) : (
          <>
            {lastOff && !state.cheats.has(lastOff) ? (
              <Row>
                {drill.cheats.map((c) => (
                  <Choice
                    key={c.cheat}
                    label={c.label}
                    chosen={false}
                    onPress={() => run.cheat(lastOff, c.cheat)}
                    testID={`cheat-${c.cheat}`}
                  />
                ))}
              </Row>
            ) : null}
            <RepButtons disabled={blocked} onRep={onRep} />
            <Row style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
              <Action kind="plain" label="Undo" disabled={!last} onPress={takeBack} testID="undo" />
              <Action
                kind="plain"
                label="Speed"
                disabled={!isThrow || blocked}
                onPress={() => setPanel('speed')}
                testID="open-speed"
              />
              <Action kind="plain" label="It hurts" onPress={() => setPanel('pain')} testID="it-hurts" />
              {at < items.length - 1 ? (
                <Action kind="plain" label="Next drill" onPress={() => move(at + 1)} testID="next-drill" />
              ) : (
                <Action kind="plain" label="End" onPress={() => setPanel('after')} testID="end-session" />
              )}
            </Row>
          </>
        )
      }
    >
      <ScrollView horizontal showsHorizontalScrollIndicator={false} contentContainerStyle={{ gap: 4 }} style={{ flexGrow: 0 }}>
        {items.map((it, i) => {
          const done = tallyOf(state.reps, it.drill).reps;
          return (
            <Choice
              key={`${it.drill}-${i}`}
              label={`${i + 1} ${done > 0 ? `· ${done}` : ''}`}
              chosen={i === at}
              onPress={() => move(i)}
            />
          );
        })}
      </ScrollView>
      {(closed ?? state.dryOnly) ? <Caution testID="dry-only">{closed ?? state.dryOnly}</Caution> : null}
      <ClearanceLine clearance={overview.clearance} today={(state.record?.workload ?? overview.workload).today} />
      <View style={{ gap: SPACE.xs }}>
        <Text
          variant="bodyMedium"
          style={{ color: palette.soft }}
        >{`${drill.name} · rung ${item.rung}, ${RUNG_NAMES[item.rung].toLowerCase()}`}</Text>
        <Text variant="headlineMedium" style={{ fontSize: 30, lineHeight: 35 }} testID="cue">
          {inWords(item.cue)}
        </Text>
      </View>
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={`${tally.reps}/${wanted}`} label="reps" />
        <Figure value={String(tally.good)} label={`good, ${tally.close} close, ${tally.off} off`} tone="spruce" />
        {isThrow ? (
          <Figure value={String(state.throwsLeft)} label="throws left" tone={state.throwsLeft <= 5 ? 'clay' : undefined} />
        ) : null}
        {state.readings.length > 0 ? (
          <Figure
            value={state.readings[state.readings.length - 1]!.speed.toFixed(1)}
            label={`${me.academy.speedUnit}, ${state.readings.length} logged`}
          />
        ) : null}
      </Row>
      <DrillFigure item={item} overview={overview} />
      {isThrow ? (
        <Row>
          <Text variant="bodyMedium">Effort</Text>
          <Choice
            label="−"
            chosen={false}
            onPress={() => setEffort({ ...effort, [item.drill]: Math.max(50, current - EFFORT_STEP) })}
          />
          <Text variant="titleMedium">{`${current} %`}</Text>
          <Choice
            label="+"
            chosen={false}
            onPress={() => setEffort({ ...effort, [item.drill]: Math.min(ceiling, current + EFFORT_STEP) })}
          />
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {ceiling < item.effort[1] ? `up to ${ceiling} % today` : `up to ${ceiling} % while it stays good`}
          </Text>
        </Row>
      ) : null}
      <View style={{ gap: 4 }}>
        <Text variant="bodyMedium">
          <Text style={{ fontWeight: '600' }}>Good looks like: </Text>
          {item.success}.
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>{`${doseText(item, units)}. ${drill.setup}`}</Text>
        {[
          ...item.constraints.remove.map((c) => `Take away: ${c}.`),
          ...item.constraints.add.map((c) => `Use: ${kitName(c)}.`),
          ...drill.cautions,
        ].map((line) => (
          <Text key={line} variant="bodySmall">
            {line}
          </Text>
        ))}
      </View>
    </Screen>
  );
}
