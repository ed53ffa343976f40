import type { AcademySettings, Me } from '@wrightonic/contract';
import { SCHOOL_OPTIONS } from '@wrightonic/core';
import type { Schools } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { useAppSelector } from '../../state/store';
import { Action, Caution, Choice } from '../../ui/controls';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

const QUESTIONS: Record<keyof Schools, string> = {
  driveLeg: 'Drive leg',
  lift: 'Leg lift',
  backFoot: 'Back foot',
  method: 'Teaching by',
  repairOrder: 'Order of repair',
  separation: 'Separation first by',
};

function Settings({ me }: { readonly me: Me }) {
  const palette = usePalette();
  const [save, { isLoading, error, isSuccess }] = api.useSaveSettingsMutation();
  const { speedUnit, timeZone, leagueDailyLimit, league, schools } = me.academy;
  const [draft, setDraft] = useState<AcademySettings>({ speedUnit, timeZone, leagueDailyLimit, league, schools });
  const [limit, setLimit] = useState(leagueDailyLimit === null ? '' : String(leagueDailyLimit));
  const store = () => void save({ ...draft, leagueDailyLimit: limit.trim() === '' ? null : Number(limit) });
  return (
    <View style={{ gap: SPACE.xl }}>
      <Section title="Units and rules">
        <Row>
          {(['mph', 'km/h'] as const).map((u) => (
            <Choice key={u} label={u} chosen={draft.speedUnit === u} onPress={() => setDraft({ ...draft, speedUnit: u })} />
          ))}
        </Row>
        <TextInput
          mode="outlined"
          label="League’s daily pitch limit (empty: the tables alone)"
          value={limit}
          onChangeText={setLimit}
          inputMode="numeric"
        />
        <TextInput
          mode="outlined"
          label="Time zone"
          value={draft.timeZone}
          onChangeText={(t) => setDraft({ ...draft, timeZone: t })}
        />
      </Section>
      <Section title="Schools of thought" note="they change ranking, cues and what counts as style">
        {(Object.keys(SCHOOL_OPTIONS) as (keyof Schools)[]).map((q) => (
          <View key={q} style={{ gap: 4 }}>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {QUESTIONS[q]}
            </Text>
            <Row>
              {SCHOOL_OPTIONS[q].map((option) => {
                const chosen = draft.schools[q] === option;
                return (
                  <Choice
                    key={option}
                    label={option.replace(/-/g, ' ')}
                    chosen={chosen}
                    onPress={() => setDraft({ ...draft, schools: { ...draft.schools, [q]: chosen ? undefined : option } })}
                  />
                );
              })}
            </Row>
          </View>
        ))}
      </Section>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Action label={isSuccess ? 'Saved. Save again' : 'Save the settings'} onPress={store} busy={isLoading} />
    </View>
  );
}

/** At a desk: the academy, and out. */
export function DeskScreen() {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const [signOut, { isLoading }] = api.useSignOutMutation();
  const waiting = useAppSelector((s) => s.operations.list.filter((o) => o.status === 'waiting').length);
  const refused = useAppSelector((s) => s.operations.list.filter((o) => o.status === 'refused'));
  const leave = async () => {
    await signOut();
    window.location.assign('/');
  };
  if (!me) return null;
  return (
    <Screen>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Desk
      </Text>
      <Panes weights={[2, 3]}>
        <View style={{ gap: SPACE.xl }}>
          <Section title={me.academy.name}>
            <Text variant="bodyMedium">{`${me.name}, ${me.role}`}</Text>
            <Text
              variant="bodySmall"
              style={{ color: palette.soft }}
            >{`Today is ${me.academy.today} in ${me.academy.timeZone}.`}</Text>
            {waiting > 0 ? (
              <Caution>{`${waiting} entries wait on this device for a connection. They stay here if you sign out and are sent when you sign in again.`}</Caution>
            ) : null}
            <Action kind="quiet" label="Sign out" onPress={() => void leave()} busy={isLoading} testID="sign-out" />
          </Section>
          {refused.length > 0 ? (
            <Section title="Refused by the server" note={`${refused.length}`}>
              {refused.slice(-5).map((o) => (
                <Text key={o.seq} variant="bodySmall">
                  {o.reason}
                </Text>
              ))}
            </Section>
          ) : null}
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            Wrightonic never diagnoses injury. League rules and licensed clinicians come first.
          </Text>
        </View>
        {me.role === 'instructor' ? <Settings me={me} /> : <View />}
      </Panes>
    </Screen>
  );
}
