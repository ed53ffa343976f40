import type { NamedId } from '@wrightonic/contract';
import { STATION_KINDS } from '@wrightonic/core';
import type { StationKind } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { newId } from '../../data/ids';
import { useLibrary } from '../../data/use-library';
import { DrillSearch } from '../../parts/DrillSearch';
import { Action, Choice, LinkRow } from '../../ui/controls';
import { Field } from '../../ui/Field';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { newStation } from './form';
import type { StationForm } from './form';
import { NumberField } from './NumberField';
import { KIND_WORDS } from './words';

function Details({
  station,
  coaches,
  onChange,
  onDrop,
  onDone,
}: {
  readonly station: StationForm;
  readonly coaches: readonly NamedId[];
  readonly onChange: (station: StationForm) => void;
  readonly onDrop: () => void;
  readonly onDone: () => void;
}) {
  return (
    <View style={{ gap: SPACE.s, paddingVertical: SPACE.s }}>
      <Field label="Name" value={station.name} onChangeText={(name) => onChange({ ...station, name })} testID="station-name" />
      <Field
        label="Where at the camp"
        value={station.place ?? ''}
        onChangeText={(place) => onChange({ ...station, place: place === '' ? null : place })}
        testID="station-place"
      />
      <NumberField
        label="Athletes at once"
        value={station.capacity}
        onChange={(capacity) => capacity !== null && capacity > 0 && onChange({ ...station, capacity })}
        testID="station-capacity"
      />
      <NumberField
        label="Pieces of kit, one each; empty: enough"
        value={station.kit}
        onChange={(kit) => onChange({ ...station, kit: kit === 0 ? null : kit })}
        testID="station-kit"
      />
      <NumberField
        label="Throws a visit, warm-up and all"
        value={station.throwsPerVisit}
        onChange={(throws) => throws !== null && onChange({ ...station, throwsPerVisit: throws })}
        testID="station-throws"
      />
      <Row>
        <Choice
          label="Hard throws"
          chosen={station.hard}
          onPress={() => onChange({ ...station, hard: !station.hard })}
          testID="station-hard"
        />
      </Row>
      <Text variant="bodyMedium">Run by</Text>
      <Row>
        {coaches.map((coach) => (
          <Choice
            key={coach.id}
            label={coach.name}
            chosen={station.coach === coach.id}
            onPress={() => onChange({ ...station, coach: station.coach === coach.id ? null : coach.id })}
            testID={`station-coach-${coach.name}`}
          />
        ))}
      </Row>
      <Row>
        <Action kind="quiet" label="Done" onPress={onDone} testID="station-done" />
        <Action kind="plain" label="Leave the station out" onPress={onDrop} />
      </Row>
    </View>
  );
}

/** Which stations there are, and what each takes. */
export function StationsPart({
  stations,
  coaches,
  onChange,
}: {
  readonly stations: readonly StationForm[];
  readonly coaches: readonly NamedId[];
  readonly onChange: (stations: readonly StationForm[]) => void;
}) {
  const palette = usePalette();
  const { drill: look } = useLibrary();
  const [open, setOpen] = useState<string | null>(null);
  const [finding, setFinding] = useState(false);
  const add = (kind: StationKind, drill: string | null) => {
    const station = newStation(newId(), kind, drill === null ? null : look(drill), stations);
    onChange([...stations, station]);
    setFinding(false);
  };
  const saying = (s: StationForm): string =>
    [
      KIND_WORDS[s.kind],
      `${s.kit === null ? s.capacity : Math.min(s.capacity, s.kit)} at once`,
      s.throwsPerVisit === 0 ? 'no throws' : `${s.throwsPerVisit} throws${s.hard ? ', hard' : ''}`,
      ...(s.place === null ? [] : [s.place]),
      coaches.find((c) => c.id === s.coach)?.name ?? 'nobody runs it yet',
    ].join(' · ');
  return (
    <Section
      title="Stations"
      note={`${stations.reduce((sum, s) => sum + Math.min(s.capacity, s.kit ?? s.capacity), 0)} places in each rotation`}
    >
      {stations.map((station) =>
        station.id === open ? (
          <Details
            key={station.id}
            station={station}
            coaches={coaches}
            onChange={(changed) => onChange(stations.map((s) => (s.id === changed.id ? changed : s)))}
            onDrop={() => onChange(stations.filter((s) => s.id !== station.id))}
            onDone={() => setOpen(null)}
          />
        ) : (
          <LinkRow key={station.id} onPress={() => setOpen(station.id)} testID={`station-${station.name}`}>
            <Text variant="titleMedium">{station.name}</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {saying(station)}
            </Text>
          </LinkRow>
        ),
      )}
      {finding ? (
        <View style={{ gap: SPACE.s }}>
          <DrillSearch label="Which drill?" most={6} onPick={(drill) => add('drill', drill)} />
          <Row>
            <Action kind="plain" label="No drill" onPress={() => setFinding(false)} />
          </Row>
        </View>
      ) : (
        <View style={{ gap: SPACE.xs }}>
          <Text variant="bodyMedium">Add a station</Text>
          <Row>
            {STATION_KINDS.map((kind) => (
              <Action
                key={kind}
                kind="quiet"
                label={KIND_WORDS[kind]}
                onPress={() => (kind === 'drill' ? setFinding(true) : add(kind, null))}
                testID={`add-${kind}`}
              />
            ))}
          </Row>
        </View>
      )}
    </Section>
  );
}
