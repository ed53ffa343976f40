import type { GroupRow, NamedId } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { problemOf, api } from '../../data/api';
import { newId } from '../../data/ids';
import { Action, Blank, Caution, LinkRow, Loading } from '../../ui/controls';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { AthletePicker } from '../../parts/AthletePicker';
import { Field } from '../../ui/Field';

function GroupForm({ group, onDone }: { readonly group: GroupRow | null; readonly onDone: () => void }) {
  const [put, { isLoading, error }] = api.usePutGroupMutation();
  const [drop, dropping] = api.useDropGroupMutation();
  const [id] = useState(() => group?.id ?? newId());
  const [name, setName] = useState(group?.name ?? '');
  const [athletes, setAthletes] = useState<readonly NamedId[]>(group?.athletes ?? []);
  const save = async () => {
    const answer = await put({ id, body: { name, athletes: athletes.map((a) => a.id) } });
    if (answer.data) onDone();
  };
  const dissolve = async () => {
    const answer = await drop({ id });
    if (answer.data) onDone();
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Field label="Name of the group" value={name} onChangeText={setName} testID="group-name" />
      <AthletePicker label="Who is in it" chosen={athletes} most={500} onChange={setAthletes} />
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action label="Keep the group" onPress={() => void save()} busy={isLoading} disabled={!name.trim()} testID="group-save" />
        {group ? <Action kind="plain" label="Dissolve it" onPress={() => void dissolve()} busy={dropping.isLoading} /> : null}
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
      {group ? <Text variant="bodySmall">Dissolving a group leaves its athletes as they are.</Text> : null}
    </View>
  );
}

/** Groups: for the roster's filter, and for whom a station coach sees. */
export function GroupsScreen() {
  const palette = usePalette();
  const { data, error, isLoading } = api.useGroupsQuery();
  const [open, setOpen] = useState<string | null>(null);
  if (isLoading) return <Loading />;
  return (
    <Screen width={760}>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Groups
      </Text>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {open === 'new' ? (
        <Section title="New group">
          <GroupForm group={null} onDone={() => setOpen(null)} />
        </Section>
      ) : (
        <Action label="Make a group" onPress={() => setOpen('new')} testID="group-new" />
      )}
      {data?.length === 0 && open !== 'new' ? (
        <Blank title="No groups yet">A group gathers athletes for a lesson, a station or a camp.</Blank>
      ) : null}
      {(data ?? []).map((group) =>
        open === group.id ? (
          <Section key={group.id} title={group.name}>
            <GroupForm group={group} onDone={() => setOpen(null)} />
          </Section>
        ) : (
          <LinkRow key={group.id} onPress={() => setOpen(group.id)}>
            <Text variant="titleMedium">{group.name}</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }} numberOfLines={1}>
              {group.athletes.length === 0
                ? 'Nobody yet'
                : `${group.athletes.length}: ${group.athletes.map((a) => a.name).join(', ')}`}
            </Text>
          </LinkRow>
        ),
      )}
    </Screen>
  );
}
