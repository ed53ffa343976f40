import type { NamedId } from '@wrightonic/contract';
import type { PainReport } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../../data/api';
import { AthletePicker } from '../../../parts/AthletePicker';
import { PainCheck } from '../../../parts/PainCheck';
import { Action, Blank, Choice } from '../../../ui/controls';
import { Row, Screen, Section } from '../../../ui/layout';
import { usePalette } from '../../../ui/theme';
import { MOST_IN_LINE } from './line';

/** Who is there today: a group, or picked one by one. */
export function Gather({
  mayTeach,
  onGather,
  onTeach,
}: {
  /** Whether what is seen here may be marked. */
  readonly mayTeach: boolean;
  readonly onGather: (athletes: readonly string[]) => void;
  /** A class link by link, instead of work. */
  readonly onTeach: (athletes: readonly string[]) => void;
}) {
  const { data: groups = [] } = api.useGroupsQuery();
  const [chosen, setChosen] = useState<readonly NamedId[]>([]);
  const withSome = groups.filter((g) => g.athletes.length > 0);
  return (
    <Screen
      width={760}
      footer={
        <>
          <Action
            label={chosen.length === 0 ? 'Pick who is there' : `${chosen.length} in line`}
            disabled={chosen.length === 0}
            onPress={() => onGather(chosen.map((c) => c.id))}
            testID="gather"
          />
          {mayTeach ? (
            <Action
              kind="quiet"
              label="Class, link by link"
              disabled={chosen.length === 0}
              onPress={() => onTeach(chosen.map((c) => c.id))}
              testID="gather-class"
            />
          ) : null}
        </>
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Run a group
      </Text>
      <Section title="A group" note={`up to ${MOST_IN_LINE} in one line`}>
        {withSome.length === 0 ? (
          <Blank title="No group has athletes yet">Pick them one by one below; groups are made under Desk.</Blank>
        ) : (
          <Row>
            {withSome.map((group) => (
              <Choice
                key={group.id}
                label={`${group.name}, ${group.athletes.length}`}
                chosen={group.athletes.length > 0 && group.athletes.every((a) => chosen.some((c) => c.id === a.id))}
                onPress={() => setChosen(group.athletes.slice(0, MOST_IN_LINE))}
                testID={`group-${group.name}`}
              />
            ))}
          </Row>
        )}
      </Section>
      <Section title="Or one by one">
        <AthletePicker label="Name" chosen={chosen} most={MOST_IN_LINE} onChange={setChosen} />
      </Section>
    </Screen>
  );
}

/** Before the work: who hurts? Everybody else starts as they are. */
export function WhoHurts({
  athletes,
  missing,
  onStart,
  onWithout,
}: {
  readonly athletes: readonly NamedId[];
  /** How many are in line whose work this device does not have yet. */
  readonly missing: number;
  readonly onStart: (hurts: ReadonlyMap<string, PainReport>) => void;
  readonly onWithout: () => void;
}) {
  const palette = usePalette();
  const [hurts, setHurts] = useState<ReadonlyMap<string, PainReport>>(new Map());
  const [asking, setAsking] = useState<NamedId | null>(null);
  if (asking)
    return (
      <Screen width={640}>
        <PainCheck
          question={`What hurts, ${asking.name}?`}
          fine="Nothing hurts"
          onFine={() => {
            setHurts(new Map([...hurts].filter(([id]) => id !== asking.id)));
            setAsking(null);
          }}
          onPain={(pain) => {
            setHurts(new Map([...hurts, [asking.id, pain]]));
            setAsking(null);
          }}
        />
      </Screen>
    );
  return (
    <Screen
      width={640}
      footer={
        <>
          <Action
            label={hurts.size === 0 ? 'Nobody hurts. Start' : `Start, ${hurts.size} with pain noted`}
            disabled={athletes.length === 0}
            onPress={() => onStart(hurts)}
            testID="group-start"
          />
          <Action kind="plain" label="Pick others" onPress={onWithout} testID="group-others" />
        </>
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Does anybody hurt?
      </Text>
      <Text variant="bodyMedium" style={{ color: palette.soft }}>
        Ask each one. Tap whoever hurts; elbow or shoulder pain ends throwing for today.
      </Text>
      <View style={{ gap: 4 }}>
        {athletes.map((athlete) => (
          <Choice
            key={athlete.id}
            label={hurts.has(athlete.id) ? `${athlete.name}: pain noted` : athlete.name}
            chosen={hurts.has(athlete.id)}
            onPress={() => setAsking(athlete)}
            testID={`hurts-${athlete.name}`}
          />
        ))}
      </View>
      {missing > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`${missing} more: their work is not on this device yet.`}
        </Text>
      ) : null}
    </Screen>
  );
}
