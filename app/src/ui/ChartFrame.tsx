import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from './theme';

export const at = (date: string): Date => new Date(`${date}T00:00:00Z`);

export const shortDay = (date: string): string =>
  at(date).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

interface FrameProps {
  /** One sentence that reads the chart. */
  readonly sentence: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly height: number;
  readonly children: (width: number) => React.ReactNode;
}

/** Every chart: a sentence above, the drawing, and the same as a table on demand. */
export function ChartFrame({ sentence, columns, rows, height, children }: FrameProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const [table, setTable] = useState(false);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="titleMedium">{sentence}</Text>
      {table ? (
        <View role="table" aria-label={sentence} style={{ borderTopWidth: 1, borderColor: palette.line }}>
          {[columns, ...rows].map((row, r) => (
            <View
              key={r}
              role="row"
              style={{ flexDirection: 'row', borderBottomWidth: 1, borderColor: palette.line, paddingVertical: 4 }}
            >
              {row.map((cell, c) => (
                <Text
                  key={c}
                  role={r === 0 ? 'columnheader' : 'cell'}
                  style={{
                    flex: 1,
                    fontFamily: NUMBER_FONT,
                    fontWeight: r === 0 ? '600' : '500',
                    fontSize: 15,
                    fontVariant: ['tabular-nums'],
                  }}
                >
                  {cell}
                </Text>
              ))}
            </View>
          ))}
        </View>
      ) : (
        <View role="img" aria-label={sentence} style={{ height }} onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
          {width > 0 ? children(width) : null}
        </View>
      )}
      <Pressable
        role="button"
        onPress={() => setTable(!table)}
        style={{ minHeight: TARGET, justifyContent: 'center', alignSelf: 'flex-start' }}
      >
        <Text variant="bodySmall" style={{ color: palette.spruce, fontWeight: '600' }}>
          {table ? 'Show the chart' : 'Show as a table'}
        </Text>
      </Pressable>
    </View>
  );
}
