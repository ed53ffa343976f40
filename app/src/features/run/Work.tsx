import type { AthleteWork, Judgement, Me } from '@wrightonic/contract';
import type { PlanSession } from '@wrightonic/core';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { PainCheck } from '../../parts/PainCheck';
import { doseText } from '../../parts/SessionItems';
import { Action, Choice } from '../../ui/controls';
import { Panes, Row, Screen, Section, useWide } from '../../ui/layout';
import { useShortcuts } from '../../ui/shortcuts';
import { SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { DeviceChoices } from './DeviceChoices';
import { DrillFigure } from './DrillFigure';
import { LateUndo } from './LateUndo';
import { NoteField, SoFar } from './SoFar';
import { SpotPad } from './SpotPad';
import { Counts, Cue } from './WorkHead';
import { WorkFoot } from './WorkFoot';
import { SpeedChoices } from './radar/SpeedChoices';
import { useSpeeds } from './radar/use-speeds';
import { tallyOf } from './run-state';
import { useAwake } from './use-awake';
import type { useRun } from './use-run';
import { useWork } from './use-work';
import type { WorkNow } from './use-work';

interface WorkProps {
  readonly overview: AthleteWork;
  readonly me: Me;
  readonly session: PlanSession;
  readonly run: ReturnType<typeof useRun>;
}

/** How it looks when it is good, how it is set up, and what to take care of. */
function HowItIsDone({ work }: { readonly work: WorkNow }) {
  const units = useUnits();
  const palette = usePalette();
  const { item, drill } = work;
  return (
    <View style={{ gap: 4 }}>
      <Text variant="bodyMedium">
        <Text style={{ fontWeight: '600' }}>Good looks like: </Text>
        {item.success}.
      </Text>
      <Text variant="bodySmall" style={{ color: palette.soft }}>{`${doseText(item, units)}. ${drill.setup}`}</Text>
      {drill.cautions.map((line) => (
        <Text key={line} variant="bodySmall">
          {line}
        </Text>
      ))}
    </View>
  );
}

/** The day's items by number, with what is done of each. */
function Items({ session, work, run }: Pick<WorkProps, 'session' | 'run'> & { readonly work: WorkNow }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.xs }}>
      <ScrollView horizontal showsHorizontalScrollIndicator={false} contentContainerStyle={{ gap: 4 }} style={{ flex: 1 }}>
        {session.items.map((item, i) => {
          const done = tallyOf(run.state.reps, item.drill).reps;
          const label = `${i + 1}${done > 0 ? ` · ${done}` : ''}`;
          return <Choice key={`${item.drill}-${i}`} label={label} chosen={i === work.at} onPress={() => work.move(i)} />;
        })}
      </ScrollView>
      <Action kind="plain" label="More" onPress={() => work.setPanel('more')} testID="more" />
    </View>
  );
}

/** The work itself: one drill at a time, judged rep by rep with a thumb. */
export function Work({ overview, me, session, run }: WorkProps) {
  const wide = useWide();
  const work = useWork(overview, session.items, run);
  const speeds = useSpeeds(overview, me, run, work.item, work.effort);
  const judge = (judged: Judgement) => {
    const rep = work.rep(judged);
    if (rep !== null && work.isThrow) speeds.radar.tapped(rep);
  };
  const { state } = run;
  const { panel, setPanel } = work;
  const unit = me.academy.speedUnit;
  useAwake();
  const rep = (judged: Judgement) => () => (panel === 'none' || panel === 'spot' ? judge(judged) : undefined);
  useShortcuts([
    { key: 'g', does: 'good', run: rep('good') },
    { key: 'c', does: 'close', run: rep('close') },
    { key: 'o', does: 'off', run: rep('off') },
    { key: 'u', does: 'undo', run: () => work.takeBack(work.last) },
    { key: 'n', does: 'next drill', run: () => (work.hasNext ? work.move(work.at + 1) : undefined) },
  ]);
  if (panel === 'late-undo')
    return <LateUndo athlete={overview.id} rep={work.late} role={me.role} onDone={() => setPanel('none')} />;
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
  const soFar = <SoFar run={run} unit={unit} onTakeBack={work.takeBack} />;
  if (panel === 'more')
    return (
      <Screen width={640} footer={<Action label="Back to the work" onPress={() => setPanel('none')} testID="less" />}>
        {soFar}
        <NoteField onKeep={run.note} />
        <Section title="Speeds">
          <SpeedChoices speeds={speeds} />
        </Section>
        <Section title="This device">
          <DeviceChoices />
        </Section>
        <Row>
          <Action kind="quiet" label="End the session" onPress={() => setPanel('after')} testID="end-early" />
        </Row>
      </Screen>
    );
  const main = (
    <View style={{ gap: SPACE.m }}>
      <Items session={session} work={work} run={run} />
      <Cue overview={overview} session={session} work={work} state={state} onWarm={run.warm} />
      <Counts work={work} state={state} unit={unit} />
    </View>
  );
  const figure = <DrillFigure item={work.item} overview={overview} />;
  const how = <HowItIsDone work={work} />;
  const plate =
    panel === 'spot' && work.isThrow && work.closed === null ? (
      <SpotPad
        athlete={overview.athlete}
        target={work.target}
        onTarget={work.setTarget}
        noted={state.spots}
        onSpot={(actual, zone) => work.spot(actual, zone, speeds.thrownAs.pitch ?? null)}
        onClose={() => setPanel('none')}
      />
    ) : null;
  return (
    <Screen
      width={wide ? 1120 : 760}
      footer={<WorkFoot work={work} run={run} speeds={speeds} plate={wide ? null : plate} onRep={judge} />}
    >
      {wide ? (
        <Panes weights={[3, 2]}>
          {[
            <View key="work" style={{ gap: SPACE.l }}>
              {main}
              {how}
              {soFar}
            </View>,
            plate ?? figure,
          ]}
        </Panes>
      ) : (
        <View style={{ gap: SPACE.m }}>
          {main}
          {figure}
          {how}
        </View>
      )}
    </Screen>
  );
}
