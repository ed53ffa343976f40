import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

/** A question with a tap for each answer. */
export function Asked<A extends string>({
  question,
  note,
  answers,
  chosen,
  onAnswer,
  testID,
}: {
  readonly question: string;
  readonly note?: string;
  readonly answers: readonly (readonly [A, string])[];
  readonly chosen: A | null;
  readonly onAnswer: (answer: A) => void;
  readonly testID: string;
}) {
  const palette = usePalette();
  return (
    <View style={{ paddingVertical: SPACE.m, gap: SPACE.s, borderBottomWidth: 1, borderColor: palette.line }}>
      <Text variant="bodyMedium">{question}</Text>
      {note ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {note}
        </Text>
      ) : null}
      <Row>
        {answers.map(([value, label]) => (
          <Choice
            key={value}
            wide
            label={label}
            chosen={chosen === value}
            onPress={() => onAnswer(value)}
            testID={`${testID}-${value}`}
          />
        ))}
      </Row>
    </View>
  );
}
