import { may } from '@wrightonic/contract';
import type { CampRecord, Me } from '@wrightonic/contract';
import { clockOf, rotationTimes } from '@wrightonic/core';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { record } from '../../data/outbox';
import { useAppDispatch, useAppSelector } from '../../data/store';
import { PageProblem } from '../../parts/PageProblem';
import { Action, Blank, Caution, Choice, Loading } from '../../ui/controls';
import { Row, Screen, Section } from '../../ui/layout';
import { NUMBER_FONT, SPACE, usePalette } from '../../ui/theme';
import { longDay } from '../../ui/words';
import { firstOpen, momentWords, notSeen, stationsAt } from '../../parts/camp-board';
import type { StationNow } from '../../parts/camp-board';
import { useRunLine } from '../../parts/use-run-line';
import type { LineFor } from '../../parts/use-run-line';
import { Replan } from './Replan';
import { useCampNow } from '../../parts/use-camp-now';
import { refusedArrival } from './arrivals';
import { FAR_WIDTH, sizesFor, StationTile } from './StationTile';
import { mayRun, useCamp } from './use-camp';

/** Who has come: one tap each, with a signal or without. */
function Arrivals({ camp, me, day }: { readonly camp: CampRecord; readonly me: Me; readonly day: number }) {
  const dispatch = useAppDispatch();
  const refused = useAppSelector((s) => refusedArrival(s.operations.list, camp.id, me.id));
  const here = new Set(camp.arrivals.filter((a) => a.day === day).map((a) => a.athlete));
  const tap = (athlete: string) =>
    dispatch(record(me.id, athlete, camp.id, { kind: 'arrive', body: { day, athlete, here: !here.has(athlete) } }));
  return (
    <Section title="At the gate" note={`${here.size} of ${camp.athletes.length} have come`}>
      {refused ? <Caution>{refused}</Caution> : null}
      <Row>
        {camp.athletes.map((a) => (
          <Choice
            key={a.athlete}
            label={a.name}
            chosen={here.has(a.athlete)}
            onPress={() => tap(a.athlete)}
            testID={`here-${a.name}`}
          />
        ))}
      </Row>
    </Section>
  );
}

function Board({ camp, me, day }: { readonly camp: CampRecord; readonly me: Me; readonly day: number }) {
  const palette = usePalette();
  const { width } = useWindowDimensions();
  const far = width >= FAR_WIDTH;
  const sizes = sizesFor(width, camp.athletes.length);
  const { moment, clock } = useCampNow(me, camp);
  const run = useRunLine(me);
  const [open, setOpen] = useState<'none' | 'gate' | 'replan'>('none');
  const at = moment === null ? 0 : firstOpen(camp, day, moment);
  const rotations = camp.days[day]!.rotations;
  const shown = Math.min(at, rotations - 1);
  const now = stationsAt(camp, day, shown);
  const then = shown + 1 < rotations ? stationsAt(camp, day, shown + 1) : null;
  const missing = notSeen(camp, day);
  const times = rotationTimes(camp.days[day]!)[shown]!;
  const actionsFor = ({ station, campers }: StationNow) => {
    const gather = (what: LineFor) => () =>
      void run(
        camp.days[day]!.date,
        campers.map((c) => c.athlete),
        what,
      );
    return [
      ...(may(me.role, 'runSessions')
        ? [{ label: 'Run them', onPress: gather({ drill: station.drill }), testID: `board-run-${station.name}` }]
        : []),
      ...(may(me.role, 'judge') ? [{ label: 'Class', onPress: gather('class'), testID: `board-class-${station.name}` }] : []),
    ];
  };
  return (
    <Screen width={2000}>
      <View style={styles.top}>
        <View style={{ flexShrink: 1 }}>
          <Text variant={far ? 'headlineLarge' : 'headlineSmall'} role="heading" aria-level={1}>
            {camp.name}
          </Text>
          <Text variant={far ? 'titleLarge' : 'bodyMedium'} style={{ color: palette.soft }} testID="board-moment">
            {`${longDay(camp.days[day]!.date)} · ${moment ? momentWords(moment) : ''}`}
          </Text>
        </View>
        <View style={{ alignItems: 'flex-end' }}>
          <Text style={[styles.number, { fontSize: far ? 76 : 40, lineHeight: far ? 84 : 46, color: palette.ink }]}>{clock}</Text>
          <Text variant={far ? 'titleMedium' : 'bodySmall'} style={{ color: palette.soft }}>
            {`${moment?.state === 'on' ? 'until' : 'at'} ${clockOf(moment?.state === 'on' ? times.to : times.from)}`}
          </Text>
        </View>
      </View>
      {camp.broken.map((text) => (
        <Caution key={text}>{text}</Caution>
      ))}
      {missing.length > 0 && moment?.state !== 'over' ? (
        <Caution testID="board-missing">
          {missing.length > 6
            ? `${missing.length} were not seen at the gate yet.`
            : `Not seen at the gate: ${missing.map((a) => a.name).join(', ')}.`}
        </Caution>
      ) : null}
      <Section title={moment?.state === 'on' ? `Now, rotation ${shown + 1}` : `Rotation ${shown + 1}`} note={`of ${rotations}`}>
        <View style={styles.tiles}>
          {now.map((station, n) => (
            <StationTile
              key={station.station.id}
              at={station}
              next={then?.[n] ?? null}
              sizes={sizes}
              actions={far ? [] : actionsFor(station)}
            />
          ))}
        </View>
      </Section>
      {mayRun(me) ? (
        <Row>
          <Action
            kind="quiet"
            label="At the gate"
            onPress={() => setOpen(open === 'gate' ? 'none' : 'gate')}
            testID="board-gate"
          />
          <Action
            kind="quiet"
            label="Something has happened"
            disabled={at >= rotations}
            onPress={() => setOpen(open === 'replan' ? 'none' : 'replan')}
            testID="board-replan"
          />
        </Row>
      ) : null}
      {open === 'gate' ? <Arrivals camp={camp} me={me} day={day} /> : null}
      {open === 'replan' ? (
        <Replan camp={camp} day={day} from={at} late={missing.map((a) => a.athlete)} onDone={() => setOpen('none')} />
      ) : null}
    </Screen>
  );
}

/** The live board: where everybody is, what is next, who is missing. */
export function BoardScreen({ id }: { readonly id: string }) {
  const { data: me } = api.useMeQuery();
  const { data: camp, error, isLoading } = useCamp(id, true);
  if (isLoading || !me) return <Loading />;
  if (!camp) return <PageProblem error={error} />;
  return <OfToday camp={camp} me={me} />;
}

function OfToday({ camp, me }: { readonly camp: CampRecord; readonly me: Me }) {
  const { day } = useCampNow(me, camp);
  if (day === null || camp.visits.length === 0)
    return (
      <Screen width={520}>
        <Blank page title="There is no board today">
          {camp.visits.length === 0
            ? 'The camp has no schedule yet.'
            : `The camp is on ${camp.days.map((d) => longDay(d.date)).join(', ')}.`}
        </Blank>
      </Screen>
    );
  return <Board camp={camp} me={me} day={day} />;
}

const styles = StyleSheet.create({
  top: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.l },
  tiles: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  number: { fontFamily: NUMBER_FONT, fontWeight: '600', fontVariant: ['tabular-nums'] },
});
