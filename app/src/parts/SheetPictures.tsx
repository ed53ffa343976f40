import type { SheetPicture } from '@wrightonic/contract';
import { dayInWords } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Row } from '../ui/layout';
import { SPACE, usePalette } from '../ui/theme';

/** Pictures out of clips, each with its day and from where it was filmed; nothing where there are none. */
export function SheetPictures({ pictures }: { readonly pictures: readonly SheetPicture[] }) {
  const palette = usePalette();
  if (pictures.length === 0) return null;
  return (
    <Row style={{ gap: SPACE.m, alignItems: 'flex-start' }}>
      {pictures.map((p) => (
        <View key={`${p.on}:${p.of}:${p.url.length}`} style={{ gap: 2, maxWidth: 320, flexShrink: 1 }}>
          <img src={p.url} alt={`${dayInWords(p.on)}, ${p.of}`} style={{ width: '100%', borderRadius: 6 }} />
          <Text variant="bodySmall" style={{ color: palette.soft }}>{`${dayInWords(p.on)}, ${p.of}`}</Text>
        </View>
      ))}
    </Row>
  );
}
