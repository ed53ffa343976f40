import { View, useWindowDimensions } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from '../../../ui/controls';
import { Row, useWide } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { fromContact } from './EventsPanel';
import { FrameView } from '../marks/FrameView';
import type { ClipDesk, OpenClip } from './use-clip-desk';

/** Share of a phone's height that the picture may take. */
const PICTURE_SHARE = 0.4;

/** The frame that is shown, as large as can be, and which one it is. */
export function ClipPicture({ open: { clip, source }, desk }: { readonly open: OpenClip; readonly desk: ClipDesk }) {
  const palette = usePalette();
  const wide = useWide();
  const { height } = useWindowDimensions();
  const { frame, marking, shown, closer, setCloser, fps, marks } = desk;
  const contact = marks.events.contact?.frame;
  return (
    <View style={{ gap: SPACE.xs }}>
      <FrameView
        pictures={source}
        frame={frame}
        paint={marking.paint}
        touch={marking.touch}
        part={shown}
        highest={wide ? height - 250 : height * PICTURE_SHARE}
        label={`Frame ${frame} of ${clip.name}`}
      />
      <Row style={{ justifyContent: 'space-between' }}>
        <Text variant="bodySmall" style={{ color: palette.soft, fontVariant: ['tabular-nums'] }} testID="where">
          {`Frame ${frame} · ${fromContact(frame, contact === undefined ? undefined : Math.round(contact), fps)}`}
        </Text>
        <Choice label={closer ? 'Whole picture' : 'Closer'} chosen={false} onPress={() => setCloser(!closer)} testID="closer" />
      </Row>
    </View>
  );
}
