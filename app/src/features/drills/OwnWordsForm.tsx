import { drillById, DRILL_USES, newestOwn } from '@wrightonic/core';
import type { DrillUse, OwnWords } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { newId } from '../../state/ids';
import { Action, Caution, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { useLibrary } from './use-library';

const USE_WORDS: Record<DrillUse, string> = { usual: 'as usual', first: 'before others', never: 'leave out' };

const FIELDS = [
  ['name', 'Name'],
  ['setup', 'Set up'],
  ['steps', 'Steps, one a line'],
  ['external', 'Cue outside the body'],
  ['internal', 'Cue inside the body'],
  ['feel', 'You should feel'],
  ['success', 'Good looks like'],
] as const;
type Field = (typeof FIELDS)[number][0];

/** A drill in the academy’s own words, and how the planner uses it. Every save is a version; older plans keep theirs. */
export function OwnWordsForm({ drill: id, onDone }: { readonly drill: string; readonly onDone: () => void }) {
  const palette = usePalette();
  const { own, drill } = useLibrary();
  const now = drill(id);
  const newest = newestOwn(own).get(id);
  const [said, setSaid] = useState<Record<Field, string>>({
    name: now.name,
    setup: now.setup,
    steps: now.steps.join('\n'),
    external: now.cue.external,
    internal: now.cue.internal,
    feel: now.feel,
    success: now.success,
  });
  const [use, setUse] = useState<DrillUse>(newest?.use ?? 'usual');
  const [put, state] = api.usePutOwnDrillMutation();
  const base = drillById(id);
  const usual: Record<Field, string> = {
    name: base.name,
    setup: base.setup,
    steps: base.steps.join('\n'),
    external: base.cue.external,
    internal: base.cue.internal,
    feel: base.feel,
    success: base.success,
  };
  const save = async () => {
    // Only what differs from the catalogue is the academy’s own; an emptied field goes back to it.
    const changed = FIELDS.filter(([field]) => said[field].trim() !== '' && said[field].trim() !== usual[field]);
    const words = Object.fromEntries(
      changed.map(([field]) => [
        field,
        field === 'steps'
          ? said.steps
              .split('\n')
              .map((line) => line.trim())
              .filter(Boolean)
          : said[field].trim(),
      ]),
    ) as OwnWords;
    const answer = await put({ id: newId(), body: { drill: id, words, use } });
    if (answer.data) onDone();
  };
  return (
    <View style={{ gap: SPACE.s }}>
      {FIELDS.map(([field, label]) => (
        <TextInput
          key={field}
          label={label}
          mode="outlined"
          multiline={field === 'steps' || field === 'setup'}
          value={said[field]}
          onChangeText={(text) => setSaid({ ...said, [field]: text })}
          testID={`own-${field}`}
        />
      ))}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        In plans
      </Text>
      <Row>
        {DRILL_USES.map((u) => (
          <Choice key={u} label={USE_WORDS[u]} chosen={use === u} onPress={() => setUse(u)} />
        ))}
      </Row>
      {state.error ? <Caution>{problemOf(state.error).detail}</Caution> : null}
      <Action label="Save as our own version" onPress={() => void save()} busy={state.isLoading} testID="own-save" />
      <Action kind="quiet" label="Leave it as it is" onPress={onDone} />
      {own
        .filter((o) => o.drill === id)
        .map((o) => (
          <Text key={o.version} variant="bodySmall" style={{ color: palette.soft }}>
            {`Version ${o.version}, ${weekDay(o.at.slice(0, 10))}${o.by ? `, ${o.by}` : ''}: ${Object.keys(o.words).join(', ') || 'no words'}, ${USE_WORDS[o.use]}.`}
          </Text>
        ))}
    </View>
  );
}
