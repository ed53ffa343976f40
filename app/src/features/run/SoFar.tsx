import { missText } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { useLibrary } from '../../data/use-library';
import { Action } from '../../ui/controls';
import { Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import type { Units } from '@wrightonic/core';
import { useUnits } from '../../ui/units';
import type { RunState } from './run-state';
import type { useRun } from './use-run';
import { Field } from '../../ui/Field';

const JUDGED = { good: 'good', close: 'close', off: 'off' } as const;
const SHOWN = 8;
const minutes = (at: string): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** How far from the target a throw went. */
function spotText({ target, actual }: RunState['spots'][number], units: Units): string {
  return `${missText(Math.hypot(actual.x - target.x, actual.y - target.y), units)} from the target`;
}

/** Everything tapped in this session, newest first: each can be taken back, to the very first. */
export function SoFar({
  run,
  unit,
  onTakeBack,
}: {
  readonly run: ReturnType<typeof useRun>;
  readonly unit: string;
  readonly onTakeBack: (rep: { id: string; at: string; drill?: string }) => void;
}) {
  const palette = usePalette();
  const library = useLibrary();
  const units = useUnits();
  const [most, setMost] = useState(SHOWN);
  const { reps, readings, spots, cheats, notes } = run.state;
  const rows = [
    ...reps.map((rep) => ({ at: rep.at, id: rep.id, drill: rep.drill, cheat: cheats.get(rep.id), text: JUDGED[rep.judged] })),
    ...readings.map((r) => ({ at: r.at, id: r.id, drill: undefined, cheat: undefined, text: `${r.speed.toFixed(1)} ${unit}` })),
    ...spots.map((s) => ({ at: s.at, id: s.id, drill: undefined, cheat: undefined, text: spotText(s, units) })),
  ].sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
  const named = (drill: string, cheat: string) => library.drill(drill).cheats.find((c) => c.cheat === cheat)?.label ?? cheat;
  return (
    <Section title="So far today" note={`${rows.length} ${rows.length === 1 ? 'tap' : 'taps'}`}>
      {rows.length === 0 ? <Text style={{ color: palette.soft }}>Nothing is logged yet.</Text> : null}
      {rows.slice(0, most).map((row) => (
        <View key={row.id} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 48 }}>
          <Text variant="bodySmall" style={{ color: palette.soft, fontVariant: ['tabular-nums'] }}>
            {minutes(row.at)}
          </Text>
          <Text variant="bodyMedium" style={{ flex: 1 }} numberOfLines={2}>
            {row.drill ? `${library.drill(row.drill).name}: ${row.text}` : row.text}
            {row.drill && row.cheat ? `, ${named(row.drill, row.cheat)}` : ''}
          </Text>
          {row.drill && row.cheat ? <Action kind="plain" label="No cheat" onPress={() => run.noCheat(row.id)} /> : null}
          <Action kind="plain" label="Take back" onPress={() => onTakeBack(row)} testID={`take-back-${row.id}`} />
        </View>
      ))}
      {rows.length > most ? (
        <Action kind="quiet" label={`${rows.length - most} earlier`} onPress={() => setMost(Infinity)} />
      ) : null}
      {notes.map((note, i) => (
        <Text key={`${i}-${note}`} variant="bodyMedium">{`Noted: ${note}`}</Text>
      ))}
    </Section>
  );
}

/** A word for the coaches, typed or spoken into the keyboard. */
export function NoteField({ onKeep }: { readonly onKeep: (text: string) => void }) {
  const [text, setText] = useState('');
  const keep = () => {
    onKeep(text.trim());
    setText('');
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Field label="Note for the coaches" value={text} onChangeText={setText} maxLength={500} multiline testID="note-text" />
      <Action kind="quiet" label="Keep the note" disabled={text.trim() === ''} onPress={keep} testID="keep-note" />
    </View>
  );
}
