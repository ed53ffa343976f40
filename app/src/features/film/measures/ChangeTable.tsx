import { measureById, spoken, spokenEvent } from '@wrightonic/core';
import type { ComparedValue, Unlike } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { NUMBER_FONT, SPACE, usePalette } from '../../../ui/theme';
import { useUnits } from '../../../ui/units';

const WAYS: Record<ComparedValue['way'], { readonly mark: string; readonly says: string }> = {
  better: { mark: '▲', says: 'better' },
  worse: { mark: '▽', says: 'worse' },
  moved: { mark: '◆', says: 'moved, neither nearer to the band nor further' },
  same: { mark: '·', says: 'no more than throws and readings differ by' },
};
const ORDER = ['worse', 'better', 'moved', 'same'] as const;

function ChangeRow({ value }: { readonly value: ComparedValue }) {
  const palette = usePalette();
  const units = useUnits();
  const { measure, event, unit, before, after, change, changeSd, way, band } = value;
  const tone = way === 'worse' ? palette.clay : way === 'better' ? palette.spruce : palette.soft;
  const small = { color: palette.soft, fontFamily: NUMBER_FONT } as const;
  return (
    <View
      style={{ flexDirection: 'row', gap: SPACE.s, borderBottomWidth: 1, borderColor: palette.line, paddingVertical: SPACE.s }}
      testID={`change-${measure}-${event}`}
    >
      <Text style={{ width: 18, color: tone, fontWeight: '600' }} aria-label={WAYS[way].says}>
        {WAYS[way].mark}
      </Text>
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text variant="bodyMedium">{measureById(measure).name}</Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`${spokenEvent(event)} · ${units.band(band, unit)}`}
        </Text>
      </View>
      <View style={{ alignItems: 'flex-end' }}>
        <Text style={{ fontFamily: NUMBER_FONT, fontSize: 18, fontVariant: ['tabular-nums'] }}>
          {`${units.number(before.value, unit)} → ${units.measured(after.value, unit)}`}
        </Text>
        <Text variant="bodySmall" style={small}>
          {`${change >= 0 ? '+' : '−'}${units.amount(change, unit, 1)} ± ${units.amount(changeSd, unit, 1)}`}
        </Text>
      </View>
    </View>
  );
}

/** One sentence over the table: what really changed, the bad with the good. */
function summary(values: readonly ComparedValue[]): string {
  const named = (way: ComparedValue['way']) =>
    values.filter((v) => v.way === way).map((v) => `${measureById(v.measure).name.toLowerCase()} at ${spoken(v.event)}`);
  const [better, worse] = [named('better'), named('worse')];
  if (values.length === 0) return 'No measure can be read from both clips.';
  if (better.length === 0 && worse.length === 0)
    return `Nothing has moved beyond what one throw and the next differ by, of ${values.length} measures.`;
  const list = (names: string[]) =>
    names.length > 3 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ');
  return [better.length > 0 ? `Better: ${list(better)}.` : '', worse.length > 0 ? `Worse: ${list(worse)}.` : '']
    .filter(Boolean)
    .join(' ');
}

/** What changed between two throws: really changed first, the bad with the good. */
export function ChangeTable({
  values,
  unlike,
}: {
  readonly values: readonly ComparedValue[];
  readonly unlike: readonly Unlike[];
}) {
  const palette = usePalette();
  const sorted = [...values].sort((a, b) => ORDER.indexOf(a.way) - ORDER.indexOf(b.way));
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="bodyMedium" testID="compare-says">
        {summary(values)}
      </Text>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        ▲ better · ▽ worse · ◆ moved · a dot: within what throws and readings differ by. One throw each: the usual spread from
        throw to throw is in every ±.
      </Text>
      {sorted.map((v) => (
        <ChangeRow key={`${v.measure}:${v.event}`} value={v} />
      ))}
      {unlike.length > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`Only one of the clips tells: ${unlike.map((u) => `${measureById(u.measure).name.toLowerCase()} at ${spoken(u.event)}`).join(', ')}.`}
        </Text>
      ) : null}
    </View>
  );
}
