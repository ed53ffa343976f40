import type { HandOutRecord, HandOutShare } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { useLibrary } from '../../data/use-library';
import { Action, Blank, Caution, LinkRow, Loading } from '../../ui/controls';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { HandOutForm } from './HandOutForm';
import { PLACE_WORDS } from './words';

const STATE_WORDS: Record<HandOutShare['state'], string> = { none: 'nothing', open: 'not seen yet', seen: 'seen', done: 'done' };

/** “2 of 8 done, 3 seen”: how far they have come with it. */
export function progressOf(shares: readonly HandOutShare[]): string {
  const done = shares.filter((s) => s.state === 'done').length;
  const seen = shares.filter((s) => s.state === 'seen').length;
  if (shares.length === 1) return STATE_WORDS[shares[0]!.state];
  if (done === shares.length) return 'all done';
  if (done > 0) return `${done} of ${shares.length} done${seen > 0 ? `, ${seen} seen` : ''}`;
  return seen > 0 ? `${seen} of ${shares.length} seen` : STATE_WORDS.open;
}

function Line({ record }: { readonly record: HandOutRecord }) {
  const palette = usePalette();
  const { library } = useLibrary();
  const [open, setOpen] = useState(false);
  const [drop, dropping] = api.useDropHandOutMutation();
  const what =
    record.what.kind === 'plan'
      ? `A plan for ${record.what.weeks} weeks`
      : record.what.drills.map((drill) => (library.has(drill) ? library.drill(drill).name : drill)).join(', ');
  const allDone = record.shares.every((s) => s.state === 'done');
  return (
    <View>
      <LinkRow onPress={() => setOpen(!open)} testID={`handed-${record.id}`}>
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s }}>
          <Text variant="titleMedium" style={{ flexShrink: 1 }}>
            {record.to}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {progressOf(record.shares)}
          </Text>
        </View>
        <Text variant="bodyMedium">{what}</Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {record.what.kind === 'plan'
            ? `From ${weekDay(record.on)}, by ${record.by}`
            : `${weekDay(record.on)}, ${PLACE_WORDS[record.place]}, by ${record.by}`}
        </Text>
      </LinkRow>
      {open ? (
        <View style={{ paddingVertical: SPACE.s, gap: SPACE.s }}>
          {record.note ? <Text variant="bodyMedium">{`“${record.note}”`}</Text> : null}
          {record.shares.map((share) => (
            <View key={share.athlete.id} style={{ flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s }}>
              <Text variant="bodyMedium" style={{ flexShrink: 1 }}>
                {share.athlete.name}
              </Text>
              <Text variant="bodyMedium" style={{ color: share.state === 'done' ? palette.spruce : palette.soft }}>
                {STATE_WORDS[share.state]}
              </Text>
            </View>
          ))}
          {dropping.error ? <Caution>{problemOf(dropping.error).detail}</Caution> : null}
          {allDone ? null : (
            <Row>
              <Action
                kind="quiet"
                label="Take back what is not done"
                onPress={() => void drop({ id: record.id })}
                busy={dropping.isLoading}
                testID="take-back"
              />
            </Row>
          )}
        </View>
      ) : null}
    </View>
  );
}

/** Work handed out by hand: to whom, and by whom it was seen and done. */
export function HandOutsScreen() {
  const { data: me } = api.useMeQuery();
  const { data, error, isLoading } = api.useHandOutsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [making, setMaking] = useState(false);
  if (isLoading || !me) return <Loading />;
  return (
    <Screen width={760}>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Handed out
      </Text>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {making ? (
        <HandOutForm today={me.academy.today} onDone={() => setMaking(false)} />
      ) : (
        <Action label="Hand out work" onPress={() => setMaking(true)} testID="hand-out-new" />
      )}
      {data?.length === 0 && !making ? (
        <Blank title="Nothing is handed out">
          Drills or a plan for one athlete, a group or a station, for here or for home. Here stands who has seen and done them.
        </Blank>
      ) : null}
      {data && data.length > 0 ? (
        <Section title="Lately" note={`${data.length}`}>
          {data.map((record) => (
            <Line key={record.id} record={record} />
          ))}
        </Section>
      ) : null}
    </Screen>
  );
}
