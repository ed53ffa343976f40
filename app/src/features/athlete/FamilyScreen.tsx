import { useState } from 'react';
import { View } from 'react-native';
import { INVITES } from '@wrightonic/contract';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Blank, Loading } from '../../ui/controls';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { InviteForm } from '../../parts/InviteForm';
import { Consents } from '../../parts/Consents';

/** Who can be reached, and what they agree to. */
export function FamilyScreen({ id }: { readonly id: string }) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const { data, error } = api.useIntakeQuery({ athlete: id });
  const [inviting, setInviting] = useState(false);
  if (error)
    return (
      <Screen width={640}>
        <Blank title={problemOf(error).title}>{problemOf(error).detail}</Blank>
      </Screen>
    );
  if (!me || !data || !overview) return <Loading />;
  const { name } = overview.athlete;
  const { history } = data.intake;
  return (
    <Screen width={640}>
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Contacts and consent
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {name}
        </Text>
      </View>
      <Section title="Who can be reached">
        {data.intake.guardians.length === 0 ? (
          <Text variant="bodyMedium" style={{ color: data.minor ? palette.clay : palette.soft }}>
            {data.minor ? 'Nobody is written down, and the athlete is under 18.' : 'Nobody is written down.'}
          </Text>
        ) : null}
        {data.intake.guardians.map((g, i) => (
          <Text key={i} variant="bodyMedium" selectable>
            {`${g.name}${g.relation ? `, ${g.relation}` : ''}: ${g.contact}`}
          </Text>
        ))}
        {INVITES[me.role].length > 0 ? (
          inviting ? (
            <InviteForm role={me.role} athlete={{ id, name }} onDone={() => setInviting(false)} />
          ) : (
            <Row>
              <Action
                kind="quiet"
                label="Invite the athlete or a guardian"
                onPress={() => setInviting(true)}
                testID="invite-family"
              />
            </Row>
          )
        ) : null}
      </Section>
      <Section title="Consent">
        <Consents id={id} athleteName={name} />
      </Section>
      {history.clinicianLimits || history.otherSurgery ? (
        <Section title="As told at intake">
          <View style={{ gap: SPACE.xs }}>
            {history.clinicianLimits ? (
              <Text variant="bodyMedium">{`A clinician’s limits: ${history.clinicianLimits}`}</Text>
            ) : null}
            {history.otherSurgery ? <Text variant="bodyMedium">{`Surgery or injuries: ${history.otherSurgery}`}</Text> : null}
          </View>
        </Section>
      ) : null}
    </Screen>
  );
}
