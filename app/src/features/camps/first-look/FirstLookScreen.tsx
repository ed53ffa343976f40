import type { CampMember, CampRecord, Me } from '@wrightonic/contract';
import { useState } from 'react';
import { Text } from 'react-native-paper';
import { api } from '../../../data/api';
import { PageProblem } from '../../../parts/PageProblem';
import { Action, Blank, LinkRow, Loading } from '../../../ui/controls';
import { Screen, Section } from '../../../ui/layout';
import { usePalette } from '../../../ui/theme';
import { useVocabulary } from '../../../ui/vocabulary';
import { useCamp } from '../use-camp';
import { inOrder } from './first-look';
import { OneAthlete } from './OneAthlete';

/** Ninety seconds an athlete: what tells most first, what it comes to, a first focus, and on to the next. */
export function FirstLookScreen({ id }: { readonly id: string }) {
  const { data: me } = api.useMeQuery();
  const { data: camp, error, isLoading } = useCamp(id);
  if (isLoading || !me) return <Loading />;
  return camp ? <Many camp={camp} me={me} /> : <PageProblem error={error} />;
}

function Many({ camp, me }: { readonly camp: CampRecord; readonly me: Me }) {
  const palette = usePalette();
  const say = useVocabulary();
  // Nobody changes places while one goes through them.
  const [order] = useState(() => inOrder(camp.athletes).map((m) => m.athlete));
  const [at, setAt] = useState<number | null>(null);
  const byId = new Map(camp.athletes.map((m) => [m.athlete, m]));
  const members = order.flatMap((athlete) => byId.get(athlete) ?? []);
  const known = members.filter((m) => m.focus.length > 0).length;
  const current = at === null ? undefined : members[at];
  if (at !== null && current)
    return (
      <OneAthlete
        key={current.athlete}
        member={current}
        me={me}
        place={`${at + 1} of ${members.length}`}
        next={members[at + 1] ?? null}
        onNext={() => setAt(at + 1 < members.length ? at + 1 : null)}
        onList={() => setAt(null)}
      />
    );
  const word = ({ focus: [first], chosen }: CampMember): string => {
    if (!first) return 'nobody has looked yet';
    return `${chosen ? 'focus' : 'likeliest'}: ${say.title(first.finding).toLowerCase()}`;
  };
  const start = Math.max(
    0,
    members.findIndex((m) => m.focus.length === 0),
  );
  return (
    <Screen
      width={680}
      footer={
        members.length > 0 ? (
          <Action label={`Start with ${members[start]!.name}`} onPress={() => setAt(start)} testID="first-look-start" />
        ) : undefined
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        A first look at each
      </Text>
      {members.length === 0 ? <Blank title="Nobody comes yet">Add athletes to the camp first.</Blank> : null}
      <Section title={camp.name} note={`${known} of ${members.length} are known`}>
        {members.map((m, n) => (
          <LinkRow key={m.athlete} onPress={() => setAt(n)} testID={`first-look-${m.name}`}>
            <Text variant="titleMedium">{m.name}</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {`${m.age} years · ${word(m)}`}
            </Text>
          </LinkRow>
        ))}
      </Section>
    </Screen>
  );
}
