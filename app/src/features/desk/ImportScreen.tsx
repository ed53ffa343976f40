import { may } from '@wrightonic/contract';
import type { ImportLook, ImportRow, RosterImport } from '@wrightonic/contract';
import { ROSTER_FIELD_NAMES, ROSTER_FIELDS } from '@wrightonic/core';
import type { RosterChoices, RosterField } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Menu, Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { Action, Caution, Choice, Figure } from '../../ui/controls';
import { download, pickFile } from '../../ui/files';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { useUnits } from '../../ui/units';

const ROWS_SHOWN = 12;
const DELIMITERS: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' };

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

function Choices({ look, onChange }: { readonly look: ImportLook; readonly onChange: (choices: RosterChoices) => void }) {
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

function Preview({ look }: { readonly look: ImportLook }) {
  const units = useUnits();
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.l }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {`${look.fileName}: ${look.rows} rows, ${look.encoding}, separated by ${DELIMITERS[look.delimiter] ?? look.delimiter}.`}
      </Text>
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={String(look.good.length)} label="come in" tone="spruce" />
        <Figure value={String(look.bad.length)} label="have faults" tone={look.bad.length > 0 ? 'clay' : undefined} />
        <Figure value={String(look.duplicates.length)} label="are here already" />
      </Row>
      {look.bad.length > 0 ? (
        <View style={{ gap: SPACE.s }} testID="import-faults">
          {look.bad.slice(0, ROWS_SHOWN).map((row) => (
            <Text key={row.line} variant="bodySmall">
              {`Line ${row.line}: ${row.faults.map((f) => `${f.column}${f.written ? ` “${f.written}”` : ''} ${f.message}`).join('; ')}`}
            </Text>
          ))}
          {look.bad.length > ROWS_SHOWN ? (
            <Text variant="bodySmall">{`and ${look.bad.length - ROWS_SHOWN} more, all in the file below.`}</Text>
          ) : null}
          <Row>
            <Action
              kind="quiet"
              label="Save the faulty rows as a file"
              onPress={() => download(`faults-${look.fileName}`, 'text/csv', look.faultsCsv)}
              testID="download-faults"
            />
          </Row>
        </View>
      ) : null}
      {look.duplicates.slice(0, 6).map((d) => (
        <Text key={d.line} variant="bodySmall" style={{ color: palette.soft }}>
          {`Line ${d.line}: ${d.name} is in ${d.of} already, left out.`}
        </Text>
      ))}
      {look.good.slice(0, 6).map(({ line, entry }) => (
        <Text key={line} variant="bodySmall">
          {`Line ${line}: ${entry.name}, born ${entry.birthDate}, ${entry.discipline}, ${entry.throws === 'R' ? 'right' : 'left'}, ${units.height(entry.heightM)}, ${units.mass(entry.massKg)}`}
        </Text>
      ))}
    </View>
  );
}

function Past({ row }: { readonly row: ImportRow }) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const owner = me !== undefined && may(me.role, 'eraseAthlete');
  const [sure, setSure] = useState(false);
  const [undo, { isLoading, error }] = api.useUndoImportMutation();
  return (
    <View style={{ gap: SPACE.xs, paddingVertical: SPACE.s, borderBottomWidth: 1, borderColor: palette.line }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', gap: SPACE.s }}>
        <View style={{ flexShrink: 1 }}>
          <Text variant="bodyMedium" numberOfLines={1}>
            {row.fileName}
          </Text>
          <Text
            variant="bodySmall"
            style={{ color: palette.soft }}
          >{`${row.count} athletes, ${weekDay(row.at.slice(0, 10))}, by ${row.by}`}</Text>
        </View>
        {row.grown === null ? (
          <Action
            kind="plain"
            label={`Take back all ${row.count}`}
            busy={isLoading}
            onPress={() => void undo({ id: row.id })}
            testID="undo-import"
          />
        ) : null}
      </View>
      {row.grown !== null && !owner ? (
        <Text variant="bodySmall">{`${row.grown} Only an owner can take it back now.`}</Text>
      ) : null}
      {row.grown !== null && owner ? (
        <View style={{ gap: SPACE.s }}>
          <Text variant="bodySmall">{row.grown}</Text>
          {sure ? (
            <Caution>{`This erases ${row.count === 1 ? 'the athlete' : `all ${row.count} athletes`} for good, with everything done since: looks, plans, reps, clips, and sign-ins that were only for them.`}</Caution>
          ) : null}
          <Action
            kind="plain"
            label={sure ? `Erase all ${row.count} for good` : `Take back all ${row.count}, work and all`}
            busy={isLoading}
            onPress={() => (sure ? void undo({ id: row.id, query: { with: 'work' } }) : setSure(true))}
            testID="undo-import-with-work"
          />
        </View>
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
    </View>
  );
}

/** A list of athletes from elsewhere: looked at first, then brought in, and taken back whole. */
export function ImportScreen() {
  const [lookAt, looking] = api.useLookAtImportMutation();
  const [put, putting] = api.usePutImportMutation();
  const { data: past = [] } = api.useImportsQuery();
  const [given, setGiven] = useState<RosterImport | null>(null);
  const [look, setLook] = useState<ImportLook | null>(null);
  const [id, setId] = useState(newId);
  const read = async (next: RosterImport) => {
    setGiven(next);
    const answer = await lookAt({ body: next });
    setLook(answer.data ?? null);
  };
  const choose = async () => {
    const file = await pickFile('.csv,.txt,.tsv,text/csv,text/plain');
    if (!file) return;
    setId(newId());
    await read({ fileName: file.name, file: file.base64 });
  };
  const bring = async () => {
    if (!given || !look) return;
    const answer = await put({ id, body: { ...given, choices: look.choices } });
    if (answer.data) {
      setLook(null);
      setGiven(null);
    }
  };
  const error = looking.error ?? putting.error;
  return (
    <Screen
      footer={
        look ? (
          <Action
            label={look.good.length === 0 ? 'No row can come in yet' : `Bring in ${look.good.length} athletes`}
            disabled={look.good.length === 0}
            busy={putting.isLoading || looking.isLoading}
            onPress={() => void bring()}
            testID="bring-in"
          />
        ) : (
          <Action label="Choose a file" onPress={() => void choose()} busy={looking.isLoading} testID="choose-file" />
        )
      }
    >
      <View style={{ gap: SPACE.xs }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Bring in a list
        </Text>
        <Text variant="bodyMedium">
          A table saved as CSV: the headings first, then one athlete a line. Nothing is kept before you have seen what comes in.
        </Text>
      </View>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {putting.isSuccess && !look ? (
        <Text variant="bodyMedium" role="status" testID="import-done">
          {`${putting.data.good.length} athletes came in. They can be taken back below.`}
        </Text>
      ) : null}
      {look && given ? (
        <Panes weights={[3, 2]}>
          <Section title="What would come in">
            <Preview look={look} />
          </Section>
          <Section title="Which column is what">
            <Choices look={look} onChange={(choices) => void read({ ...given, choices })} />
            <Action kind="plain" label="Another file" onPress={() => void choose()} />
          </Section>
        </Panes>
      ) : null}
      <Section title="Lists brought in">
        {past.length === 0 ? <Text variant="bodySmall">None so far.</Text> : null}
        {past.map((row) => (
          <Past key={row.id} row={row} />
        ))}
      </Section>
    </Screen>
  );
}
