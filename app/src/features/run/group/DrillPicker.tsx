import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { useLibrary } from '../../../data/use-library';
import { Action, LinkRow } from '../../../ui/controls';
import { Screen } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { Field } from '../../../ui/Field';

const SHOWN = 20;

/** Any drill of the academy's, for a whole line. */
export function DrillPicker({ onPick, onBack }: { readonly onPick: (drill: string) => void; readonly onBack: () => void }) {
  const palette = usePalette();
  const { library } = useLibrary();
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const found = library.drills.filter((drill) => drill.name.toLowerCase().includes(wanted));
  return (
    <Screen width={640} footer={<Action label="Back to the line" onPress={onBack} />}>
      <Field label="Drill for all" value={search} onChangeText={setSearch} testID="pick-drill" />
      <View>
        {found.slice(0, SHOWN).map((drill) => (
          <LinkRow key={drill.id} onPress={() => onPick(drill.id)} testID={`drill-${drill.id}`}>
            <Text variant="titleMedium">{drill.name}</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {drill.cue.external}
            </Text>
          </LinkRow>
        ))}
      </View>
      {found.length === 0 ? <Text>No drill is called that.</Text> : null}
      {found.length > SHOWN ? (
        <Text
          variant="bodySmall"
          style={{ color: palette.soft, paddingTop: SPACE.s }}
        >{`${found.length - SHOWN} more: type a part of the name.`}</Text>
      ) : null}
    </Screen>
  );
}
