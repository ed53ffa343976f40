import { useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { elementOf } from '../boundary';
import { saveChart } from './save-chart';
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

/** A quiet button under a chart. */
function Under({ label, onPress }: { readonly label: string; readonly onPress: () => void }) {
  const palette = usePalette();
  return (
    <Pressable role="button" onPress={onPress} style={{ minHeight: TARGET, justifyContent: 'center' }}>
      <Text variant="bodySmall" style={{ color: palette.spruce, fontWeight: '600' }}>
        {label}
      </Text>
    </Pressable>
  );
}

/** Every chart: a sentence above, the drawing, and the same as a table on demand, or as a picture to keep. */
export function ChartFrame({ sentence, columns, rows, height, children }: FrameProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const [table, setTable] = useState(false);
  const frame = useRef<View>(null);
  const save = (as: 'svg' | 'png') => {
    const svg = elementOf(frame.current)?.querySelector('svg');
    if (svg) void saveChart(svg, sentence, as, palette.paper);
  };
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
        <View
          ref={frame}
          role="img"
          aria-label={sentence}
          style={{ height }}
          onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
        >
          {width > 0 ? children(width) : null}
        </View>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l }}>
        <Under label={table ? 'Show the chart' : 'Show as a table'} onPress={() => setTable(!table)} />
        {table ? null : (
          <>
            <Under label="Save as PNG" onPress={() => save('png')} />
            <Under label="Save as SVG" onPress={() => save('svg')} />
          </>
        )}
      </View>
    </View>
  );
}
