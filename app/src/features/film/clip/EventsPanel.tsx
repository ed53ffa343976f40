import { spoken } from '@wrightonic/core';
import type { ClipMarks } from '@wrightonic/contract';
import type { Discipline } from '@wrightonic/core';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Choice } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../../../ui/theme';
import { EVENTS_OF, withEvent } from '../marks/marks';
import type { EventName } from '../marks/marks';

interface Props {
  readonly marks: ClipMarks;
  readonly discipline: Discipline;
  readonly fps: number;
  readonly frame: number;
  readonly onFrame: (frame: number) => void;
  /** null: nothing may be changed. */
  readonly onChange: ((next: ClipMarks) => void) | null;
  /** Reads events off the joints; null where there are none to read. */
  readonly onSuggest: (() => void) | null;
}

/** A time from contact, in words. */
export function fromContact(frame: number, contact: number | undefined, fps: number): string {
  if (contact === undefined) return `frame ${frame}`;
  const ms = Math.round((1000 * (frame - contact)) / fps);
  return ms === 0 ? 'at contact' : `${Math.abs(ms)} ms ${ms < 0 ? 'before' : 'after'} contact`;
}

function EventRow({ event, ...props }: Props & { readonly event: EventName }) {
  const palette = usePalette();
  const { marks, fps, frame, onFrame, onChange } = props;
  const placed = marks.events[event];
  const here = placed !== undefined && Math.round(placed.frame) === frame;
  const name = spoken(event);
  const how =
    placed === undefined
      ? 'not placed'
      : `${fromContact(Math.round(placed.frame), event === 'contact' ? undefined : marks.events.contact?.frame, fps)}, ${
          placed.sd === undefined ? 'by hand' : `suggested ± ${Math.round((1000 * placed.sd) / fps)} ms`
        }`;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, borderColor: palette.line, gap: SPACE.s }}>
      <Pressable
        role="button"
        disabled={!placed}
        onPress={() => placed && onFrame(Math.round(placed.frame))}
        testID={`event-${event}`}
        style={{ flex: 1, minHeight: TARGET + 4, justifyContent: 'center', minWidth: 0 }}
      >
        <Text variant="bodyMedium" style={{ fontWeight: here ? '600' : '400' }}>
          {name[0]!.toUpperCase() + name.slice(1)}
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft, fontFamily: placed ? NUMBER_FONT : undefined }}>
          {how}
        </Text>
      </Pressable>
      {onChange ? (
        <Choice
          label={here ? 'Clear' : 'Here'}
          chosen={false}
          onPress={() => onChange(withEvent(marks, event, here ? null : frame))}
          testID={`here-${event}`}
        />
      ) : null}
    </View>
  );
}

/** Events of the throw: where they are, how they were found, and how they are placed. */
export function EventsPanel(props: Props) {
  const palette = usePalette();
  const { discipline, onChange, onSuggest } = props;
  return (
    <View>
      {onChange && onSuggest ? (
        <Row>
          <Action kind="quiet" label="Suggest them from the joints" onPress={onSuggest} testID="suggest-events" />
        </Row>
      ) : null}
      {onChange && !onSuggest ? (
        <Text variant="bodySmall" style={{ color: palette.soft, paddingBottom: SPACE.s }}>
          Step to the frame and tap “Here”. From the side, once the joints are tracked, events can be suggested.
        </Text>
      ) : null}
      {EVENTS_OF[discipline].map((event) => (
        <EventRow key={event} event={event} {...props} />
      ))}
    </View>
  );
}
