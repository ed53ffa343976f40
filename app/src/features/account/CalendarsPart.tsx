import { may } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { Action, Caution } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';

/** Calendars to subscribe to: a coach's lessons, or the work of one's own athletes. */
export function CalendarsPart() {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const { data: calendars = [] } = api.useCalendarsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [make, making] = api.usePutCalendarMutation();
  const [close, closing] = api.useDropCalendarMutation();
  const [made, setMade] = useState<string | null>(null);
  if (!me) return null;
  const choices = may(me.role, 'seeToday')
    ? [{ id: null, name: 'all lessons' }]
    : me.athletes.map(({ id, name }) => ({ id, name: `${name}’s work` }));
  if (choices.length === 0) return null;
  const add = async (athlete: string | null) => {
    const answer = await make({ id: newId(), body: { athlete } });
    if (answer.data) setMade(`${window.location.origin}${answer.data.path}`);
  };
  const error = making.error ?? closing.error;
  return (
    <Section title="Calendar" note="an address that a calendar program reads again and again">
      <Row>
        {choices.map(({ id, name }) => (
          <Action
            key={id ?? 'all'}
            kind="quiet"
            label={`Make one for ${name}`}
            busy={making.isLoading}
            onPress={() => void add(id)}
            testID="make-calendar"
          />
        ))}
      </Row>
      {made ? (
        <View style={{ gap: 2 }}>
          <Text variant="bodySmall" selectable testID="calendar-address">
            {made}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            Subscribe to it in a calendar program. It is shown this once; whoever has it reads the calendar until it is closed.
          </Text>
        </View>
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {calendars.map((c) => (
        <View key={c.id} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }} testID="calendar-row">
          <Text variant="bodySmall" style={{ flex: 1 }}>
            {`${c.athlete ? c.athlete.name : 'All lessons'}, made ${weekDay(c.madeAt.slice(0, 10))}, ${c.readAt ? `last read ${weekDay(c.readAt.slice(0, 10))}` : 'not read yet'}`}
          </Text>
          <Action kind="plain" label="Close it" onPress={() => void close({ id: c.id })} />
        </View>
      ))}
    </Section>
  );
}
