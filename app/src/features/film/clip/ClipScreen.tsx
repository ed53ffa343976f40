import { spoken } from '@wrightonic/core';
import { may } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../../data/api';
import { Action, Blank, Caution, Choice, Loading } from '../../../ui/controls';
import { Row, Screen, useWide } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { weekDay } from '../../../ui/words';
import { ClipPart } from './ClipParts';
import { ClipPicture } from './ClipPicture';
import { Jog } from '../playback/Jog';
import { VIEW_WORDS } from '../../../ui/views';
import { useClipAt, useMarks } from './use-clip';
import { useClipDesk } from './use-clip-desk';
import type { ClipDesk, OpenClip } from './use-clip-desk';
import { useFrames } from '../media/use-frames';
import type { Part } from './use-marking';

const PARTS: readonly (readonly [Part, string])[] = [
  ['events', 'Events'],
  ['joints', 'Joints'],
  ['measures', 'Measures'],
  ['draw', 'Draw'],
];

interface Props {
  readonly open: OpenClip;
  readonly desk: ClipDesk;
}

/** Whose clip it is and how it was filmed. */
function Heading({ open: { id, overview, clip }, desk }: Props) {
  const palette = usePalette();
  const router = useRouter();
  return (
    <Row style={{ flexWrap: 'nowrap', gap: 0 }}>
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text variant="titleMedium" role="heading" aria-level={1} numberOfLines={1}>
          {`${overview.athlete.name}, ${weekDay(clip.on)}`}
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }} numberOfLines={1}>
          {`${VIEW_WORDS[clip.setup.view].name}, ${desk.fps} frames a second`}
        </Text>
      </View>
      <Action kind="plain" label="Compare" onPress={() => router.push(`/athletes/${id}/compare?b=${clip.id}`)} testID="compare" />
    </Row>
  );
}

/** Undo, redo and save. */
function Keeping({ open: { work } }: Props) {
  return (
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
  );
}

function Stepping({ open: { source }, desk: { marks, fps, frame, from, to, go, play } }: Props) {
  const contact = marks.events.contact?.frame;
  const pegs = Object.entries(marks.events).map(([event, e]) => ({
    frame: Math.round(e.frame),
    name: spoken(event),
    sd: e.sd ?? null,
  }));
  return (
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
}

function Panel({ open, desk }: Props) {
  const { mayMark, work } = open;
  return (
    <View style={{ gap: SPACE.m, paddingBottom: SPACE.xl }}>
      <Heading open={open} desk={desk} />
      <Row>
        {PARTS.filter(([name]) => mayMark || name === 'events' || name === 'measures').map(([name, label]) => (
          <Choice
            key={name}
            label={label}
            chosen={desk.part === name}
            onPress={() => desk.setPart(name)}
            testID={`part-${name}`}
          />
        ))}
      </Row>
      {work.problem ? (
        <Caution testID="marks-problem">{`${work.problem.detail} The marks are kept on this device.`}</Caution>
      ) : null}
      <ClipPart open={open} desk={desk} />
    </View>
  );
}

function Clip({ open }: { readonly open: OpenClip }) {
  const palette = usePalette();
  const wide = useWide();
  const desk = useClipDesk(open);
  const all = { open, desk };
  return wide ? (
    <View style={[styles.wide, { backgroundColor: palette.paper }]}>
      <View style={{ flex: 3, minWidth: 0, gap: SPACE.s }}>
        <ClipPicture {...all} />
        <Stepping {...all} />
      </View>
      <View style={{ flex: 2, minWidth: 0 }}>
        <ScrollView style={{ flex: 1 }}>
          <Panel {...all} />
        </ScrollView>
        {open.mayMark ? <Keeping {...all} /> : null}
      </View>
    </View>
  ) : (
    <View style={{ flex: 1, backgroundColor: palette.paper }}>
      <View style={{ padding: SPACE.s, paddingBottom: 0 }}>
        <ClipPicture {...all} />
      </View>
      <ScrollView style={{ flex: 1 }} contentContainerStyle={{ paddingHorizontal: SPACE.l, paddingTop: SPACE.s }}>
        <Panel {...all} />
      </ScrollView>
      <View style={[styles.foot, { borderColor: palette.line }]}>
        <Stepping {...all} />
        {open.mayMark ? <Keeping {...all} /> : null}
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
  if (me && overview && clip && file && source && work) {
    const mayMark = may(me.role, 'film');
    return <Clip open={{ id, overview, clip, file, source, work, mayMark, event }} />;
  }
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
