import { INVITES, ROLE_NAMES } from '@wrightonic/contract';
import type { InvitationLink, NamedId, Role } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { problemOf, api } from '../data/api';
import { newId } from '../data/ids';
import { Action, Caution, Choice } from '../ui/controls';
import { Row } from '../ui/layout';
import { QrCode } from '../ui/QrCode';
import { SPACE, usePalette } from '../ui/theme';
import { longDay } from '../ui/words';
import { AthletePicker } from './AthletePicker';
import { Field } from '../ui/Field';

export const linkFor = (token: string): string => `${window.location.origin}/join#${token}`;

/** The link just made: shown once, as text and as a code to hold up to a phone. */
export function LinkSheet({ link, onDone }: { readonly link: InvitationLink; readonly onDone: () => void }) {
  const palette = usePalette();
  const address = linkFor(link.token);
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    await navigator.clipboard.writeText(address);
    setCopied(true);
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Text variant="bodyMedium">
        {`Works once, until ${longDay(link.expiresAt.slice(0, 10))}. Let the phone’s camera read the code, or send the link. It is not shown again.`}
      </Text>
      <QrCode text={address} label="The invitation’s link as a code" />
      <Text variant="bodySmall" selectable testID="invitation-link" style={{ color: palette.soft }}>
        {address}
      </Text>
      <Row>
        <Action kind="quiet" label={copied ? 'Copied' : 'Copy the link'} onPress={() => void copy()} />
        <Action kind="plain" label="Done" onPress={onDone} testID="invitation-done" />
      </Row>
    </View>
  );
}

/** Invites somebody: as what, and for whom. */
export function InviteForm({
  role: mine,
  athlete,
  onDone,
}: {
  readonly role: Role;
  /** The athlete whose page this is on, if any. */
  readonly athlete?: NamedId;
  readonly onDone: () => void;
}) {
  const { data: groups = [] } = api.useGroupsQuery();
  const [put, { data: link, isLoading, error }] = api.usePutInvitationMutation();
  const [id] = useState(newId);
  const choices = INVITES[mine].filter((r) => !athlete || r === 'athlete' || r === 'guardian');
  const [role, setRole] = useState<Role>('guardian');
  const [name, setName] = useState('');
  const [athletes, setAthletes] = useState<readonly NamedId[]>(athlete ? [athlete] : []);
  const [inGroups, setInGroups] = useState<readonly string[]>([]);
  if (link) return <LinkSheet link={link} onDone={onDone} />;
  const tied = role === 'athlete' || role === 'guardian';
  const send = () =>
    void put({
      id,
      body: {
        role,
        name: name || (role === 'athlete' && athletes[0] ? athletes[0].name : name),
        athletes: tied ? athletes.map((a) => a.id) : [],
        groups: role === 'station' ? inGroups : [],
      },
    });
  return (
    <View style={{ gap: SPACE.m }}>
      <Row>
        {choices.map((r) => (
          <Choice key={r} label={ROLE_NAMES[r]} chosen={role === r} onPress={() => setRole(r)} testID={`invite-${r}`} />
        ))}
      </Row>
      <Field label="Who is it for" value={name} onChangeText={setName} testID="invite-name" />
      {tied && !athlete ? (
        <AthletePicker
          label={role === 'athlete' ? 'Which athlete are they?' : 'Whose guardian are they?'}
          chosen={athletes}
          most={role === 'athlete' ? 1 : 20}
          onChange={setAthletes}
        />
      ) : null}
      {role === 'station' ? (
        <View style={{ gap: SPACE.xs }}>
          <Text variant="bodyMedium">Which groups do they see?</Text>
          <Row>
            {groups.map((g) => (
              <Choice
                key={g.id}
                label={g.name}
                chosen={inGroups.includes(g.id)}
                onPress={() => setInGroups(inGroups.includes(g.id) ? inGroups.filter((x) => x !== g.id) : [...inGroups, g.id])}
              />
            ))}
          </Row>
          {groups.length === 0 ? <Text variant="bodySmall">There is no group yet; make one under Groups first.</Text> : null}
        </View>
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action label="Make the link" onPress={send} busy={isLoading} disabled={!name.trim()} testID="invite-make" />
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
    </View>
  );
}
