import { clipMeasureRequest, may } from '@wrightonic/contract';
import { suggestEvents } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Action, Blank, Caution, Choice, Loading } from '../../ui/controls';
import { Row, Screen, Section, useWide } from '../../ui/layout';
import { useShortcuts } from '../../ui/shortcuts';
import Icon from '../../ui/icons';
import { SPACE, TARGET, usePalette } from '../../ui/theme';
import { weekDay, spoken } from '../../ui/words';
import { DrawPanel } from './DrawPanel';
import { EventsPanel, fromContact } from './EventsPanel';
import type { FrameSource } from './frames';
import { FrameView } from './FrameView';
import { Jog } from './Jog';
import { JointsPanel } from './JointsPanel';
import { closerPart, eventFrom, withScale, withSuggestions, withTracks } from './marks';
import { MeasuresPanel } from './MeasuresPanel';
import { RemoveClip } from './RemoveClip';
import { ScalePanel } from './ScalePanel';
import { useUnits } from '../../ui/units';
import { setupWarnings, VIEW_WORDS } from './set-up';
import { saveSnapshot } from './snapshot';
import { TrimPanel } from './TrimPanel';
import { useClipAt, useMarks } from './use-clip';
import type { ClipFacts, MarkWork } from './use-clip';
import { useFrames } from './use-frames';
import { useMarking } from './use-marking';
import type { Part } from './use-marking';
import { useMeasured } from './use-measured';
import { WrongClip } from './WrongClip';
import { usePlay } from './use-play';
import { useTracking } from './use-tracking';

const PARTS: readonly (readonly [Part, string])[] = [
  ['events', 'Events'],
  ['joints', 'Joints'],
  ['measures', 'Measures'],
  ['draw', 'Draw'],
];
/** Frames with joints from which events can be read. */
const ENOUGH_FRAMES = 10;
/** Share of a phone's height that the picture may take. */
const PICTURE_SHARE = 0.4;

interface Ready {
  readonly id: string;
  readonly clip: ClipFacts;
  readonly file: Blob | string;
  readonly source: FrameSource;
  readonly work: MarkWork;
  readonly mayMark: boolean;
  /** Where the clip opens; contact when it is not said. */
  readonly event: string | undefined;
}

