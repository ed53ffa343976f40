import { INVITES, may, ROLE_NAMES } from '@wrightonic/contract';
import type { InvitationRow, Me, PersonRow, Role } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Blank, Caution, Choice, Loading } from '../../ui/controls';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { InviteForm, LinkSheet } from '../../parts/InviteForm';

function Person({ person, me }: { readonly person: PersonRow; readonly me: Me }) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const [sure, setSure] = useState(false);
  const [change, changing] = api.useChangePersonMutation();
  const [remove, removing] = api.useRemovePersonMutation();
  const [link, linking] = api.useNewPasswordLinkMutation();
  const tied = [...person.athletes, ...person.groups].map((x) => x.name).join(', ');
  const mayChange = may(me.role, 'changePeople') && person.id !== me.id;
  const coachRoles: readonly Role[] = INVITES[me.role].filter((r) => r === 'owner' || r === 'instructor');
  const error = changing.error ?? removing.error ?? linking.error;
  return (
    <View style={{ paddingVertical: SPACE.s, gap: SPACE.s, borderBottomWidth: 1, borderColor: palette.line }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s, alignItems: 'center' }}>
        <View style={{ flexShrink: 1 }}>
          <Text variant="titleMedium" numberOfLines={1}>
            {person.name}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {`${ROLE_NAMES[person.role]}${tied ? ` · ${tied}` : ''} · ${person.lastSeen ? `last signed in ${weekDay(person.lastSeen.slice(0, 10))}` : 'never signed in'}`}
          </Text>
        </View>
        {mayChange ? (
          <Action
            kind="plain"
            label={open ? 'Close' : 'Change'}
            onPress={() => setOpen(!open)}
            testID={`person-${person.signIn}`}
          />
        ) : null}
      </View>
      {open ? (
        <View style={{ gap: SPACE.m }}>
          {linking.data ? <LinkSheet link={linking.data} onDone={() => linking.reset()} /> : null}
          {coachRoles.includes(person.role) ? (
            <Row>
              {coachRoles.map((role) => (
                <Choice
                  key={role}
                  label={ROLE_NAMES[role]}
                  chosen={person.role === role}
                  onPress={() => void change({ id: person.id, body: { role, groups: [], athletes: [] } })}
                />
              ))}
            </Row>
          ) : null}
          {error ? <Caution>{problemOf(error).detail}</Caution> : null}
          <Row>
            <Action
              kind="quiet"
              label="Link for a new password"
              busy={linking.isLoading}
              onPress={() => void link({ id: person.id })}
              testID="password-link"
            />
            {sure ? (
              <Action
                label={`Take ${person.name}’s sign-in away`}
                busy={removing.isLoading}
                onPress={() => void remove({ id: person.id })}
                testID="remove-person"
              />
            ) : (
              <Action kind="plain" label="Remove" onPress={() => setSure(true)} testID="remove-person-ask" />
            )}
          </Row>
          {sure ? <Text variant="bodySmall">What they recorded stays; they can no longer sign in.</Text> : null}
        </View>
      ) : null}
    </View>
  );
}

const STATES: Record<InvitationRow['state'], string> = {
  open: 'open',
  used: 'used',
  expired: 'expired',
  'taken-back': 'taken back',
};

function Invitation({ row }: { readonly row: InvitationRow }) {
  const palette = usePalette();
  const [drop, { isLoading }] = api.useDropInvitationMutation();
  return (
    <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', minHeight: 48, gap: SPACE.s }}>
      <View style={{ flexShrink: 1 }}>
        <Text variant="bodyMedium">{row.name}</Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`${ROLE_NAMES[row.role]} · ${STATES[row.state]}${row.state === 'open' ? ` until ${weekDay(row.expiresAt.slice(0, 10))}` : ''} · by ${row.by}`}
        </Text>
      </View>
      {row.state === 'open' ? (
        <Action kind="plain" label="Take back" busy={isLoading} onPress={() => void drop({ id: row.id })} />
      ) : null}
    </View>
  );
}

/** Who belongs to the academy, and who has been asked to. */
export function PeopleScreen() {
  const { data: me } = api.useMeQuery();
  const { data, error, isLoading, refetch } = api.usePeopleQuery();
  const [inviting, setInviting] = useState(false);
  if (isLoading || !me) return <Loading />;
  return (
    <Screen>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        People
      </Text>
      {data ? (
        <Panes weights={[3, 2]}>
          <Section title="With a sign-in" note={String(data.people.length)}>
            {data.people.map((person) => (
              <Person key={person.id} person={person} me={me} />
            ))}
          </Section>
          <View style={{ gap: SPACE.xl }}>
            <Section title="Invite">
              {inviting ? (
                <InviteForm role={me.role} onDone={() => setInviting(false)} />
              ) : (
                <Action label="Invite somebody" onPress={() => setInviting(true)} testID="invite" />
              )}
            </Section>
            <Section title="Invitations">
              {data.invitations.length === 0 ? <Text variant="bodySmall">None so far.</Text> : null}
              {data.invitations.slice(0, 20).map((row) => (
                <Invitation key={row.id} row={row} />
              ))}
            </Section>
          </View>
        </Panes>
      ) : (
        <Blank title={problemOf(error).title} action={<Action label="Try again" onPress={() => void refetch()} />}>
          {problemOf(error).detail}
        </Blank>
      )}
    </Screen>
  );
}
