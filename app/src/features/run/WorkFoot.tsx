import type { Judgement } from '@wrightonic/contract';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useAppSelector } from '../../data/store';
import { Action, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { RepButtons } from './RepButtons';
import { Rest } from './Rest';
import { SpeedPad } from './SpeedPad';
import { HeardSpeeds } from './radar/RadarPanel';
import type { Speeds } from './radar/use-speeds';
import type { useRun } from './use-run';
import type { WorkNow } from './use-work';

/** Everything under the thumb. */
export function WorkFoot({
  work,
  run,
  speeds,
  plate,
  onRep,
}: {
  readonly work: WorkNow;
  readonly run: ReturnType<typeof useRun>;
  readonly speeds: Speeds;
  /** Where throws go, while that is noted. */
  readonly plate: ReactNode;
  readonly onRep: (judged: Judgement) => void;
}) {
  const left = useAppSelector((s) => s.device.hand === 'left');
  const { drill, isThrow, closed, last, lastOff, restUntil } = work;
  if (work.panel === 'speed') return <SpeedPad unit={speeds.unit} onClose={() => work.setPanel('none')} onKeep={speeds.typed} />;
  return (
    <>
      {plate}
      <HeardSpeeds radar={speeds.radar} newest={last?.id ?? null} />
      {restUntil !== null ? <Rest until={restUntil} onOver={work.endRest} /> : null}
      {lastOff !== null ? (
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
      <RepButtons disabled={closed !== null} left={left} onRep={onRep} />
      <View style={{ flexDirection: left ? 'row-reverse' : 'row', flexWrap: 'wrap', justifyContent: 'space-between' }}>
        <Action kind="plain" label="Undo" disabled={!last} onPress={() => work.takeBack(last)} testID="undo" />
        <Action
          kind="plain"
          label="Speed"
          disabled={!isThrow || closed !== null}
          onPress={() => work.setPanel('speed')}
          testID="open-speed"
        />
        {isThrow && closed === null && work.panel !== 'spot' ? (
          <Action kind="plain" label="Spot" onPress={() => work.setPanel('spot')} testID="open-spot" />
        ) : null}
        <Action kind="plain" label="It hurts" onPress={() => work.setPanel('pain')} testID="it-hurts" />
        {work.hasNext ? (
          <Action kind="plain" label="Next drill" onPress={() => work.move(work.at + 1)} testID="next-drill" />
        ) : (
          <Action kind="plain" label="End" onPress={() => work.setPanel('after')} testID="end-session" />
        )}
      </View>
    </>
  );
}
