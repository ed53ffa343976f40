import type { Drill } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { useLibrary } from '../data/use-library';
import { LinkRow } from '../ui/controls';
import { SPACE, usePalette } from '../ui/theme';
import { Field } from '../ui/Field';

const SHOWN = 20;

interface Props {
  readonly label: string;
  /** Drills that are left out. */
  readonly without?: ReadonlySet<string>;
  readonly most?: number;
  /** Shows drills only once something is typed. */
  readonly asked?: boolean;
  readonly onPick: (drill: string) => void;
}

/** Finds any drill of the academy's by a part of its name. */
export function DrillSearch({ label, without, most = SHOWN, asked = false, onPick }: Props) {
  const palette = usePalette();
  const { library } = useLibrary();
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const fits = (drill: Drill) => !without?.has(drill.id) && drill.name.toLowerCase().includes(wanted);
  const quiet = asked && wanted === '';
  const found = quiet ? [] : library.drills.filter(fits);
  const pick = (drill: string) => {
    setSearch('');
    onPick(drill);
  };
  return (
    <View>
      <Field label={label} value={search} onChangeText={setSearch} testID="pick-drill" />
      <View>
        {found.slice(0, most).map((drill) => (
          <LinkRow key={drill.id} onPress={() => pick(drill.id)} testID={`drill-${drill.id}`}>
            <Text variant="titleMedium">{drill.name}</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {drill.cue.external}
            </Text>
          </LinkRow>
        ))}
      </View>
      {found.length === 0 && !quiet ? <Text>No drill is called that.</Text> : null}
      {found.length > most ? (
        <Text variant="bodySmall" style={{ color: palette.soft, paddingTop: SPACE.s }}>
          {`${found.length - most} more: type a part of the name.`}
        </Text>
      ) : null}
    </View>
  );
}
