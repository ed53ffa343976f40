import type { AcademyNumbers, SettableNumber } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { Action } from '../../ui/controls';
import { readNumber } from '../../ui/read-number';
import { SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { isOwn, ownOf, withOwn } from './own-numbers';

/** One number that an academy may set, with where it comes from and the way back. */
export function NumberRow({
  setting,
  name,
  unit,
  numbers,
  onChange,
  readOnly = false,
}: {
  readonly setting: SettableNumber;
  readonly name: string;
  readonly unit: string;
  readonly numbers: AcademyNumbers;
  readonly onChange: (numbers: AcademyNumbers) => void;
  readonly readOnly?: boolean;
}) {
  const palette = usePalette();
  const units = useUnits();
  const shown = (value: number) => String(units.shown(value, unit));
  const own = ownOf(numbers, setting);
  const changed = isOwn(numbers, setting);
  const [text, setText] = useState(shown(own ?? setting.standard));
  const unread = typeof readNumber(text) !== 'number';
  const set = (written: string) => {
    setText(written);
    const value = readNumber(written);
    if (typeof value === 'number') onChange(withOwn(numbers, setting, units.kept(value, unit)));
  };
  const back = () => {
    setText(shown(setting.standard));
    onChange(withOwn(numbers, setting, undefined));
  };
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.s,
        borderBottomWidth: 1,
        borderColor: palette.line,
        minHeight: 58,
      }}
    >
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text variant="bodyMedium">{name}</Text>
        <Text variant="bodySmall" style={{ color: unread ? palette.clay : changed ? palette.brass : palette.soft }}>
          {unread
            ? `“${text}” is no number; ${shown(own ?? setting.standard)} stays`
            : changed
              ? `Yours; the standard is ${shown(setting.standard)} (${setting.provenance})`
              : `Standard (${setting.provenance})`}
        </Text>
      </View>
      {changed && !readOnly ? (
        <Action kind="plain" label="Standard" onPress={back} testID={`standard-${setting.key}-${setting.part ?? ''}`} />
      ) : null}
      <TextInput
        mode="outlined"
        dense
        aria-label={name}
        value={text}
        onChangeText={set}
        disabled={readOnly}
        inputMode="decimal"
        error={unread}
        style={{ width: 116 }}
        right={unit ? <TextInput.Affix text={units.name(unit)} /> : undefined}
        testID={`number-${setting.key}-${setting.part ?? ''}`}
      />
    </View>
  );
}
