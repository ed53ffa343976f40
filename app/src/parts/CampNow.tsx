import type { CampRecord, CampRow, Me } from '@wrightonic/contract';
import { clockOf, rotationTimes } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../data/api';
import { useLibrary } from '../data/use-library';
import { firstOpen, stationsAt } from './camp-board';
import type { Camper } from './camp-board';
import { useCampNow } from './use-camp-now';
import { useRunLine } from './use-run-line';
import { Action } from '../ui/controls';
import { Row, Section } from '../ui/layout';
import { SPACE, usePalette } from '../ui/theme';

const LOOKS_EVERY_MS = 30_000;
const idsOf = (line: readonly Camper[]): string[] => line.map((camper) => camper.athlete);

/** The stations of the camp of today that somebody runs. */
export function CampNow({ row, me }: { readonly row: CampRow; readonly me: Me }) {
  const { data: camp } = api.useCampQuery({ id: row.id }, { pollingInterval: LOOKS_EVERY_MS, refetchOnMountOrArgChange: true });
  return camp ? <MyStations camp={camp} me={me} /> : null;
}

/** Their line now and next, and the way to log it. */
function MyStations({ camp, me }: { readonly camp: CampRecord; readonly me: Me }) {
  const palette = usePalette();
  const { drill: look } = useLibrary();
  const run = useRunLine(me);
  const { day, moment } = useCampNow(me, camp);
  if (day === null || moment === null || moment.state === 'over') return null;
  const now = firstOpen(camp, day, moment);
  const times = rotationTimes(camp.days[day]!);
  const stations = stationsAt(camp, day, now);
  const then = now + 1 < times.length ? stationsAt(camp, day, now + 1) : [];
  return (
    <>
      {stations
        .filter(({ station }) => station.coach === me.id)
        .map(({ station, campers: line }) => {
          const next = then.find((at) => at.station.id === station.id)?.campers ?? [];
          const drill = station.drill === null ? null : look(station.drill);
          return (
            <Section
              key={station.id}
              title={`${station.name}, ${camp.name}`}
              note={`rotation ${now + 1}, ${clockOf(times[now]!.from)} to ${clockOf(times[now]!.to)}`}
            >
              {drill ? <Text variant="bodyMedium">{`Cue: ${drill.cue.external}. Good when: ${drill.success}.`}</Text> : null}
              {station.throwsPerVisit > 0 ? (
                <Text variant="bodyMedium">{`${station.throwsPerVisit} throws each${station.hard ? ', hard' : ''}.`}</Text>
              ) : null}
              <View style={{ gap: SPACE.xs }}>
                {line.length === 0 ? <Text variant="bodyMedium">Nobody is here in this rotation.</Text> : null}
                {line.map((a) => (
                  <Text key={a.athlete} variant="titleMedium">
                    {`${a.name}${a.locked === null ? '' : ' · no throwing'}`}
                  </Text>
                ))}
              </View>
              {next.length > 0 ? (
                <Text variant="bodySmall" style={{ color: palette.soft }}>
                  {`Then: ${next.map((a) => a.name).join(', ')}`}
                </Text>
              ) : null}
              {line.length > 0 ? (
                <Row>
                  <Action
                    label={`Run ${line.length === 1 ? line[0]!.name : `these ${line.length}`}`}
                    onPress={() => void run(camp.days[day]!.date, idsOf(line), { drill: drill?.id ?? null })}
                    testID={`run-station-${station.name}`}
                  />
                </Row>
              ) : null}
            </Section>
          );
        })}
    </>
  );
}
