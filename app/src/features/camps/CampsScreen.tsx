import { may } from '@wrightonic/contract';
import type { CampRow, Me } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Blank, Caution, LinkRow, Loading } from '../../ui/controls';
import { Row, Screen, Section } from '../../ui/layout';
import { usePalette } from '../../ui/theme';
import { daysText, STATE_WORDS } from './words';

function ToErase({ camp, me }: { readonly camp: CampRow; readonly me: Me }) {
  const [erase, { isLoading, error }] = api.useEraseVisitorsMutation();
  return (
    <>
      <Caution>
        {`${camp.name}: the time of ${camp.toErase.map((a) => a.name).join(', ')} is over. ${
          may(me.role, 'eraseAthlete')
            ? 'Erase them now, or take the mark off whoever stays.'
            : 'An owner erases them, or keeps them.'
        }`}
      </Caution>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {may(me.role, 'eraseAthlete') ? (
        <Row>
          <Action
            kind="quiet"
            label={`Erase ${camp.toErase.length} for good`}
            busy={isLoading}
            onPress={() => void erase({ id: camp.id })}
            testID={`erase-visitors-${camp.name}`}
          />
        </Row>
      ) : null}
    </>
  );
}

/** Camps: those that run and come, and those that were. */
export function CampsScreen() {
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data, error, isLoading } = api.useCampsQuery(undefined, { refetchOnMountOrArgChange: true });
  if (isLoading || !me) return <Loading />;
  const builds = may(me.role, 'runCamps');
  const rows = data ?? [];
  const list = (title: string, shown: readonly CampRow[]) =>
    shown.length === 0 ? null : (
      <Section title={title}>
        {shown.map((camp) => (
          <LinkRow key={camp.id} onPress={() => router.push(`/camps/${camp.id}`)} testID={`camp-${camp.name}`}>
            <Text variant="titleMedium">{camp.name}</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {[
                daysText(camp.from, camp.to),
                ...(camp.place === null ? [] : [camp.place]),
                `${camp.athletes} athletes`,
                STATE_WORDS[camp.state],
              ].join(' · ')}
            </Text>
          </LinkRow>
        ))}
      </Section>
    );
  return (
    <Screen
      width={760}
      footer={
        builds ? <Action label="Build a camp" onPress={() => router.push('/camps/new/build')} testID="camp-new" /> : undefined
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Camps
      </Text>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {rows
        .filter((camp) => camp.toErase.length > 0)
        .map((camp) => (
          <ToErase key={camp.id} camp={camp} me={me} />
        ))}
      {!error && rows.length === 0 ? (
        <Blank title="No camps yet">
          {builds
            ? 'Say when, which stations there are and who comes: everybody gets a place in each rotation, within their own throws and locks.'
            : 'A camp stands here once it is published and one of its stations is yours.'}
        </Blank>
      ) : null}
      {list('Now and to come', rows.filter((camp) => camp.state !== 'over').reverse())}
      {list(
        'Over',
        rows.filter((camp) => camp.state === 'over'),
      )}
    </Screen>
  );
}
