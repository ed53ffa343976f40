import { EQUIPMENT, FINDINGS, kitName, PLACES, RUNG_NAMES, RUNGS, SCHOOL_OPTIONS } from '@wrightonic/core';
import type { Discipline } from '@wrightonic/core';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from '../../ui/controls';
import { SPACE, usePalette } from '../../ui/theme';
import type { DrillFilter } from './filter';

const MINUTES = [3, 5, 8] as const;
const AGES = [8, 10, 12, 14, 18] as const;

function Line({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  const palette = usePalette();
  return (
    <View style={{ gap: 2 }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {name}
      </Text>
      <ScrollView horizontal showsHorizontalScrollIndicator={false} contentContainerStyle={{ gap: SPACE.s }}>
        {children}
      </ScrollView>
    </View>
  );
}

interface FiltersProps {
  readonly filter: DrillFilter;
  readonly discipline: Discipline;
  readonly onChange: (filter: DrillFilter) => void;
}

/** What a drill must be: a line of choices each, tapped again to let go. */
export function Filters({ filter, discipline, onChange }: FiltersProps) {
  const choices = <K extends keyof DrillFilter>(key: K, options: readonly (readonly [DrillFilter[K], string])[]) =>
    options.map(([value, label]) => (
      <Choice
        key={label}
        label={label}
        chosen={filter[key] === value}
        onPress={() => onChange({ ...filter, [key]: filter[key] === value ? null : value })}
      />
    ));
  const kit = filter.kit ?? [];
  return (
    <View style={{ gap: SPACE.s }}>
      <Line name="Rung">
        {choices(
          'rung',
          RUNGS.map((r) => [r, `${r} ${RUNG_NAMES[r]}`]),
        )}
      </Line>
      <Line name="Mends">
        {choices(
          'finding',
          FINDINGS.filter((f) => f.disciplines.includes(discipline)).map((f) => [f.id, f.title]),
        )}
      </Line>
      <Line name="Place">
        {choices(
          'place',
          PLACES.map((p) => [p, p]),
        )}
      </Line>
      <Line name="Ball and partner">
        {choices('ball', [
          [false, 'dry'],
          [true, 'with a ball'],
        ])}
        {choices('partner', [
          [false, 'alone'],
          [true, 'with a partner'],
        ])}
      </Line>
      <Line name="With this kit only">
        <Choice
          label="none"
          chosen={filter.kit?.length === 0}
          onPress={() => onChange({ ...filter, kit: filter.kit?.length === 0 ? null : [] })}
        />
        {EQUIPMENT.filter((e) => e !== 'tape' && e !== 'towel' && e !== 'weighted-ball').map((e) => (
          <Choice
            key={e}
            label={kitName(e)}
            chosen={kit.includes(e)}
            onPress={() => {
              const next = kit.includes(e) ? kit.filter((k) => k !== e) : [...kit, e];
              onChange({ ...filter, kit: next.length === 0 ? null : next });
            }}
          />
        ))}
      </Line>
      <Line name="Minutes">
        {choices(
          'minutes',
          MINUTES.map((m) => [m, `up to ${m}`]),
        )}
      </Line>
      <Line name="Drive leg school">
        {choices(
          'driveLeg',
          SCHOOL_OPTIONS.driveLeg.map((s) => [s, s]),
        )}
      </Line>
      <Line name="Age">
        {choices(
          'age',
          AGES.map((a) => [a, String(a)]),
        )}
      </Line>
    </View>
  );
}
