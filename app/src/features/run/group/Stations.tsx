import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useLibrary } from '../../../data/use-library';
import { DrillSearch } from '../../../parts/DrillSearch';
import { Action, Choice } from '../../../ui/controls';
import { Row, Screen, Section } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { FEWEST_STATIONS, isThrough, MOST_STATIONS, movesBack, movesOn, stationOf } from './round';
import type { Round } from './round';

/** Which drills the stations are: those most have planned first, any other by name. */
export function PickStations({
  planned,
  onPick,
  onBack,
}: {
  readonly planned: readonly { readonly drill: string; readonly athletes: number }[];
  readonly onPick: (drills: readonly string[]) => void;
  readonly onBack: () => void;
}) {
  const palette = usePalette();
  const { drill } = useLibrary();
  const [drills, setDrills] = useState<readonly string[]>([]);
  const few = drills.length < FEWEST_STATIONS;
  const flip = (id: string) =>
    setDrills(drills.includes(id) ? drills.filter((d) => d !== id) : [...drills, id].slice(0, MOST_STATIONS));
  return (
    <Screen
      width={640}
      footer={
        <>
          <Action
            label={few ? `Pick at least ${FEWEST_STATIONS} drills` : `Start ${drills.length} stations`}
            disabled={few}
            onPress={() => onPick(drills)}
            testID="start-stations"
          />
          <Action kind="plain" label="Back to the line" onPress={onBack} />
        </>
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        A round of stations
      </Text>
      <Text variant="bodyMedium" style={{ color: palette.soft }}>
        One drill a station, in the order in which all move on. Everybody keeps their own dose, aid and limit.
      </Text>
      {drills.length > 0 ? (
        <Section title="Stations">
          <Row>
            {drills.map((id, n) => (
              <Choice
                key={id}
                label={`${n + 1} ${drill(id).name}`}
                chosen
                onPress={() => flip(id)}
                testID={`station-picked-${id}`}
              />
            ))}
          </Row>
        </Section>
      ) : null}
      <Section title="Planned today" note="drill, athletes">
        <Row>
          {planned
            .filter((row) => !drills.includes(row.drill))
            .slice(0, 8)
            .map((row) => (
              <Choice
                key={row.drill}
                label={`${drill(row.drill).name}, ${row.athletes}`}
                chosen={false}
                onPress={() => flip(row.drill)}
                testID={`station-${row.drill}`}
              />
            ))}
        </Row>
      </Section>
      <DrillSearch label="Another drill" asked without={new Set(drills)} onPick={flip} />
    </Screen>
  );
}

/** Where the stations stand: which one this phone is at, who is where, and moving on. */
export function StationBar({
  round,
  athletes,
  onChange,
}: {
  readonly round: Round;
  readonly athletes: readonly string[];
  /** null ends the round: the line goes on as it was. */
  readonly onChange: (to: Round | null) => void;
}) {
  const palette = usePalette();
  const { drill } = useLibrary();
  const through = isThrough(round);
  return (
    <View style={{ gap: SPACE.s }}>
      <ScrollView
        horizontal
        showsHorizontalScrollIndicator={false}
        contentContainerStyle={{ gap: SPACE.xs }}
        style={{ flexGrow: 0 }}
      >
        {round.drills.map((id, station) => (
          <Choice
            key={id}
            label={`${station + 1} ${drill(id).name}, ${athletes.filter((a) => stationOf(round, a) === station).length}`}
            chosen={round.here === station}
            onPress={() => onChange({ ...round, here: station })}
            testID={`at-station-${station + 1}`}
          />
        ))}
        <Choice
          label="All stations"
          chosen={round.here === null}
          onPress={() => onChange({ ...round, here: null })}
          testID="at-all-stations"
        />
      </ScrollView>
      <Text variant="bodySmall" style={{ color: palette.soft }} role="status" testID="round-so-far">
        {through
          ? 'Everybody has been at every station.'
          : `Turn ${round.turn + 1} of ${round.drills.length}: at the whistle all move on by one.`}
      </Text>
      <Row>
        {through ? null : <Action kind="quiet" label="All move on" onPress={() => onChange(movesOn(round))} testID="move-on" />}
        {round.turn > 0 ? (
          <Action kind="plain" label="One back" onPress={() => onChange(movesBack(round))} testID="move-back" />
        ) : null}
        <Action kind="plain" label="End the round" onPress={() => onChange(null)} testID="end-round" />
      </Row>
    </View>
  );
}