function Clip({ id, clip, file, source, work, mayMark, event }: Ready) {
  const palette = usePalette();
  const units = useUnits();
  const router = useRouter();
  const wide = useWide();
  const { height } = useWindowDimensions();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const athlete = overview!.athlete;
  const { marks, change } = work;
  const fps = clip.captureFps;
  const from = marks.trim?.from ?? 0;
  const to = Math.min(marks.trim?.to ?? source.info.frames - 1, source.info.frames - 1);
  const [at, setAt] = useState(() => Math.round((marks.events[event as 'contact'] ?? marks.events.contact)?.frame ?? from));
  const frame = Math.max(from, Math.min(at, to));
  const [closer, setCloser] = useState(false);
  const [part, setPart] = useState<Part>(mayMark ? 'events' : 'measures');
  const play = usePlay(frame, from, to, fps, setAt);
  const go = (next: number) => {
    play.stop();
    setAt(Math.max(from, Math.min(next, to)));
  };
  const tracking = useTracking(fps, athlete.throws, ({ frames, tall }) => {
    const tracked = withTracks(marks, frames);
    const ankle = frames[0]?.joints['drive-ankle'];
    const scale =
      tracked.scale ??
      (ankle
        ? ({ by: 'height', metres: athlete.heightM, from: [ankle.x, ankle.y - tall], to: [ankle.x, ankle.y] } as const)
        : null);
    const { events: _, ...request } = clipMeasureRequest(athlete, clip, { ...tracked, scale });
    const events = suggestEvents(request);
    change(withScale(withSuggestions(tracked, events), scale));
    setAt(Math.round(marks.events.contact?.frame ?? events.contact?.frame ?? frame));
  });
  const request = useMemo(
    () => (part === 'measures' ? clipMeasureRequest(athlete, clip, marks) : null),
    [part, athlete, clip, marks],
  );
  const measured = useMeasured(request);
  const marking = useMarking({ part, marks, change, frame, fps, mayMark: mayMark && !play.playing });
  const { width: wideAs, height: highAs } = source.info;
  const shown = useMemo(() => (closer ? closerPart(marks, frame, wideAs, highAs) : null), [closer, marks, frame, wideAs, highAs]);

  const stepEvent = (way: 1 | -1) => {
    const next = eventFrom(marks, frame, way);
    if (next !== null) go(next);
  };
  useShortcuts([
    { key: 'ArrowLeft', does: 'one frame back', run: () => go(frame - 1) },
    { key: 'ArrowRight', does: 'one frame on', run: () => go(frame + 1) },
    { key: 'ArrowUp', does: 'ten frames back', run: () => go(frame - 10) },
    { key: 'ArrowDown', does: 'ten frames on', run: () => go(frame + 10) },
    { key: ' ', does: 'play slowly, stop', run: play.toggle },
    { key: '[', does: 'event before', run: () => stepEvent(-1) },
    { key: ']', does: 'event after', run: () => stepEvent(1) },
    { key: 'z', does: 'undo', run: () => work.undo?.() },
    { key: 'y', does: 'redo', run: () => work.redo?.() },
    { key: 's', does: 'save', run: () => void work.save() },
  ]);

  const pegs = Object.entries(marks.events).map(([event, e]) => ({
    frame: Math.round(e.frame),
    name: spoken(event),
    sd: e.sd ?? null,
  }));
  const contact = marks.events.contact?.frame;
  const picture = (
    <View style={{ gap: SPACE.xs }}>
      <FrameView
        pictures={source}
        frame={frame}
        paint={marking.paint}
        touch={marking.touch}
        part={shown}
        highest={wide ? height - 250 : height * PICTURE_SHARE}
        label={`Frame ${frame} of ${clip.name}`}
      />
      <Row style={{ justifyContent: 'space-between' }}>
        <Text variant="bodySmall" style={{ color: palette.soft, fontVariant: ['tabular-nums'] }} testID="where">
          {`Frame ${frame} · ${fromContact(frame, contact === undefined ? undefined : Math.round(contact), fps)}`}
        </Text>
        <Choice label={closer ? 'Whole picture' : 'Closer'} chosen={false} onPress={() => setCloser(!closer)} testID="closer" />
      </Row>
    </View>
  );
  const jog = (
    <Jog
      frames={source.info.frames}
      frame={frame}
      from={from}
      to={to}
      fps={fps}
      pegs={pegs}
      zero={contact === undefined ? null : Math.round(contact)}
      onFrame={go}
      playing={play.playing}
      onPlay={play.toggle}
    />
  );
  const keeping = mayMark ? (
    <Row>
      <Action kind="plain" label="Undo" disabled={!work.undo} onPress={() => work.undo?.()} testID="undo" />
      <Action kind="plain" label="Redo" disabled={!work.redo} onPress={() => work.redo?.()} testID="redo" />
      <View style={{ flex: 1 }} />
      <Action
        kind={work.saved ? 'quiet' : 'main'}
        label={work.saved ? 'Saved' : 'Save the marks'}
        disabled={work.saved}
        busy={work.saving}
        onPress={() => void work.save()}
        testID="save-marks"
      />
    </Row>
  ) : null;
  const panel = (
    <View style={{ gap: SPACE.m, paddingBottom: SPACE.xl }}>
      <Row style={{ flexWrap: 'nowrap', gap: 0 }}>
        <Pressable
          role="link"
          aria-label="All clips"
          onPress={() => router.navigate(`/athletes/${id}/film`)}
          testID="all-clips"
          style={{ width: TARGET, height: TARGET, justifyContent: 'center' }}
        >
          <Icon name="chevron-left" color={palette.spruce} size={30} />
        </Pressable>
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text variant="titleMedium" role="heading" aria-level={1} numberOfLines={1}>
            {`${athlete.name}, ${weekDay(clip.on)}`}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }} numberOfLines={1}>
            {`${VIEW_WORDS[clip.setup.view].name}, ${fps} frames a second`}
          </Text>
        </View>
        <Action
          kind="plain"
          label="Compare"
          onPress={() => router.push(`/athletes/${id}/compare?b=${clip.id}`)}
          testID="compare"
        />
      </Row>
      <Row>
        {PARTS.filter(([name]) => mayMark || name === 'events' || name === 'measures').map(([name, label]) => (
          <Choice key={name} label={label} chosen={part === name} onPress={() => setPart(name)} testID={`part-${name}`} />
        ))}
      </Row>
      {work.problem ? (
        <Caution testID="marks-problem">{`${work.problem.detail} The marks are kept on this device.`}</Caution>
      ) : null}
      {part === 'events' ? (
        <EventsPanel
          marks={marks}
          discipline={athlete.discipline}
          fps={fps}
          frame={frame}
          onFrame={go}
          onChange={mayMark ? change : null}
          onSuggest={
            marks.frames.length > ENOUGH_FRAMES && clip.setup.view.startsWith('side')
              ? () => {
                  const { events: _, ...bare } = clipMeasureRequest(athlete, clip, marks);
                  change(withSuggestions(marks, suggestEvents(bare)));
                }
              : null
          }
        />
      ) : null}
      {part === 'joints' ? (
        <JointsPanel
          marks={marks}
          frame={frame}
          joint={marking.joint}
          onJoint={marking.setJoint}
          onChange={change}
          tracking={tracking.state}
          onTrack={() => tracking.start(file, from, to)}
          onStop={tracking.stop}
        />
      ) : null}
      {part === 'measures' ? (
        <>
          {setupWarnings(clip.setup, units).map((warning) => (
            <Caution key={warning}>{warning}</Caution>
          ))}
          {mayMark ? (
            <Section title="Scale">
              <ScalePanel
                marks={marks}
                heightM={athlete.heightM}
                work={marking.scaling}
                onWork={marking.setScaling}
                onChange={change}
              />
            </Section>
          ) : null}
          {measured && measured.faults.length > 0 ? (
            <WrongClip athlete={id} clip={clip} faults={measured.faults} marks={marks} onChange={mayMark ? change : null} />
          ) : null}
          <MeasuresPanel
            measures={measured?.measures ?? null}
            discipline={athlete.discipline}
            age={overview!.age}
            marks={marks}
            onFrame={go}
          />
        </>
      ) : null}
      {part === 'draw' ? (
        <>
          <DrawPanel
            marks={marks}
            frame={frame}
            last={to}
            tool={marking.tool}
            onTool={marking.setTool}
            note={marking.note}
            onNote={marking.setNote}
            begun={marking.begun}
            onChange={change}
            onSnapshot={() => void saveSnapshot(source, frame, marking.paint, `${athlete.name}, ${weekDay(clip.on)}`)}
          />
          <TrimPanel marks={marks} frame={frame} frames={source.info.frames} onChange={change} />
          <RemoveClip athlete={id} clip={clip.id} />
        </>
      ) : null}
    </View>
  );
  return wide ? (
    <View style={[styles.wide, { backgroundColor: palette.paper }]}>
      <View style={{ flex: 3, minWidth: 0, gap: SPACE.s }}>
        {picture}
        {jog}
      </View>
      <View style={{ flex: 2, minWidth: 0 }}>
        <ScrollView style={{ flex: 1 }}>{panel}</ScrollView>
        {keeping}
      </View>
    </View>
  ) : (
    <View style={{ flex: 1, backgroundColor: palette.paper }}>
      <View style={{ padding: SPACE.s, paddingBottom: 0 }}>{picture}</View>
      <ScrollView style={{ flex: 1 }} contentContainerStyle={{ paddingHorizontal: SPACE.l, paddingTop: SPACE.s }}>
        {panel}
      </ScrollView>
      <View style={[styles.foot, { borderColor: palette.line }]}>
        {jog}
        {keeping}
      </View>
    </View>
  );
}

