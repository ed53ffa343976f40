import { may, ROLE_NAMES } from '@wrightonic/contract';
import type { RightName } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { signOut } from '../../data/leaving';
import { useAppDispatch, useAppSelector } from '../../data/store';
import { Action, Caution, LinkRow } from '../../ui/controls';
import { Panes, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import type { Href } from 'expo-router';

/** What there is at the desk, and the right that each needs. */
const PARTS: readonly { readonly path: string; readonly name: string; readonly text: string; readonly needs: RightName }[] = [
  { path: '/desk/people', name: 'People', text: 'Sign-ins, roles, invitations', needs: 'seePeople' },
  { path: '/desk/groups', name: 'Groups', text: 'For lessons, stations and camps', needs: 'changeGroups' },
  { path: '/desk/guns', name: 'Radar guns', text: 'Where each stands, and what it reads too much', needs: 'changeGroups' },
  { path: '/desk/import', name: 'Bring in a list', text: 'Athletes from a CSV file, with a way back', needs: 'importAthletes' },
  { path: '/desk/files', name: 'Files', text: 'Everything out and in: bundle and tables', needs: 'exportAcademy' },
  { path: '/desk/audit', name: 'Who did what', text: 'Every change, and to whom', needs: 'seeAudit' },
  { path: '/desk/settings', name: 'Settings', text: 'Units, league limits, schools of thought, words', needs: 'changeSettings' },
  { path: '/desk/bands', name: 'Bands and thresholds', text: 'Body tests, measured signs, the gate', needs: 'changeSettings' },
  { path: '/desk/findings', name: 'Findings and causes', text: 'What can go wrong, why, and how it shows', needs: 'judge' },
  { path: '/desk/account', name: 'Your account', text: 'Password, other devices', needs: 'account' },
];

/** At a desk: the academy, and out. */
export function DeskScreen() {
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const dispatch = useAppDispatch();
  const [leaving, setLeaving] = useState(false);
  const operations = useAppSelector((s) => s.operations.list);
  const mine = operations.filter((o) => o.user === me?.id);
  const waiting = mine.filter((o) => o.status === 'waiting');
  const athletes = new Set(waiting.map((o) => o.athlete)).size;
  const refused = mine.filter((o) => o.status === 'refused');
  const [sure, setSure] = useState(false);
  const leave = async () => {
    if (waiting.length > 0 && !sure) {
      setSure(true);
      return;
    }
    setLeaving(true);
    if (me) await dispatch(signOut(me.id));
  };
  if (!me) return null;
  return (
    <Screen>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Desk
      </Text>
      <Panes weights={[3, 2]}>
        <View>
          {PARTS.filter((part) => may(me.role, part.needs)).map((part) => (
            <LinkRow key={part.path} onPress={() => router.push(part.path as Href)} testID={`desk-${part.path.slice(6)}`}>
              <Text variant="titleMedium">{part.name}</Text>
              <Text variant="bodySmall" style={{ color: palette.soft }}>
                {part.text}
              </Text>
            </LinkRow>
          ))}
        </View>
        <View style={{ gap: SPACE.xl }}>
          <Section title={me.academy.name}>
            <Text variant="bodyMedium">{`${me.name}, ${ROLE_NAMES[me.role]}`}</Text>
            <Text
              variant="bodySmall"
              style={{ color: palette.soft }}
            >{`Today is ${me.academy.today} in ${me.academy.timeZone}.`}</Text>
            {waiting.length > 0 ? (
              <Caution testID="unsent">{`${waiting.length === 1 ? 'One entry' : `${waiting.length} entries`} of ${athletes === 1 ? 'one athlete' : `${athletes} athletes`} ${waiting.length === 1 ? 'has' : 'have'} not been sent yet. They stay on this device under your name, nobody else sends them, and they go when you sign in here again.`}</Caution>
            ) : null}
            <Action
              kind="quiet"
              label={sure && waiting.length > 0 ? 'Sign out, and send them later' : 'Sign out'}
              onPress={() => void leave()}
              busy={leaving}
              testID="sign-out"
            />
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
      </Panes>
    </Screen>
  );
}
