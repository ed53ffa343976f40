import type { ObservationRecord } from '@wrightonic/contract';
import { bodyTestById, traceOf } from '@wrightonic/core';
import type { DiagnosisRequest, Pull } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Action } from '../../ui/controls';
import { SPACE, TARGET, usePalette } from '../../ui/theme';
import { evidenceText, percent, weekDay } from '../../ui/words';
import { useUnits } from '../../ui/units';
import { useVocabulary } from '../../ui/vocabulary';
import { Spoken } from '../../ui/Spoken';
import type { Href } from 'expo-router';

interface Props {
  readonly athlete: string;
  readonly pulls: readonly Pull[];
  readonly evidence: readonly ObservationRecord[];
  readonly request: DiagnosisRequest;
}

/** Pulls shown before “show the rest”. */
const SHOWN = 6;

/** What an item is about, for items that are weighed together. */
function aboutOf({ evidence }: ObservationRecord): string | null {
  if (evidence.kind === 'eye') return evidence.finding;
  return evidence.kind === 'screen' ? (bodyTestById(evidence.test).speaksOf[evidence.side] ?? null) : null;
}

interface Group {
  readonly weight: number;
  /** Indices of the items, newest first. */
  readonly items: readonly number[];
}

/** Items on one and the same finding pull together: one bar for all of them. */
function together(pulls: readonly Pull[], evidence: readonly ObservationRecord[]): Group[] {
  const groups = new Map<string, { weight: number; items: number[] }>();
  for (const { evidence: index, weight } of pulls) {
    const item = evidence[index];
    if (!item) continue;
    const key = aboutOf(item) ?? `item ${index}`;
    const known = groups.get(key) ?? { weight, items: [] };
    known.items.push(index);
    groups.set(key, known);
  }
  return [...groups.values()].map(({ weight, items }) => ({
    weight,
    items: items.sort((a, b) => (evidence[a]!.on < evidence[b]!.on ? 1 : evidence[a]!.on > evidence[b]!.on ? -1 : b - a)),
  }));
}

/** Where one can go to see what an item was taken from. */
function placeOf(athlete: string, { evidence, clips, source }: ObservationRecord): { path: string; label: string } | null {
  const clip = clips[0];
  if (clip && evidence.kind === 'measure')
    return { path: `/athletes/${athlete}/clip?clip=${clip}&event=${evidence.event}`, label: 'Show the frame' };
  if (evidence.kind === 'screen') return { path: `/athletes/${athlete}/body`, label: 'Show the test' };
  if (source === 'speeds') return { path: `/athletes/${athlete}/numbers`, label: 'Show the speeds' };
  if (source === 'intake') return { path: `/athletes/${athlete}/intake`, label: 'Show the intake' };
  return evidence.kind === 'eye' ? { path: `/athletes/${athlete}/look`, label: 'Look again' } : null;
}

function TraceLines({ request, index }: { readonly request: DiagnosisRequest; readonly index: number }) {
  const say = useVocabulary();
  const units = useUnits();
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const item = request.evidence[index]!;
  // How well another coach's eye does is that coach's own affair.
  const othersEye = item.kind === 'eye' && item.weighs !== undefined && item.by !== me?.name;
  const { says, numbers, holds } = traceOf(request, index);
  return (
    <View style={{ gap: 4 }}>
      {says.map((s) => {
        const top = Math.max(s.ifThere, s.ifNot);
        const times = s.ifThere >= s.ifNot ? s.ifThere / s.ifNot : s.ifNot / s.ifThere;
        return (
          <Text key={s.finding} variant="bodySmall">
            {top === 0 || times < 1.05
              ? `Says next to nothing about “${say.title(s.finding).toLowerCase()}”.`
              : `${othersEye ? 'Likelier' : `${times.toFixed(times < 10 ? 1 : 0)} times likelier`} if “${say.title(s.finding).toLowerCase()}” is ${s.ifThere > s.ifNot ? 'there' : 'not there'}.`}
          </Text>
        );
      })}
      {holds < 0.995 ? (
        <Text variant="bodySmall">{`Time and work since: it counts as ${percent(holds)} sure to hold still.`}</Text>
      ) : null}
      {othersEye ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          Counts as surely as this coach’s looks have earned; the numbers are shown to that coach alone.
        </Text>
      ) : null}
      {(othersEye ? [] : numbers).map((n, i) => (
        <View key={`${n.name}${i}`} style={{ flexDirection: 'row', gap: SPACE.s }}>
          <Text variant="bodySmall" style={{ flex: 1, color: palette.soft }}>
            {n.name}
          </Text>
          <Text
            variant="bodySmall"
            style={{ fontWeight: '600', fontVariant: ['tabular-nums'] }}
          >{`${n.changed ? '◆ ' : ''}${units.text(n.value, n.unit)}`}</Text>
          <Text variant="bodySmall" style={{ width: 84, color: n.changed ? palette.brass : palette.soft }}>
            {n.changed ? 'own value' : n.provenance}
          </Text>
        </View>
      ))}
    </View>
  );
}

