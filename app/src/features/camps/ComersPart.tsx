import { CAMP_MOST } from '@wrightonic/contract';
import type { NamedId, NewCamp } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { AthletePicker } from '../../parts/AthletePicker';
import { Action, Choice, LinkRow } from '../../ui/controls';
import { Field } from '../../ui/Field';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { befriend, withComers, withoutComer } from './form';
import type { ComerForm } from './form';

function Details({
  comer,
  camp,
  nameOf,
  onChange,
  onDone,
}: {
  readonly comer: ComerForm;
  readonly camp: NewCamp;
  readonly nameOf: (id: string) => string;
  readonly onChange: (camp: NewCamp) => void;
  readonly onDone: () => void;
}) {
  const change = (to: Partial<ComerForm>) =>
    onChange({ ...camp, athletes: camp.athletes.map((a) => (a.athlete === comer.athlete ? { ...a, ...to } : a)) });
  return (
    <View style={{ gap: SPACE.s, paddingVertical: SPACE.s }}>
      <Text variant="titleMedium">{nameOf(comer.athlete)}</Text>
      <Field
        label="Goes round with the group"
        value={comer.group ?? ''}
        onChangeText={(group) => change({ group: group === '' ? null : group })}
        testID="comer-group"
      />
      <Text variant="bodyMedium">Together with, where that can be</Text>
      <Row>
        {camp.athletes
          .filter((a) => a.athlete !== comer.athlete)
          .map((a) => (
            <Choice
              key={a.athlete}
              label={nameOf(a.athlete)}
              chosen={comer.with.includes(a.athlete)}
              onPress={() => onChange(befriend(camp, comer.athlete, a.athlete, !comer.with.includes(a.athlete)))}
            />
          ))}
      </Row>
      <Row>
        <Choice
          label="Here for this camp alone"
          chosen={comer.visitor}
          onPress={() => change({ visitor: !comer.visitor })}
          testID="comer-visitor"
        />
      </Row>
      <Row>
        <Action kind="quiet" label="Done" onPress={onDone} testID="comer-done" />
        <Action
          kind="plain"
          label="Does not come"
          onPress={() => {
            onChange(withoutComer(camp, comer.athlete));
            onDone();
          }}
        />
      </Row>
    </View>
  );
}

/** Who comes, with whom. */
export function ComersPart({
  camp,
  known,
  onChange,
}: {
  readonly camp: NewCamp;
  /** Names of those who are at the camp already. */
  readonly known: readonly NamedId[];
  readonly onChange: (camp: NewCamp) => void;
}) {
  const palette = usePalette();
  const router = useRouter();
  const { data: groups = [] } = api.useGroupsQuery();
  const [names, setNames] = useState<ReadonlyMap<string, string>>(() => new Map(known.map((a) => [a.id, a.name])));
  const [open, setOpen] = useState<string | null>(null);
  const nameOf = (id: string): string => names.get(id) ?? 'somebody';
  const add = (athletes: readonly NamedId[], group: string | null) => {
    setNames(new Map([...names, ...athletes.map((a) => [a.id, a.name] as const)]));
    onChange(
      withComers(
        camp,
        athletes.map((a) => a.id),
        group,
      ),
    );
  };
  const detail = (a: ComerForm): string =>
    [
      ...(a.group === null ? [] : [a.group]),
      ...a.with.map((id) => `with ${nameOf(id)}`),
      ...(a.visitor ? ['this camp alone'] : []),
    ].join(' · ');
  return (
    <Section title="Who comes" note={`${camp.athletes.length} of ${CAMP_MOST.athletes} at most`}>
      {camp.athletes.map((comer) =>
        comer.athlete === open ? (
          <Details
            key={comer.athlete}
            comer={comer}
            camp={camp}
            nameOf={nameOf}
            onChange={onChange}
            onDone={() => setOpen(null)}
          />
        ) : (
          <LinkRow key={comer.athlete} onPress={() => setOpen(comer.athlete)} testID={`comer-${nameOf(comer.athlete)}`}>
            <Text variant="titleMedium">{nameOf(comer.athlete)}</Text>
            {detail(comer) ? (
              <Text variant="bodySmall" style={{ color: palette.soft }}>
                {detail(comer)}
              </Text>
            ) : null}
          </LinkRow>
        ),
      )}
      {groups.some((g) => g.athletes.length > 0) ? (
        <View style={{ gap: SPACE.xs }}>
          <Text variant="bodyMedium">Add a whole group</Text>
          <Row>
            {groups
              // The camp’s own group is who is here already.
              .filter((g) => g.athletes.length > 0 && g.name !== camp.name)
              .map((g) => (
                <Action
                  key={g.id}
                  kind="quiet"
                  label={`${g.name}, ${g.athletes.length}`}
                  onPress={() => add(g.athletes, g.name)}
                  testID={`add-group-${g.name}`}
                />
              ))}
          </Row>
        </View>
      ) : null}
      <AthletePicker label="Add by name" chosen={[]} most={CAMP_MOST.athletes} onChange={(picked) => add(picked, null)} />
      <Row>
        <Action kind="plain" label="Somebody new" onPress={() => router.push('/athletes/new')} />
        <Action kind="plain" label="A list of them" onPress={() => router.push('/desk/import')} />
      </Row>
    </Section>
  );
}
