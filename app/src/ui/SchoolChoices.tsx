import { SCHOOL_OPTIONS } from '@wrightonic/core';
import type { Schools } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from './controls';
import { Row } from './layout';
import { SPACE, usePalette } from './theme';

const QUESTIONS: Record<keyof Schools, string> = {
  driveLeg: 'Drive leg',
  lift: 'Leg lift',
  backFoot: 'Back foot',
  method: 'Teaching by',
  repairOrder: 'Order of repair',
  separation: 'Separation first by',
  windmillFinish: 'Windmill finish',
};

/** Chips for the schools of thought; a second tap leaves the question to the default for the age. */
export function SchoolChoices({
  schools,
  onChange,
}: {
  readonly schools: Partial<Schools>;
  readonly onChange: (schools: Partial<Schools>) => void;
}) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.m }}>
      {(Object.keys(SCHOOL_OPTIONS) as (keyof Schools)[]).map((question) => (
        <View key={question} style={{ gap: 4 }}>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {QUESTIONS[question]}
          </Text>
          <Row>
            {SCHOOL_OPTIONS[question].map((option) => {
              const chosen = schools[question] === option;
              return (
                <Choice
                  key={option}
                  label={option.replace(/-/g, ' ')}
                  chosen={chosen}
                  onPress={() => {
                    const { [question]: _, ...rest } = schools;
                    onChange(chosen ? rest : { ...rest, [question]: option });
                  }}
                />
              );
            })}
          </Row>
        </View>
      ))}
    </View>
  );
}
