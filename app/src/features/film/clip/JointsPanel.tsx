import { spoken } from '@wrightonic/core';
import type { ClipMarks } from '@wrightonic/contract';
import type { MarkedJoint } from '@wrightonic/core';
import { View } from 'react-native';
import { ProgressBar, Text } from 'react-native-paper';
import { Action, Caution, Choice } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { JOINT_ORDER, jointsSeen, withoutJoint } from '../marks/marks';
import type { TrackingState } from '../track/use-tracking';

interface Props {
  readonly marks: ClipMarks;
  readonly frame: number;
  readonly joint: MarkedJoint;
  readonly onJoint: (joint: MarkedJoint) => void;
  readonly onChange: (next: ClipMarks) => void;
  readonly tracking: TrackingState;
  readonly onTrack: () => void;
  readonly onStop: () => void;
}

const HOW = { set: 'by hand', tracked: 'tracked', between: 'between two marks' } as const;

function Tracker({ tracking, onTrack, onStop, marks }: Props) {
  const palette = usePalette();
  const tracked = marks.frames.filter((f) => Object.values(f.joints).some((p) => p.by === 'track')).length;
  if (tracking.kind === 'running')
    return (
      <View style={{ gap: SPACE.s }} testID="tracking">
        <ProgressBar progress={tracking.of > 0 ? tracking.done / tracking.of : 0} color={palette.spruce} />
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {tracking.left === null
            ? 'Loading the model…'
            : `${tracking.done} of ${tracking.of} frames, ${Math.ceil(tracking.left)} s left. Nothing leaves this device.`}
        </Text>
        <Row>
          <Action kind="quiet" label="Stop tracking" onPress={onStop} testID="stop-tracking" />
        </Row>
      </View>
    );
  return (
    <View style={{ gap: SPACE.s }}>
      {tracking.kind === 'failed' ? <Caution testID="tracking-failed">{tracking.why}</Caution> : null}
      <Row>
        <Action
          kind={tracked > 0 ? 'quiet' : 'main'}
          label={tracked > 0 ? 'Track again' : 'Track the joints'}
          onPress={onTrack}
          testID="track"
        />
      </Row>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {tracked > 0
          ? `Tracked on ${tracked} frames. Where a joint is off, drag it: its neighbours in time come along. What you set stays when you track again.`
          : 'Finds the body in every frame, on this device. Or choose a joint and drag it on the picture.'}
      </Text>
    </View>
  );
}

/** Joints: found by the tracker, set and corrected by hand. */
export function JointsPanel(props: Props) {
  const { marks, frame, joint, onJoint, onChange } = props;
  const seen = new Map(jointsSeen(marks, frame).map((j) => [j.joint, j.how]));
  const how = seen.get(joint);
  const settable = marks.frames.some((f) => f.frame === frame && f.joints[joint]);
  return (
    <View style={{ gap: SPACE.m }}>
      <Tracker {...props} />
      <Row>
        {JOINT_ORDER.map((j) => (
          <Choice
            key={j}
            label={`${spoken(j)}${seen.has(j) ? '' : ' –'}`}
            chosen={j === joint}
            onPress={() => onJoint(j)}
            testID={`joint-${j}`}
          />
        ))}
      </Row>
      <Row>
        <Text variant="bodySmall">{`${spoken(joint)}: ${how ? HOW[how] : 'not marked here; drag on the picture'}`}</Text>
        {settable ? (
          <Action kind="plain" label="Take it off this frame" onPress={() => onChange(withoutJoint(marks, frame, joint))} />
        ) : null}
      </Row>
    </View>
  );
}
