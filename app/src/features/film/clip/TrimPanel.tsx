import type { ClipMarks } from '@wrightonic/contract';
import { Text } from 'react-native-paper';
import { Action } from '../../../ui/controls';
import { Row, Section } from '../../../ui/layout';
import { usePalette } from '../../../ui/theme';

interface Props {
  readonly marks: ClipMarks;
  readonly frame: number;
  readonly frames: number;
  readonly onChange: (next: ClipMarks) => void;
}

/** The stretch of the clip that counts: stepping and tracking keep to it, and the file stays whole. */
export function TrimPanel({ marks, frame, frames, onChange }: Props) {
  const palette = usePalette();
  const { trim } = marks;
  const [from, to] = [trim?.from ?? 0, trim?.to ?? frames - 1];
  const set = (next: { from: number; to: number }) =>
    onChange({ ...marks, trim: next.from <= 0 && next.to >= frames - 1 ? null : next });
  return (
    <Section title="Trim" note={`frames ${from} to ${to} of ${frames}`}>
      <Row>
        <Action
          kind="quiet"
          label="Begin here"
          disabled={frame >= to}
          onPress={() => set({ from: frame, to })}
          testID="trim-from"
        />
        <Action
          kind="quiet"
          label="End here"
          disabled={frame <= from}
          onPress={() => set({ from, to: frame })}
          testID="trim-to"
        />
        {trim ? <Action kind="plain" label="Whole clip" onPress={() => onChange({ ...marks, trim: null })} /> : null}
      </Row>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        The file itself stays whole.
      </Text>
    </Section>
  );
}
