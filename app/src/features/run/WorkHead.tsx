import type { AthleteWork } from '@wrightonic/contract';
import { kitName, RUNG_NAMES } from '@wrightonic/core';
import type { PlanSession } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { ClearanceLine } from '../../parts/ClearanceLine';
import { Action, Caution, Choice, Figure } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useWordsFor } from '../../ui/use-words';
import type { RunState } from './run-state';
import type { WorkNow } from './use-work';

/** What has to be known before the next rep: what is closed, what is new, what supports it, the one cue. */
export function Cue({
  overview,
  session,
  work,
  state,
  onWarm,
}: {
  readonly overview: AthleteWork;
  readonly session: PlanSession;
  readonly work: WorkNow;
  readonly state: RunState;
  readonly onWarm: () => void;
}) {
  const palette = usePalette();
  const inWords = useWordsFor(overview.age);
  const { item, drill, closed, repeated, tired } = work;
  const shut = closed ?? state.dryOnly;
  const lines = [
    ...(session.new !== null && work.at === 0 ? [session.new] : []),
    ...(item.aids.length > 0 ? [`With ${item.aids.map(kitName).join(', ')}`] : []),
    ...item.constraints.add.map((kit) => `New: ${kitName(kit)}`),
    ...item.constraints.remove.map((kit) => `Taken away: ${kit}`),
  ];
  return (
    <View style={{ gap: SPACE.s }}>
      {shut ? <Caution testID="dry-only">{shut}</Caution> : null}
      {tired ? (
        <View style={{ gap: SPACE.xs }}>
          <Caution testID="tired">{tired}</Caution>
          <Row>
            <Action kind="plain" label="Go on" onPress={work.goOn} testID="go-on" />
            <Action kind="quiet" label="End the session" onPress={() => work.setPanel('after')} />
          </Row>
        </View>
      ) : null}
      {repeated ? <Caution testID="counter">{`${repeated.label}, ${repeated.times} times. ${repeated.counter}.`}</Caution> : null}
      {state.readiness && !state.readiness.warm ? (
        <View style={{ gap: SPACE.xs }}>
          <Caution>Not warm yet: nothing above 60 %.</Caution>
          <Row>
            <Action kind="quiet" label="Warm now" onPress={onWarm} testID="warm-now" />
          </Row>
        </View>
      ) : null}
      <ClearanceLine clearance={overview.clearance} today={(state.record?.workload ?? overview.workload).today} />
      <View style={{ gap: 2 }}>
        <Text variant="bodyMedium" role="heading" aria-level={1} style={{ color: palette.soft }}>
          {`${drill.name} · rung ${item.rung}, ${RUNG_NAMES[item.rung].toLowerCase()}`}
        </Text>
        {lines.map((line) => (
          <Text key={line} variant="bodyMedium" style={{ fontWeight: '600' }}>
            {line}
          </Text>
        ))}
        <Text variant="headlineMedium" style={{ fontSize: 30, lineHeight: 35 }} testID="cue">
          {inWords(item.cue)}
        </Text>
      </View>
    </View>
  );
}

/** Where the set stands, what is left of the arm's day, and the effort that is asked for. */
export function Counts({ work, state, unit }: { readonly work: WorkNow; readonly state: RunState; readonly unit: string }) {
  const { item, tally, wanted, isThrow, effort, efforts } = work;
  const set = Math.min(item.sets, Math.floor(tally.reps / item.reps) + 1);
  const speed = state.readings[state.readings.length - 1];
  return (
    <View style={{ gap: SPACE.s }}>
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={`${tally.reps}/${wanted}`} label={item.sets > 1 ? `reps, set ${set} of ${item.sets}` : 'reps'} />
        <Figure value={String(tally.good)} label={`good, ${tally.close} close, ${tally.off} off`} tone="spruce" />
        {isThrow ? (
          <Figure value={String(state.throwsLeft)} label="throws left" tone={state.throwsLeft <= 5 ? 'clay' : undefined} />
        ) : null}
        {speed ? <Figure value={speed.speed.toFixed(1)} label={`${unit}, ${state.readings.length} logged`} /> : null}
      </Row>
      {isThrow ? (
        <Row>
          <Text variant="bodyMedium">Effort</Text>
          {efforts.map((percent) => (
            <Choice
              key={percent}
              label={`${percent} %`}
              chosen={percent === effort}
              onPress={() => work.setEffort(percent)}
              testID={`effort-${percent}`}
            />
          ))}
        </Row>
      ) : null}
    </View>
  );
}
