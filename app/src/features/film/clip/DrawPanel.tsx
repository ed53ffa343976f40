import { DRAWING_KINDS } from '@wrightonic/contract';
import type { ClipMarks, Drawing, DrawingKind } from '@wrightonic/contract';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Choice } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { drawingsAt, withDrawing, withoutDrawing } from '../marks/marks';
import { Field } from '../../../ui/Field';

interface Props {
  readonly marks: ClipMarks;
  readonly frame: number;
  readonly last: number;
  readonly tool: DrawingKind;
  readonly onTool: (tool: DrawingKind) => void;
  readonly note: string;
  readonly onNote: (note: string) => void;
  readonly onChange: (next: ClipMarks) => void;
  readonly onSnapshot: () => void;
  /** How many points of an angle are there already. */
  readonly begun: number;
}

const HOW: Record<DrawingKind, string> = {
  line: 'Draw from one end to the other; its lean is written beside it.',
  arrow: 'Draw from the tail to the head.',
  angle: 'Touch the end of one leg, the corner, the end of the other leg.',
  circle: 'Draw from the middle to the rim.',
  path: 'Draw with the finger.',
  note: 'Write it here, then touch where it belongs.',
};

function DrawingRow({ drawing, ...props }: Props & { readonly drawing: Drawing }) {
  const { marks, frame, last, onChange } = props;
  const here = drawing.from === drawing.to;
  return (
    <Row>
      <Text variant="bodyMedium" style={{ flex: 1 }}>
        {drawing.kind === 'note' ? `“${drawing.text}”` : drawing.kind}
      </Text>
      <Choice
        label={here ? 'This frame' : 'From here on'}
        chosen={false}
        onPress={() =>
          onChange(withDrawing(marks, here ? { ...drawing, from: frame, to: last } : { ...drawing, from: frame, to: frame }))
        }
      />
      <Action kind="plain" label="Remove" onPress={() => onChange(withoutDrawing(marks, drawing.id))} />
    </Row>
  );
}

/** Drawing over the clip: kept as it was drawn, tied to a frame or from a frame on. */
export function DrawPanel(props: Props) {
  const palette = usePalette();
  const { marks, frame, tool, onTool, note, onNote, begun, onSnapshot } = props;
  const here = drawingsAt(marks, frame);
  return (
    <View style={{ gap: SPACE.m }}>
      <Row>
        {DRAWING_KINDS.map((kind) => (
          <Choice
            key={kind}
            label={kind[0]!.toUpperCase() + kind.slice(1)}
            chosen={kind === tool}
            onPress={() => onTool(kind)}
            testID={`tool-${kind}`}
          />
        ))}
      </Row>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {tool === 'angle' && begun > 0 ? `${begun} of 3 points.` : HOW[tool]}
      </Text>
      {tool === 'note' ? <Field label="Note" value={note} onChangeText={onNote} maxLength={200} testID="note-text" /> : null}
      {here.map((drawing) => (
        <DrawingRow key={drawing.id} drawing={drawing} {...props} />
      ))}
      <Row>
        <Action kind="quiet" label="Save this frame as a picture" onPress={onSnapshot} testID="snapshot" />
      </Row>
    </View>
  );
}
