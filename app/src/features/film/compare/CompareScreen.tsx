import { clipMeasureRequest } from '@wrightonic/contract';
import type { ClipRow } from '@wrightonic/contract';
import { compareThrows } from '@wrightonic/core';
import type { AthleteProfile } from '@wrightonic/core';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../../data/api';
import { Blank, Caution, Choice, Loading } from '../../../ui/controls';
import { Panes, Row, Screen, Section } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { weekDay } from '../../../ui/words';
import { ChangeTable } from '../measures/ChangeTable';
import { EVENTS_OF } from '../marks/marks';
import { ReferenceFigure } from '../measures/reference';
import { useUnits } from '../../../ui/units';
import { unlikeSetups } from '../media/set-up';
import { VIEW_WORDS } from '../../../ui/views';
import { Stepper } from '../playback/Stepper';
import type { Side } from '../playback/Stepper';
import { useClipAt } from '../clip/use-clip';
import { useFrames } from '../media/use-frames';
import { useMeasured } from '../measures/use-measured';

/** The figure made for the athlete, instead of an earlier clip. */
const FIGURE = 'figure';

function Chooser({
  label,
  clips,
  chosen,
  onChoose,
  figure,
}: {
  readonly label: string;
  readonly clips: readonly ClipRow[];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  readonly figure: boolean;
}) {
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="labelLarge">{label}</Text>
      <ScrollView horizontal showsHorizontalScrollIndicator={false}>
        <Row style={{ flexWrap: 'nowrap' }}>
          {figure ? (
            <Choice label="Reference figure" chosen={chosen === FIGURE} onPress={() => onChoose(FIGURE)} testID="with-figure" />
          ) : null}
          {clips.map((c) => (
            <Choice
              key={c.id}
              label={`${weekDay(c.on)}, ${VIEW_WORDS[c.setup.view].name.toLowerCase()}`}
              chosen={c.id === chosen}
              onPress={() => onChoose(c.id)}
              testID={`choose-${label.toLowerCase()}-${c.id}`}
            />
          ))}
        </Row>
      </ScrollView>
    </View>
  );
}

/** An athlete's profile alone: what the measures ask for. */
const profileOf = ({ discipline, throws, birthDate, heightM, massKg, level }: AthleteProfile): AthleteProfile => ({
  discipline,
  throws,
  birthDate,
  heightM,
  massKg,
  level,
});

/** Two clips, or a clip and the figure made for this athlete, on the same event; and what changed, with how sure that is. */
export function CompareScreen({ id, first, second }: { readonly id: string; readonly first?: string; readonly second?: string }) {
  const palette = usePalette();
  const units = useUnits();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const { data: rows, error } = api.useClipsQuery({ athlete: id });
  const [chosen, setChosen] = useState<{ readonly a?: string; readonly b?: string }>({ a: first, b: second });
  const clips = useMemo(() => rows?.filter((r) => r.received === r.bytes) ?? [], [rows]);
  const b = chosen.b ?? clips[0]?.id ?? null;
  const view = clips.find((c) => c.id === b)?.setup.view;
  const day = clips.find((c) => c.id === b)?.on ?? '';
  // The newest earlier clip from the same side; without one, the figure.
  const like =
    clips.find((c) => c.id !== b && c.setup.view === view && c.on <= day) ??
    clips.find((c) => c.id !== b && c.setup.view === view);
  const a = chosen.a ?? like?.id ?? FIGURE;
  const left = useClipAt(id, a === FIGURE ? undefined : a);
  const right = useClipAt(id, b ?? undefined);
  const leftFrames = useFrames(a === FIGURE ? null : left.file);
  const rightFrames = useFrames(right.file);
  const athlete = overview?.athlete;
  const figure = useMemo(
    () => (athlete && view && a === FIGURE ? new ReferenceFigure(profileOf(athlete), view) : null),
    [athlete, view, a],
  );
  const leftRequest = useMemo(
    () => (athlete && left.clip && left.stored ? clipMeasureRequest(athlete, left.clip, left.stored) : null),
    [athlete, left.clip, left.stored],
  );
  const rightRequest = useMemo(
    () => (athlete && right.clip && right.stored ? clipMeasureRequest(athlete, right.clip, right.stored) : null),
    [athlete, right.clip, right.stored],
  );
  const then = useMeasured(leftRequest);
  const now = useMeasured(rightRequest);
  const before = useMemo((): Side | null => {
    if (figure)
      return { name: 'Reference figure', pictures: figure, fps: figure.info.playFps, events: figure.events, marks: null };
    if (!left.clip || !left.stored || !leftFrames.source) return null;
    return {
      name: weekDay(left.clip.on),
      pictures: leftFrames.source,
      fps: left.clip.captureFps,
      events: left.stored.events,
      marks: left.stored,
    };
  }, [figure, left.clip, left.stored, leftFrames.source]);
  const after = useMemo((): Side | null => {
    if (!right.clip || !right.stored || !rightFrames.source) return null;
    return {
      name: weekDay(right.clip.on),
      pictures: rightFrames.source,
      fps: right.clip.captureFps,
      events: right.stored.events,
      marks: right.stored,
    };
  }, [right.clip, right.stored, rightFrames.source]);
  if (!overview || !rows)
    return error ? (
      <Screen>
        <Blank title={problemOf(error).title}>{problemOf(error).detail}</Blank>
      </Screen>
    ) : (
      <Loading />
    );
  const problem = leftFrames.problem ?? rightFrames.problem ?? left.problem?.detail ?? right.problem?.detail;
  const unlike = left.clip && right.clip && a !== FIGURE ? unlikeSetups(left.clip.setup, right.clip.setup, units) : [];
  return (
    <Screen width={1200}>
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Compare
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {overview.athlete.name}
        </Text>
      </View>
      {clips.length === 0 ? <Blank title="Nothing to compare yet">Bring in a clip first, and mark it.</Blank> : null}
      {unlike.length > 0 ? (
        <Caution testID="unlike">{`These were not filmed alike: ${unlike.join('; ')}. Numbers may differ for that alone.`}</Caution>
      ) : null}
      {clips.length > 0 ? (
        <Panes weights={[3, 2]}>
          <View style={{ gap: SPACE.l }}>
            {before && after ? <Stepper before={before} after={after} events={EVENTS_OF[overview.athlete.discipline]} /> : null}
            {!(before && after) && problem ? <Caution>{problem}</Caution> : null}
            {!(before && after) && !problem ? <Loading label="Opening the clips" /> : null}
            <Chooser
              label="Then"
              clips={clips.filter((c) => c.id !== b)}
              chosen={a}
              onChoose={(c) => setChosen({ a: c, b: b ?? undefined })}
              figure
            />
            <Chooser label="Now" clips={clips} chosen={b} onChoose={(c) => setChosen({ b: c })} figure={false} />
          </View>
          {a === FIGURE ? (
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              The figure throws cleanly at this athlete’s height and hand. It is for the shape of the movement, not for numbers.
            </Text>
          ) : (
            <Section title="What changed">
              {then && now ? (
                <ChangeTable {...compareThrows(then.measures, now.measures, overview.athlete.discipline, overview.age)} />
              ) : (
                <Loading label="Measuring" />
              )}
            </Section>
          )}
        </Panes>
      ) : null}
    </Screen>
  );
}