/**
 * Each statement with its pull: a bar to the right speaks for the root, to the left against it. A tap tells where it came from.
 */
export function Pulls({ athlete, pulls, evidence, request }: Props) {
  const say = useVocabulary();
  const units = useUnits();
  const palette = usePalette();
  const router = useRouter();
  const [open, setOpen] = useState<number | null>(null);
  const [all, setAll] = useState(false);
  const groups = together(pulls, evidence);
  const most = Math.max(1.2, ...groups.map((g) => Math.abs(g.weight)));
  return (
    <View>
      {(all ? groups : groups.slice(0, SHOWN)).map(({ weight, items }) => {
        const first = items[0]!;
        const item = evidence[first]!;
        const width = `${Math.round((96 * Math.abs(weight)) / most)}%` as const;
        const forIt = weight > 0;
        const shown = open === first;
        const text = evidenceText(item.evidence, units, say);
        const from = `${item.by}, ${weekDay(item.on)}${items.length > 1 ? `, and ${items.length - 1} more on the same` : ''}`;
        return (
          <View key={first} style={{ borderBottomWidth: 1, borderColor: palette.line }}>
            <Pressable
              role="button"
              aria-expanded={shown}
              onPress={() => setOpen(shown ? null : first)}
              testID={`pull-${first}`}
              style={{ paddingVertical: 6, gap: 3, minHeight: TARGET, justifyContent: 'center' }}
            >
              <Text variant="bodySmall">{text}</Text>
              <Text variant="bodySmall" style={{ color: palette.soft }}>
                {from}
              </Text>
              <Spoken>{`speaks ${forIt ? 'for' : 'against'} it`}</Spoken>
              <View aria-hidden style={{ height: 8, flexDirection: 'row' }}>
                <View style={{ flex: 1, flexDirection: 'row', justifyContent: 'flex-end' }}>
                  {forIt ? null : <View style={{ width, borderWidth: 1.5, borderColor: palette.clay, borderStyle: 'dashed' }} />}
                </View>
                <View style={{ width: 2, backgroundColor: palette.ink }} />
                <View style={{ flex: 1 }}>
                  {forIt ? <View style={{ width, height: 8, backgroundColor: palette.spruce }} /> : null}
                </View>
              </View>
            </Pressable>
            {shown
              ? items.map((index) => {
                  const place = placeOf(athlete, evidence[index]!);
                  const { by, on, evidence: said } = evidence[index]!;
                  return (
                    <View
                      key={index}
                      style={{
                        gap: SPACE.xs,
                        marginBottom: SPACE.m,
                        paddingLeft: SPACE.m,
                        borderLeftWidth: 2,
                        borderColor: palette.ink,
                      }}
                    >
                      {items.length > 1 ? (
                        <Text
                          variant="bodySmall"
                          style={{ fontWeight: '600' }}
                        >{`${evidenceText(said, units, say)} (${by}, ${weekDay(on)})`}</Text>
                      ) : null}
                      <TraceLines request={request} index={index} />
                      {place ? (
                        <View style={{ alignItems: 'flex-start' }}>
                          <Action kind="plain" label={place.label} onPress={() => router.push(place.path as Href)} />
                        </View>
                      ) : null}
                    </View>
                  );
                })
              : null}
          </View>
        );
      })}
      {groups.length > SHOWN ? (
        <Action kind="plain" label={all ? 'Show fewer' : `Show all ${groups.length}`} onPress={() => setAll(!all)} />
      ) : null}
    </View>
  );
}
