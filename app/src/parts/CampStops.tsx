import type { CampStop } from '@wrightonic/contract';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { NUMBER_FONT, SPACE, usePalette } from '../ui/theme';

/** Where to be at a camp, rotation by rotation. @param next the first that is not over; those before stand back */
export function CampStops({ stops, next = 0 }: { readonly stops: readonly CampStop[]; readonly next?: number }) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.xs }}>
      {stops.map((stop, n) => {
        const color = n < next ? palette.soft : palette.ink;
        const detail = [stop.place, stop.coach].filter((text) => text !== null).join(', ');
        return (
          <View key={stop.from} style={{ flexDirection: 'row', gap: SPACE.m }} testID="camp-stop">
            <Text style={{ fontFamily: NUMBER_FONT, width: 48, color, fontWeight: n === next ? '600' : '400' }}>{stop.from}</Text>
            <View style={{ flex: 1 }}>
              <Text variant="bodyMedium" style={{ color, fontWeight: n === next ? '600' : '400' }}>
                {stop.station ?? 'Nothing for you'}
              </Text>
              {detail && n >= next ? (
                <Text variant="bodySmall" style={{ color: palette.soft }}>
                  {detail}
                </Text>
              ) : null}
            </View>
          </View>
        );
      })}
    </View>
  );
}
