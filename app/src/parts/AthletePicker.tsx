import type { NamedId } from '@wrightonic/contract';
import { useDeferredValue, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../data/api';
import { Choice } from '../ui/controls';
import { Row } from '../ui/layout';
import { SPACE } from '../ui/theme';
import { Field } from '../ui/Field';

const SHOWN = 8;

/** Picks athletes by the beginning of their names, out of any number. */
export function AthletePicker({
  label,
  chosen,
  most,
  onChange,
}: {
  readonly label: string;
  readonly chosen: readonly NamedId[];
  readonly most: number;
  readonly onChange: (chosen: readonly NamedId[]) => void;
}) {
  const [search, setSearch] = useState('');
  const asked = useDeferredValue(search.trim());
  const { data } = api.useAthletesQuery({ query: asked ? { search: asked } : {} });
  const has = (id: string) => chosen.some((c) => c.id === id);
  const found = (data?.rows ?? []).filter((row) => !has(row.id)).slice(0, SHOWN);
  const toggle = (row: NamedId) =>
    onChange(has(row.id) ? chosen.filter((c) => c.id !== row.id) : most === 1 ? [row] : [...chosen, row].slice(0, most));
  return (
    <View style={{ gap: SPACE.s }}>
      <Field label={label} value={search} onChangeText={setSearch} testID="pick-athlete" />
      <Row>
        {[...chosen, ...found].map((row) => (
          <Choice
            key={row.id}
            label={row.name}
            chosen={has(row.id)}
            onPress={() => toggle({ id: row.id, name: row.name })}
            testID={`pick-${row.name}`}
          />
        ))}
      </Row>
      {data && data.rows.length === 0 ? <Text variant="bodySmall">Nobody by that name.</Text> : null}
    </View>
  );
}
