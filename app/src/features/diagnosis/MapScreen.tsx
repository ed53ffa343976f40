import type { FindingId } from '@wrightonic/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Caution, Choice, Loading } from '../../ui/controls';
import { Row, Screen, useWide } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { chainAround, CLOSE, layOut, ROOMY, SLIM, whatMatters } from './layout';
import type { Laid } from './layout';
import { MapDrawing } from './MapDrawing';
import { NodePanel } from './NodePanel';
import { useJudged } from './use-judged';
import { aboutTheSame, supposing } from './what-if';
import type { SupposedAs, Supposition } from './what-if';
import { useVocabulary } from '../../ui/vocabulary';

function Key() {
  const palette = usePalette();
  return (
    <Text variant="bodySmall" style={{ color: palette.soft }}>
      Causes stand left, what they lead to right; the number is how likely it is there, of a hundred. Filled: seen. Round: likely
      by inference. Struck through: ruled out. The thicker a line, the surer one brought the other about.
    </Text>
  );
}

/** No smaller than can be read. */
const SMALLEST = 0.62;

/** A drawing that is made to fit a wide screen, and is moved about on a narrow one. */
function FittedMap({
  laid,
  fit,
  centre,
  children,
}: {
  readonly laid: Laid;
  readonly fit: boolean;
  /** What the narrow screen opens on. */
  readonly centre: FindingId | null;
  readonly children: ReactNode;
}) {
  const palette = usePalette();
  const [room, setRoom] = useState(0);
  const scale = fit && room > 0 ? Math.max(SMALLEST, Math.min(1, room / laid.width)) : 1;
  const scroller = useRef<ScrollView>(null);
  const middle = laid.nodes.find((n) => n.node.finding === centre)?.x;
  useEffect(() => {
    if (middle !== undefined && room > 0)
      scroller.current?.scrollTo({ x: Math.max(0, middle * scale - room / 2), animated: false });
  }, [middle, room, scale]);
  return (
    <View onLayout={(e) => setRoom(e.nativeEvent.layout.width - 2)}>
      <ScrollView
        ref={scroller}
        horizontal
        style={{ borderWidth: 1, borderColor: palette.line, backgroundColor: palette.sheet }}
        testID="cause-map"
      >
        <View style={{ width: laid.width * scale, height: laid.height * scale }}>
          <View style={{ transform: [{ scale }], transformOrigin: 'top left', width: laid.width, height: laid.height }}>
            {children}
          </View>
        </View>
      </ScrollView>
    </View>
  );
}

/** So likely a root heads the map; less likely, what is worked on does. */
const HEADS_FROM = 0.2;

/** How much of the map is drawn. */
type Extent = 'matters' | 'chain' | 'all';

/** The map of causes: opens on what matters of the likeliest root's chain; all of it is one tap further. */
export function MapScreen({ id, centre: opened }: { readonly id: string; readonly centre?: FindingId | undefined }) {
  const say = useVocabulary();
  const palette = usePalette();
  const wide = useWide();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const { data: record, error } = api.useDiagnosisQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  const [chosen, setChosen] = useState<FindingId | null>(opened ?? null);
  const [extent, setExtent] = useState<Extent>('matters');
  const [suppositions, setSuppositions] = useState<readonly Supposition[]>([]);
  const request = useMemo(() => (record ? supposing(record.request, suppositions) : null), [record, suppositions]);
  const { answer: map } = useJudged('map', request);
  const first = record?.result.roots[0]?.finding ?? null;
  // What is worked on is what is asked about, where no root stands out.
  const likely = record && record.result.roots[0] && record.result.roots[0].probability >= HEADS_FROM ? first : null;
  const centre = chosen ?? likely ?? overview?.foci[0]?.finding ?? first;
  const all = extent === 'all';
  const laid = useMemo(() => {
    if (!map) return null;
    if (extent === 'all' || !centre || !map.nodes.some((n) => n.finding === centre)) return layOut(map, CLOSE);
    return layOut(extent === 'chain' ? chainAround(map, centre) : whatMatters(map, centre), wide ? ROOMY : SLIM);
  }, [map, extent, centre, wide]);
  if (error && !record)
    return (
      <Screen>
        <Caution>{problemOf(error).detail}</Caution>
      </Screen>
    );
  if (!record || !map || !laid) return <Loading label="Judging" />;
  const suppose = (finding: FindingId, as: SupposedAs | null) =>
    setSuppositions([
      ...suppositions.filter((s) => !aboutTheSame(s, { kind: 'finding', finding, as: 'present' })),
      ...(as ? [{ kind: 'finding', finding, as } as const] : []),
    ]);
  const supposedOf = (finding: FindingId) => {
    const found = suppositions.find((s) => s.kind === 'finding' && s.finding === finding);
    return found?.kind === 'finding' ? found.as : null;
  };
  const drawing = (
    <FittedMap laid={laid} fit={wide} centre={centre}>
      <MapDrawing laid={laid} chosen={centre} onChoose={setChosen} />
    </FittedMap>
  );
  const panel = centre ? (
    <NodePanel
      key={centre}
      athlete={id}
      map={map}
      finding={centre}
      record={record}
      supposed={supposedOf(centre)}
      onSuppose={(as) => suppose(centre, as)}
      onChoose={setChosen}
    />
  ) : (
    <Text style={{ color: palette.soft }}>Nothing points at a cause yet. Tap anything on the map.</Text>
  );
  return (
    <Screen width={1600}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: SPACE.m }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Map of causes
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {overview?.athlete.name ?? ''}
        </Text>
      </View>
      {suppositions.length > 0 ? (
        <View style={{ gap: SPACE.s, backgroundColor: palette.brassWash, padding: SPACE.m }} role="status" testID="supposed">
          <Text variant="bodyMedium">
            {`In thought only: ${suppositions.map((s) => (s.kind === 'finding' ? `${say.title(s.finding).toLowerCase()} ${s.as === 'present' ? 'there' : 'not there'}` : '')).join('; ')}.`}
          </Text>
          <Row>
            <Action kind="quiet" label="Put it back" onPress={() => setSuppositions([])} testID="put-back" />
          </Row>
        </View>
      ) : null}
      <View style={{ gap: SPACE.s }}>
        <Row>
          <Choice
            label="What matters now"
            chosen={extent === 'matters'}
            onPress={() => setExtent('matters')}
            testID="map-matters"
          />
          <Choice label="Its whole chain" chosen={extent === 'chain'} onPress={() => setExtent('chain')} testID="map-chain" />
          <Choice label="Everything" chosen={all} onPress={() => setExtent('all')} testID="map-whole" />
        </Row>
        <Key />
      </View>
      {wide ? (
        <View style={{ flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' }}>
          <View style={{ flex: 1, minWidth: 0 }}>{drawing}</View>
          {all ? null : <View style={{ width: 340 }}>{panel}</View>}
          {all && chosen ? (
            // Consequences thin out to the right: there is room over the map's end.
            <View
              style={{
                position: 'absolute',
                right: 0,
                top: 0,
                width: 350,
                padding: SPACE.l,
                gap: SPACE.s,
                backgroundColor: palette.paper,
                borderWidth: 1.5,
                borderColor: palette.ink,
              }}
            >
              <Row>
                <Action kind="plain" label="Close" onPress={() => setChosen(null)} testID="close-panel" />
              </Row>
              {panel}
            </View>
          ) : null}
        </View>
      ) : (
        <>
          {drawing}
          {panel}
        </>
      )}
    </Screen>
  );
}
