import type { ImportLook } from '@wrightonic/contract';
import { ROSTER_FIELD_NAMES, ROSTER_FIELDS } from '@wrightonic/core';
import type { RosterChoices, RosterField } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Menu, Text } from 'react-native-paper';
import { Action, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

export const DELIMITERS: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' };

function ColumnChoice({
  field,
  look,
  onChange,
}: {
  readonly field: RosterField;
  readonly look: ImportLook;
  readonly onChange: (column: number | undefined) => void;
}) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const at = look.choices.columns[field];
  const choose = (column: number | undefined) => {
    setOpen(false);
    onChange(column);
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', minHeight: 48, gap: SPACE.s }}>
      <Text variant="bodyMedium" style={{ flexShrink: 1 }}>
        {ROSTER_FIELD_NAMES[field]}
      </Text>
      <Menu
        visible={open}
        onDismiss={() => setOpen(false)}
        anchor={
          <Action
            kind="quiet"
            label={at === undefined ? 'not in the file' : look.header[at] || `column ${at + 1}`}
            onPress={() => setOpen(true)}
            testID={`column-${field}`}
          />
        }
        contentStyle={{ backgroundColor: palette.sheet }}
      >
        <Menu.Item title="not in the file" onPress={() => choose(undefined)} />
        {look.header.map((name, i) => (
          <Menu.Item key={i} title={name || `column ${i + 1}`} onPress={() => choose(i)} />
        ))}
      </Menu>
    </View>
  );
}

export function Choices({ look, onChange }: { readonly look: ImportLook; readonly onChange: (choices: RosterChoices) => void }) {
  const { choices } = look;
  const set = (change: Partial<RosterChoices>) => onChange({ ...choices, ...change });
  const setColumn = (field: RosterField, column: number | undefined) => {
    const { [field]: _, ...rest } = choices.columns;
    set({ columns: column === undefined ? rest : { ...rest, [field]: column } });
  };
  return (
    <View style={{ gap: SPACE.s }}>
      {ROSTER_FIELDS.map((field) => (
        <ColumnChoice key={field} field={field} look={look} onChange={(column) => setColumn(field, column)} />
      ))}
      <Row>
        <Text variant="bodyMedium">3/4 is</Text>
        <Choice
          label="3 April"
          chosen={choices.dayOrder === 'day-first'}
          onPress={() => set({ dayOrder: 'day-first' })}
          testID="day-first"
        />
        <Choice label="March 4" chosen={choices.dayOrder === 'month-first'} onPress={() => set({ dayOrder: 'month-first' })} />
      </Row>
      <Row>
        <Text variant="bodyMedium">Rows that do not say are</Text>
        <Choice label="overhand" chosen={choices.discipline === 'overhand'} onPress={() => set({ discipline: 'overhand' })} />
        <Choice label="windmill" chosen={choices.discipline === 'windmill'} onPress={() => set({ discipline: 'windmill' })} />
      </Row>
      <Row>
        <Text variant="bodyMedium">Bare numbers are</Text>
        {(['cm', 'in'] as const).map((u) => (
          <Choice key={u} label={u} chosen={choices.heightUnit === u} onPress={() => set({ heightUnit: u })} />
        ))}
        {(['kg', 'lb'] as const).map((u) => (
          <Choice key={u} label={u} chosen={choices.massUnit === u} onPress={() => set({ massUnit: u })} />
        ))}
      </Row>
    </View>
  );
}
