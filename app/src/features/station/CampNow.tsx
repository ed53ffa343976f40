import type { CampRow, Me } from '@wrightonic/contract';
import { clockOf, minutesOf, momentOf, rotationTimes } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { clockIn } from '../../data/clock';
import { useLibrary } from '../../data/use-library';
import { Action } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

/** The stations of the camp of today that somebody runs: their line now and next, and the way to log it. */
export function CampNow({ row, me }: { readonly row: CampRow; readonly me: Me }) {
  const palette = usePalette();
  const router = useRouter();
  const { drill: look } = useLibrary();
  const { data: camp } = api.useCampQuery({ id: row.id }, { pollingInterval: 30_000, refetchOnMountOrArgChange: true });
  const day = camp ? camp.days.findIndex((d) => d.date === me.academy.today) : -1;
  if (!camp || day < 0) return null;
  const moment = momentOf(camp.days[day]!, minutesOf(clockIn(me.academy.timeZone)));
  if (moment.state === 'over') return null;
  const now = moment.state === 'on' ? moment.rotation : moment.next;
  const times = rotationTimes(camp.days[day]!);
  const byId = new Map(camp.athletes.map((a) => [a.athlete, a]));
  const lineAt = (station: string, rotation: number) =>
    camp.visits
      .filter((v) => v.day === day && v.rotation === rotation && v.station === station)
      .flatMap((v) => byId.get(v.athlete) ?? []);
  return (
    <>
      {camp.stations
        .filter((station) => station.coach === me.id)
        .map((station) => {
          const line = lineAt(station.id, now);
          const next = now + 1 < times.length ? lineAt(station.id, now + 1) : [];
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
                    onPress={() =>
                      router.push({
                        pathname: '/group-run',
                        params: { athletes: line.map((a) => a.athlete).join(), ...(drill ? { drill: drill.id } : {}) },
                      })
                    }
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
