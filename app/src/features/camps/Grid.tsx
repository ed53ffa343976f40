import type { CampRecord } from '@wrightonic/contract';
import { clockOf, rotationTimes } from '@wrightonic/core';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useWide } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { stationsAt } from '../../parts/camp-board';

/** Rotations by stations of a day: a table where there is room, one rotation under the other on a phone. */
export function Grid({ camp, day, now }: { readonly camp: CampRecord; readonly day: number; readonly now?: number | null }) {
  const wide = useWide();
  const palette = usePalette();
  const rotations = rotationTimes(camp.days[day]!).map(({ from, to }, rotation) => ({
    rotation,
    time: `${clockOf(from)} to ${clockOf(to)}`,
    stations: stationsAt(camp, day, rotation),
  }));
  if (!wide)
    return (
      <View style={{ gap: SPACE.l }}>
        {rotations.map(({ rotation, time, stations }) => (
          <View key={rotation} style={{ gap: SPACE.xs }}>
            <Text
              variant="titleMedium"
              role="heading"
              aria-level={3}
              style={{ color: rotation === now ? palette.spruce : palette.ink }}
            >
              {`${rotation + 1}. ${time}${rotation === now ? ', now' : ''}`}
            </Text>
            {stations.map(({ station, closed, campers }) => (
              <View key={station.id} style={[styles.line, { borderColor: palette.line }]}>
                <Text variant="bodyMedium" style={styles.name}>
                  {station.name}
                </Text>
                <Text variant="bodyMedium" style={{ flex: 2, color: campers.length === 0 ? palette.soft : palette.ink }}>
                  {closed ? 'closed' : campers.map((c) => c.name).join(', ') || 'nobody'}
                </Text>
              </View>
            ))}
          </View>
        ))}
      </View>
    );
  return (
    <ScrollView
      horizontal
      contentContainerStyle={{ minWidth: '100%' }}
      tabIndex={0}
      accessibilityLabel="Who is where, by rotation and station"
    >
      <View role="table" style={{ flex: 1 }}>
        <View role="row" style={[styles.row, { borderColor: palette.ink }]}>
          <View role="columnheader" style={styles.time}>
            <Text variant="labelLarge">When</Text>
          </View>
          {camp.stations.map((station) => (
            <View role="columnheader" key={station.id} style={styles.cell}>
              <Text variant="labelLarge">{station.name}</Text>
              {station.place === null ? null : (
                <Text variant="bodySmall" style={{ color: palette.soft }}>
                  {station.place}
                </Text>
              )}
            </View>
          ))}
        </View>
        {rotations.map(({ rotation, time, stations }) => (
          <View
            role="row"
            key={rotation}
            style={[
              styles.row,
              { borderColor: palette.line, backgroundColor: rotation === now ? palette.spruceWash : undefined },
            ]}
          >
            <View role="rowheader" style={styles.time}>
              <Text variant="titleMedium">{`${rotation + 1}`}</Text>
              <Text variant="bodySmall" style={{ color: palette.soft }}>
                {time}
              </Text>
            </View>
            {stations.map(({ station, closed, campers }) => (
              <View role="cell" key={station.id} style={styles.cell}>
                {closed ? <Text style={{ color: palette.clay }}>closed</Text> : null}
                {campers.map((c) => (
                  <Text key={c.athlete} variant="bodyMedium">
                    {c.name}
                  </Text>
                ))}
              </View>
            ))}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', gap: SPACE.m, borderBottomWidth: 1, paddingVertical: SPACE.xs },
  name: { flex: 1, fontWeight: '600' },
  row: { flexDirection: 'row', borderBottomWidth: 1, paddingVertical: SPACE.s },
  time: { width: 112, paddingRight: SPACE.s },
  cell: { flex: 1, minWidth: 128, paddingRight: SPACE.s },
});
