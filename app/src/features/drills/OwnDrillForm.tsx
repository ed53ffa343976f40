import { baseOf, copyId, drillById, DRILL_USES, isCopy, newestOwn, ownDrillFaults } from '@wrightonic/core';
import type { DrillUse } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { Action, Caution, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { CopyFields } from './CopyFields';
import { draftOf, numberFaults, ownFrom, WORD_FIELDS } from './own-draft';
import { useLibrary } from '../../data/use-library';
import { Field } from '../../ui/Field';

const USE_WORDS: Record<DrillUse, string> = { usual: 'as usual', first: 'before others', never: 'leave out' };

/** A name for a new copy that no other has. */
const newCopyId = (drill: string): string => copyId(drill, newId().replaceAll('-', '').slice(-12));

interface FormProps {
  readonly drill: string;
  /** A copy is made: the drill itself stays as it is. */
  readonly copying: boolean;
  readonly onDone: (drill: string) => void;
}

/**
 * A drill in the academy’s own words, or a copy of one with what it treats, needs and asks for changed; and how the planner uses it.
 * Every save is a version; older plans keep theirs.
 */
export function OwnDrillForm({ drill: id, copying, onDone }: FormProps) {
  const palette = usePalette();
  const { own, drill } = useLibrary();
  const [draft, setDraft] = useState(() => {
    const now = drill(id);
    const use = copying ? 'usual' : (newestOwn(own.drills).get(id)?.use ?? 'usual');
    const begun = draftOf(now, copying ? newCopyId(id) : id, use);
    return copying ? { ...begun, said: { ...begun.said, name: `${now.name}, our way` } } : begun;
  });
  const [put, state] = api.usePutOwnDrillMutation();
  const copy = isCopy(draft.drill);
  const badNumbers = copy ? numberFaults(draft) : [];
  const faults = badNumbers.length > 0 ? badNumbers : ownDrillFaults(ownFrom(draft));
  const save = async () => {
    const answer = await put({ id: newId(), body: ownFrom(draft) });
    if (answer.data) onDone(draft.drill);
  };
  const base = drillById(baseOf(id));
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="titleMedium" role="heading" aria-level={3}>
        {copying ? `A copy of ${drill(id).name}` : copy ? 'Our own drill' : 'In our own words'}
      </Text>
      {copy ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`It moves, loads and strains like “${base.name}”; the rest is yours.`}
        </Text>
      ) : null}
      {WORD_FIELDS.map(([field, label]) => (
        <Field
          key={field}
          label={label}
          multiline={field === 'steps' || field === 'setup'}
          value={draft.said[field]}
          onChangeText={(text) => setDraft({ ...draft, said: { ...draft.said, [field]: text } })}
          testID={`own-${field}`}
        />
      ))}
      {copy ? <CopyFields draft={draft} base={base} onChange={setDraft} /> : null}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        In plans
      </Text>
      <Row>
        {DRILL_USES.map((use) => (
          <Choice key={use} label={USE_WORDS[use]} chosen={draft.use === use} onPress={() => setDraft({ ...draft, use })} />
        ))}
      </Row>
      {faults.map((fault) => (
        <Caution key={fault}>{fault}</Caution>
      ))}
      {state.error ? <Caution>{problemOf(state.error).detail}</Caution> : null}
      <Action
        label={copying ? 'Save as our own drill' : 'Save as our own version'}
        onPress={() => void save()}
        disabled={faults.length > 0}
        busy={state.isLoading}
        testID="own-save"
      />
      <Action kind="quiet" label="Leave it as it is" onPress={() => onDone(id)} />
      {copying ? null : <Versions id={id} />}
    </View>
  );
}

function Versions({ id }: { readonly id: string }) {
  const palette = usePalette();
  const { own } = useLibrary();
  return own.drills
    .filter((o) => o.drill === id)
    .map((o) => (
      <Text key={o.version} variant="bodySmall" style={{ color: palette.soft }}>
        {`Version ${o.version}, ${weekDay(o.at.slice(0, 10))}${o.by ? `, ${o.by}` : ''}: ${[...Object.keys(o.words), ...Object.keys(o.fields ?? {})].join(', ') || 'nothing changed'}, ${USE_WORDS[o.use]}.`}
      </Text>
    ));
}