/** A clip as large as can be, stepped frame by frame: events, joints, what they measure, and drawing. */
export function ClipScreen({
  id,
  clip: clipId,
  event,
}: {
  readonly id: string;
  readonly clip: string | undefined;
  readonly event?: string | undefined;
}) {
  const { data: me } = api.useMeQuery();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const { clip, file, stored, problem } = useClipAt(id, clipId);
  const { source, problem: unreadable } = useFrames(file);
  const work = useMarks(id, clipId, stored);
  const wrong =
    problem?.detail ??
    unreadable ??
    (clip && file === null ? 'The clip has not arrived yet: its upload goes on from the device that has it.' : null);
  if (me && overview && clip && file && source && work)
    return <Clip id={id} clip={clip} file={file} source={source} work={work} mayMark={may(me.role, 'film')} event={event} />;
  return wrong ? (
    <Screen width={560}>
      <Blank title={problem?.title ?? 'The clip cannot be shown'}>{wrong}</Blank>
    </Screen>
  ) : (
    <Loading label="Opening the clip" />
  );
}

const styles = StyleSheet.create({
  wide: { flex: 1, flexDirection: 'row', gap: SPACE.xl, padding: SPACE.l },
  foot: { gap: SPACE.s, borderTopWidth: 1, paddingHorizontal: SPACE.s, paddingTop: SPACE.xs, paddingBottom: SPACE.xs },
});
