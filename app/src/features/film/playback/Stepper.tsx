import { spoken } from '@wrightonic/core';
import type { ClipMarks } from '@wrightonic/contract';
import { useMemo, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Caution, Choice } from '../../../ui/controls';
import { Row, useWide } from '../../../ui/layout';
import { useShortcuts } from '../../../ui/shortcuts';
import { SPACE, usePalette } from '../../../ui/theme';
import type { Pictures } from '../media/film-info';
import { FrameView } from '../marks/FrameView';
import { Jog } from './Jog';
import { jointsSeen } from '../marks/marks';
import type { EventName } from '../marks/marks';
import { paintJoints } from '../marks/paint';
import type { Ink } from '../marks/paint';
import { usePlay } from './use-play';

/** One side of the comparison. */
export interface Side {
  readonly name: string;
  readonly pictures: Pictures;
  readonly fps: number;
  readonly events: ClipMarks['events'];
  readonly marks: ClipMarks | null;
}

/** Steps that can be taken finely enough for both: the finer of the two rates. */
const stepsASecond = (a: Side, b: Side): number => Math.max(a.fps, b.fps);

/** The joints of a side, over its picture. */
function usePainter(side: Side, frame: number) {
  return useMemo(() => {
    const joints = side.marks ? jointsSeen(side.marks, frame) : [];
    return (ctx: Ink, unit: number) => paintJoints(ctx, joints, null, unit);
  }, [side, frame]);
}

/** Two throws on the same event, stepped together in real time. */
export function Stepper({
  before,
  after,
  events,
}: {
  readonly before: Side;
  readonly after: Side;
  readonly events: readonly EventName[];
}) {
  const palette = usePalette();
  const wide = useWide();
  const { height } = useWindowDimensions();
  const shared = events.filter((e) => before.events[e] && after.events[e]);
  const [aligned, setAligned] = useState<EventName | null>(null);
  const [over, setOver] = useState(false);
  const on = aligned ?? (shared.includes('contact') ? 'contact' : (shared[0] ?? null));
  const fps = stepsASecond(before, after);
  const zero = (side: Side) => (on ? side.events[on]!.frame : 0) / side.fps;
  // Steps are counted from the event, in real time, over what both clips show.
  const first = Math.ceil(-Math.min(zero(before), zero(after)) * fps);
  const end = (side: Side) => (side.pictures.info.frames - 1) / side.fps - zero(side);
  const last = Math.max(first, Math.floor(Math.min(end(before), end(after)) * fps));
  const [step, setStep] = useState(0);
  const at = Math.max(first, Math.min(step, last));
  const play = usePlay(at, first, last, fps, setStep);
  const go = (next: number) => {
    play.stop();
    setStep(Math.max(first, Math.min(next, last)));
  };
  useShortcuts([
    { key: 'ArrowLeft', does: 'step back', run: () => go(at - 1) },
    { key: 'ArrowRight', does: 'step on', run: () => go(at + 1) },
    { key: ' ', does: 'play slowly, stop', run: play.toggle },
  ]);
  const frameOf = (side: Side) => Math.round((zero(side) + at / fps) * side.fps);
  const frames = { before: frameOf(before), after: frameOf(after) };
  const paint = { before: usePainter(before, frames.before), after: usePainter(after, frames.after) };
  const highest = wide ? height - 330 : height * 0.24;
  const view = (side: Side, which: 'before' | 'after') => (
    <View style={{ flex: wide ? 1 : undefined, minWidth: 0 }}>
      <FrameView
        pictures={side.pictures}
        frame={frames[which]}
        paint={paint[which]}
        touch={null}
        highest={highest}
        label={`${side.name}, frame ${frames[which]}`}
        testID={`frame-${which}`}
      />
      <Text variant="bodySmall" style={{ color: palette.soft, textAlign: 'center' }} numberOfLines={1}>
        {side.name}
      </Text>
    </View>
  );
  const ms = Math.round((1000 * at) / fps);
  return (
    <View style={{ gap: SPACE.s }}>
      {over ? (
        <View>
          {view(after, 'after')}
          <View style={{ position: 'absolute', left: 0, right: 0, top: 0, opacity: 0.5, pointerEvents: 'none' }}>
            {view(before, 'before')}
          </View>
        </View>
      ) : (
        <View style={{ flexDirection: wide ? 'row' : 'column', gap: SPACE.s }}>
          {view(before, 'before')}
          {view(after, 'after')}
        </View>
      )}
      <Text variant="bodySmall" style={{ textAlign: 'center', fontVariant: ['tabular-nums'] }} testID="compare-at">
        {on
          ? ms === 0
            ? `at ${spoken(on)}`
            : `${Math.abs(ms)} ms ${ms < 0 ? 'before' : 'after'} ${spoken(on)}`
          : `${ms} ms from the beginning`}
      </Text>
      <Jog
        frames={last - first + 1}
        frame={at - first}
        from={0}
        to={last - first}
        fps={fps}
        pegs={shared.map((e) => ({
          frame: Math.round((after.events[e]!.frame / after.fps - zero(after)) * fps) - first,
          name: spoken(e),
          sd: null,
        }))}
        zero={-first}
        onFrame={(f) => go(f + first)}
        playing={play.playing}
        onPlay={play.toggle}
      />
      <ScrollView horizontal showsHorizontalScrollIndicator={false}>
        <Row style={{ flexWrap: 'nowrap' }}>
          {shared.map((e) => (
            <Choice
              key={e}
              label={spoken(e)}
              chosen={e === on}
              onPress={() => {
                setAligned(e);
                setStep(0);
              }}
              testID={`align-${e}`}
            />
          ))}
        </Row>
      </ScrollView>
      <Row>
        <Choice label="One over the other" chosen={over} onPress={() => setOver(!over)} testID="over" />
      </Row>
      {shared.length === 0 ? (
        <Caution>No event is placed in both: they begin together. Place contact in each to line them up.</Caution>
      ) : null}
    </View>
  );
}
