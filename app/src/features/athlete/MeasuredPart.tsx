import type { AthleteOverview } from '@wrightonic/contract';
import { measureBand, measureById, outside, spokenEvent } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { BandMark } from '../../ui/GradeMark';
import { SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { weekDay } from '../../ui/words';

const MEASURED_SHOWN = 5;

/** The newest measures, those outside their band first. */
export function MeasuredPart({ data }: { readonly data: AthleteOverview }) {
  const units = useUnits();
  const palette = usePalette();
  const { measured, athlete, age } = data;
  if (measured.length === 0) return <Text style={{ color: palette.soft }}>Nothing has been measured on film yet.</Text>;
  const rows = measured.map((m) => {
    const band = measureBand(m.measure, m.event, athlete.discipline, age);
    return { ...m, band, off: band ? outside(m.value, band) / m.sd : -1 };
  });
  const shown = rows.sort((a, b) => b.off - a.off).slice(0, MEASURED_SHOWN);
  return (
    <View style={{ gap: SPACE.xs }}>
      {shown.map((m) => (
        <View key={`${m.measure}:${m.event}`} style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
          {m.band ? <BandMark off={m.off} /> : <View style={{ width: 16 }} />}
          <Text variant="bodyMedium" style={{ flex: 1, minWidth: 0 }} numberOfLines={1}>
            {`${measureById(m.measure).name}, ${spokenEvent(m.event)}`}
          </Text>
          <Text variant="bodyMedium" style={{ fontVariant: ['tabular-nums'] }}>
            {`${units.measured(m.value, m.unit)} ± ${units.amount(m.sd, m.unit)}`}
          </Text>
        </View>
      ))}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {`${measured.length} measures, the newest from ${weekDay(measured[0]!.on)}; the spread from throw to throw is in every ±.`}
      </Text>
    </View>
  );
}
